import { day } from '@dewpond/core/units';
import type { Role } from '@dewpond/core/rights';
import { screen } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { Shell } from '../app/Shell';
import { Bookings } from '../features/dogs/dog/Bookings';
import { DOG_ID, booking, dogView, sessionOf } from './demoDog';
import { openServer, show } from './server';
import { BookDialog } from '../parts/booking/BookDialog';
import { MessageDialog } from '../parts/messages/MessageDialog';

/* What may not be done is not shown, and where nothing else is left, who may is said. A refusal after typing is too late. */

const as = (role: Role) => openServer({ 'GET /api/session': () => sessionOf(role) });
const radish = { id: DOG_ID, name: 'Radish', suggested: day('2026-12-10') };

describe('bookings', () => {
  const dog = () => ({ ...dogView(), appointments: [booking({})] });

  test('of a dog are moved and cancelled by a bather', async () => {
    as('bather');
    show(<Bookings dog={dog()} />);
    expect(await screen.findByRole('button', { name: 'Move' })).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Cancel' })).toBeTruthy();
  });

  test('of a dog are only read by a trainee', async () => {
    as('trainee');
    show(<Bookings dog={dog()} />);
    await expect.poll(() => screen.queryByRole('button', { name: 'Move' })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Cancel' })).toBeNull();
    expect(screen.getByRole('link', { name: 'This booking as a calendar file' })).toBeTruthy();
  });

  test('are not begun by a trainee: the dialog says who makes them', async () => {
    as('trainee');
    show(<BookDialog open onClose={() => undefined} dog={radish} />);
    expect(
      await screen.findByText(/Only an owner-manager, a groomer, a bather or whoever is at the desk may book/),
    ).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Another time' })).toBeNull();
  });
});

test('a message is not written by a bather: the dialog says who writes, before anything is typed', async () => {
  const server = as('bather');
  show(
    <MessageDialog
      about={{ kind: 'nearly ready', dogId: DOG_ID, visitId: null, time: '15:30' }}
      onClose={() => undefined}
    />,
  );
  expect(await screen.findByText(/may write to owners/)).toBeTruthy();
  expect(screen.queryByRole('textbox')).toBeNull();
  expect(server.sent).toEqual([]);
});

test('"n" opens a new dog for whoever may add one, and is no key for the others', async () => {
  as('bather');
  const { person } = show(<Shell />);
  await screen.findByRole('navigation', { name: 'Places' });
  await expect
    .poll(async () => {
      await person.keyboard('?');
      const keys = screen.getByRole('dialog').textContent;
      await person.keyboard('{Escape}');
      return keys.includes('New dog');
    })
    .toBe(false);
});
