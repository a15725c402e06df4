import type { KeptView } from '@dewpond/contract';
import { KEPT_KINDS, RETENTION } from '@dewpond/core/ways';
import { day } from '@dewpond/core/units';
import { screen } from '@testing-library/react';
import { beforeEach, describe, expect, test } from 'vitest';
import { queryClient } from '../../../data/queries';
import { session, sessionOf } from '../../../tests/demoDog';
import { openServer, show } from '../../../tests/server';
import { KeptScreen, inYears } from './KeptScreen';

const none = { count: 0, oldest: null };
/** Pictures are as old as three years; nothing else is old. */
const GOES = Object.fromEntries(
  KEPT_KINDS.map((kind) => [
    kind,
    Object.fromEntries(
      RETENTION[kind].after.map((months) => [
        months,
        kind === 'pictures' && months <= 24 ? { count: 1412, oldest: day('2023-05-03') } : none,
      ]),
    ),
  ]),
) as KeptView['goes'];

function openKept() {
  const held = { view: { version: 3, retention: {}, goes: GOES } as KeptView };
  const server = openServer({
    'GET /api/session': () => session(),
    'GET /api/kept': () => held.view,
    'PUT /api/kept': ({ body }) => {
      held.view = { ...held.view, version: 4, retention: body.retention };
      return { version: 4 };
    },
  });
  return { server, ...show(<KeptScreen />) };
}

beforeEach(() => queryClient.clear());

describe('what is kept', () => {
  test('says what would go before it is chosen, and that it goes in the night; then it is kept so', async () => {
    const { person, server } = openKept();
    const pictures = await screen.findByRole('combobox', { name: 'Pictures: kept' });
    expect(screen.queryByRole('button', { name: 'Keep it so' })).toBeNull();
    await person.click(pictures);
    await person.click(await screen.findByRole('option', { name: 'for a year' }));
    expect(screen.getByText('1,412 are older, the oldest of 3 May 2023.')).toBeTruthy();
    expect(screen.getByText(/goes in the night to come, from three o’clock/)).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'Keep it so' }));
    expect(await screen.findByText(/Chosen. What is older goes in the night/)).toBeTruthy();
    expect(server.sent.at(-1)).toEqual(['PUT /api/kept', { version: 3, retention: { pictures: 12 } }]);
  });

  test('where nothing is that old it says so; as it was is one press', async () => {
    const { person, server } = openKept();
    await person.click(await screen.findByRole('combobox', { name: 'Messages: kept' }));
    await person.click(await screen.findByRole('option', { name: 'for 6 months' }));
    expect(screen.getByText('None is that old.')).toBeTruthy();
    expect(screen.getByText(/Nothing is that old yet/)).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'As it was' }));
    expect(screen.queryByRole('button', { name: 'Keep it so' })).toBeNull();
    expect(server.sent).toEqual([]);
  });

  test('whoever may not reads who may', async () => {
    openServer({ 'GET /api/session': () => sessionOf('groomer') });
    show(<KeptScreen />);
    expect(await screen.findByText(/Only an owner-manager may/)).toBeTruthy();
    expect(screen.queryByRole('combobox')).toBeNull();
  });

  test('times are said in years', () => {
    expect([6, 12, 24, 60, 120].map(inYears)).toEqual(['6 months', 'a year', '2 years', '5 years', '10 years']);
  });
});
