import type { CleanDownLine } from '@dewpond/contract';
import { addDays } from '@dewpond/core/units';
import { screen, within } from '@testing-library/react';
import { v7 } from 'uuid';
import { expect, test } from 'vitest';
import { TODAY, business, session } from '../../../tests/demoDog';
import { openServer, show } from '../../../tests/server';
import { CleanDownScreen } from './CleanDownScreen';

const done = (more: Partial<NonNullable<CleanDownLine['done']>> = {}): CleanDownLine['done'] => ({
  at: `${TODAY}T10:40:00.000Z`,
  by: 'Ines',
  cleaned: ['table', 'tub', 'tools'],
  left: [],
  with: 'Reed clean',
  seconds: 300,
  wanted: 300,
  after: [],
  ...more,
});
const line = (dog: string, its: CleanDownLine['done'], day = TODAY): CleanDownLine => ({
  visitId: v7(),
  day,
  dog,
  done: its,
});
const open = (...items: readonly CleanDownLine[]) => {
  const asked: unknown[] = [];
  openServer({
    'GET /api/session': () => session(),
    'GET /api/business': () => business(),
    'GET /api/clean-downs': ({ query }) => {
      asked.push(Object.fromEntries(query));
      return { items: [...items] };
    },
  });
  show(<CleanDownScreen />);
  return asked;
};

test('each line says when, after which dog, what, with what, how long, by whom', async () => {
  const asked = open(line('Radish', done({ left: ['hands'], after: ['fleas'] })));
  const row = await screen.findByRole('listitem');
  for (const words of [
    '10:40',
    'after Radish',
    'table, tub, tools; not hands; Reed clean, on for 5 min',
    'after fleas',
    'Ines',
  ])
    expect(row.textContent).toContain(words);
  expect(asked).toEqual([{ from: addDays(TODAY, -14), to: TODAY }]);
});

test('what is missing is counted first: nothing told, or a disinfectant that was wiped off too soon', async () => {
  open(line('Radish', done({ seconds: 100 })), line('Pocket', null), line('Umber', done(), addDays(TODAY, -1)));
  expect(
    await screen.findByText(/Nothing told after 1 of 3 dogs. Disinfectant not on for its full time after 1./),
  ).toBeTruthy();
  const today = screen.getAllByRole('region')[0] as HTMLElement;
  expect(
    within(today)
      .getAllByRole('listitem')
      .map((row) => row.textContent),
  ).toEqual([expect.stringContaining('on for 2 min of 5'), expect.stringContaining('nothing told')]);
});

test('where all is told, it says so; without a visit it says what will stand there', async () => {
  open(line('Radish', done()));
  expect(await screen.findByText('It was told after every dog: 1 in this time.')).toBeTruthy();
});

test('an empty log says what will stand there', async () => {
  open();
  expect(await screen.findByText(/What is ticked at the clean-down/)).toBeTruthy();
});
