import type { VetView } from '@dewpond/contract';
import { act, screen, waitFor, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import { v7 } from 'uuid';
import { queryClient } from '../../../data/queries';
import { openServer, show } from '../../../tests/server';
import { VetsScreen } from './VetsScreen';

const VET: VetView = {
  id: v7(),
  version: 1,
  name: 'Dr Oyelaran',
  practice: 'Harbour Vets',
  phone: '01632 960200',
  email: '',
  address: '',
  note: '',
  archivedOn: null,
  dogs: 2,
};

function openVets(items: VetView[]) {
  const server = openServer({
    'GET /api/vets': () => ({ items }),
    'POST /api/vets': ({ body }) => ({ id: body.id }),
    'PUT /api/vets/:id': ({ body }) => ({ version: body.version + 1 }),
  });
  return { server, ...show(<VetsScreen />) };
}

test('an empty list says what vets are for, and the first one is added', async () => {
  const { person, server } = openVets([]);
  expect(await screen.findByText(/No vet yet/)).toBeTruthy();
  await person.click(screen.getByRole('button', { name: 'Add the first vet' }));
  await person.type(screen.getByLabelText('Name'), 'Dr Kealoha');
  await person.type(screen.getByLabelText('E-mail'), 'nobody');
  await person.click(screen.getByRole('button', { name: 'Keep' }));
  expect(await screen.findByText('That is no e-mail address.')).toBeTruthy();
  await person.clear(screen.getByLabelText('E-mail'));
  await person.click(screen.getByRole('button', { name: 'Keep' }));
  await waitFor(() => expect(server.sent).toMatchObject([['POST /api/vets', { name: 'Dr Kealoha' }]]));
});

test('a vet shows how many dogs are theirs, is rung by a tap, changed and archived', async () => {
  const { person, server } = openVets([VET]);
  expect(await screen.findByText('2 dogs of ours')).toBeTruthy();
  expect(screen.getByRole('link', { name: '01632 960200' }).getAttribute('href')).toBe('tel:01632960200');
  await person.click(screen.getByRole('button', { name: 'Change Dr Oyelaran' }));
  await person.click(screen.getByRole('button', { name: 'Archive' }));
  await waitFor(() =>
    expect(server.sent).toMatchObject([
      ['PUT /api/vets/:id', { version: 1, archived: true, practice: 'Harbour Vets' }],
    ]),
  );
});

test('two people at one vet: what was typed stays, both are set side by side, the choice is kept by the newer version', async () => {
  const items = [VET];
  const { person, server } = openVets(items);
  await person.click(await screen.findByRole('button', { name: 'Change Dr Oyelaran' }));
  await person.type(screen.getByLabelText('Note'), 'Mornings only');
  items[0] = { ...VET, version: 2, note: 'Closed in August', phone: '01632 960201' };
  await act(() => queryClient.invalidateQueries());
  expect(await screen.findByText(/Someone else changed this vet meanwhile/)).toBeTruthy();
  await person.click(screen.getByRole('button', { name: 'Compare' }));
  const dialog = screen.getByRole('dialog', { name: 'Two changes of one thing' });
  expect(dialog).toHaveWords(/Note.*Yours.*Mornings only.*Theirs.*Closed in August/);
  await person.click(within(dialog).getByRole('radio', { name: /Closed in August/ }));
  await person.click(within(dialog).getByRole('button', { name: 'Go on with these' }));
  await person.click(screen.getByRole('button', { name: 'Keep' }));
  await waitFor(() =>
    expect(server.sent.at(-1)?.[1]).toMatchObject({ version: 2, note: 'Closed in August', phone: '01632 960201' }),
  );
});
