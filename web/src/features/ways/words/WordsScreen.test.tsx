import type { BusinessProfileView } from '@dewpond/contract';
import { screen, waitFor } from '@testing-library/react';
import { expect, test } from 'vitest';
import { queryClient } from '../../../data/queries';
import { RefusedAnswer, openServer, show } from '../../../tests/server';
import { WordsScreen } from './WordsScreen';

function open(mayEdit = true) {
  let stands: BusinessProfileView = {
    version: 1,
    name: 'Withy Quay Grooming',
    phone: '01632 960100',
    email: '',
    colour: '#125b60',
    language: 'en-GB',
    wording: {},
    mayEdit,
  };
  openServer({
    'GET /api/profile': () => stands,
    'PUT /api/profile': ({ body: { version, ...set } }) => {
      if (version !== stands.version)
        throw new RefusedAnswer(409, { kind: 'conflict', message: 'Changed meanwhile.', current: stands, yours: set });
      stands = { ...stands, ...set, version: version + 1 };
      return { version: version + 1 };
    },
  });
  return { ...show(<WordsScreen />, { path: '/house/words' }), stands: () => stands };
}

test('a sentence is found, said otherwise, and back as it shipped; an illness or a lost slot is refused in words', async () => {
  const { person, stands } = open();
  await person.type(await screen.findByLabelText('Find a sentence'), 'cleaned: {{place');
  await person.click(screen.getByRole('button', { name: 'Cleaned: {places}.' }));
  const field = () => screen.getByRole('textbox', { name: /^Our words for/ });
  await person.clear(field());
  await person.type(field(), 'Cleaned it.{Enter}');
  expect(await screen.findByText('The place for {places} is missing.')).toBeTruthy();
  await person.clear(field());
  await person.type(field(), 'The infection at {{places}.{Enter}');
  expect(await screen.findByText(/“infection” names an illness/)).toBeTruthy();
  await person.clear(field());
  await person.type(field(), 'We cleaned: {{places}.{Enter}');
  await waitFor(() => expect(stands().wording).toEqual({ 'en-GB': { 'sentence cleaned': 'We cleaned: {places}.' } }));
  await person.click(await screen.findByRole('button', { name: /^As shipped: Cleaned:/ }));
  await waitFor(() => expect(stands().wording).toEqual({}));
});

test('two sentences said one right after the other are both kept, and undone apart', async () => {
  const { person, stands } = open();
  const say = async (shipped: RegExp, words: string) => {
    await person.click(await screen.findByRole('button', { name: shipped }));
    const field = screen.getByRole('textbox', { name: /^Our words for/ });
    await person.clear(field);
    await person.type(field, `${words}{Enter}`);
  };
  await say(/^Nails and dewclaws done\.$/, 'Nails done.');
  await say(/^Cleaned: /, 'We cleaned: {{places}.');
  await waitFor(() => expect(Object.keys(stands().wording['en-GB'] ?? {})).toHaveLength(2));
  expect(stands().version).toBe(3);
  await person.click(screen.getAllByRole('button', { name: 'Undo' })[0] as HTMLElement);
  await waitFor(() => expect(Object.values(stands().wording['en-GB'] ?? {})).toEqual(['We cleaned: {places}.']));
});

test('how the business signs is kept; who may not change it cannot', async () => {
  const { person, stands, unmount } = open();
  const phone = await screen.findByLabelText('Telephone');
  await person.clear(phone);
  await person.type(phone, '01632 960199{Enter}');
  await waitFor(() => expect(stands().phone).toBe('01632 960199'));
  unmount();
  queryClient.clear();
  open(false);
  await waitFor(() => expect(screen.getByLabelText<HTMLInputElement>('Telephone').disabled).toBe(true));
});
