import { day, type Day } from '@dewpond/core/units';
import { screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { session } from '../../tests/demoDog';
import { openServer, show } from '../../tests/server';
import { ComesBack } from './ComesBack';

test.each([
  ['tomorow', null],
  ['1 nov 2026', null],
  ['3 dec', '2026-12-03'],
])('a dog goes home until %j: %s', async (typed, kept) => {
  openServer({ 'GET /api/session': () => session() });
  const taken: Day[] = [];
  const today = day('2026-11-25');
  const { person } = show(
    <ComesBack today={today} usually={day('2026-11-26')} words="Send it home" onHome={(back) => taken.push(back)} />,
  );
  const field = screen.getByLabelText('Comes back on');
  await person.clear(field);
  await person.type(field, typed);
  await person.click(screen.getByRole('button', { name: 'Send it home' }));
  expect(taken).toEqual(kept === null ? [] : [kept]);
});
