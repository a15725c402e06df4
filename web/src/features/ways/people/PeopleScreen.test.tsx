import type { PeopleView, PersonView } from '@dewpond/contract';
import { screen, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { MEMBER, sessionOf } from '../../../tests/demoDog';
import { openServer, show } from '../../../tests/server';
import { proposed } from './LeavePart';
import { PeopleScreen } from './PeopleScreen';

const person = (name: string, role: PersonView['role'], more: Partial<PersonView> = {}): PersonView => ({
  ...{ id: v7(), personId: v7(), name, role, email: `${name.toLowerCase()}@withyquay.example`, version: 1 },
  ...{
    joinedAt: '2026-01-05T09:00:00Z',
    leftAt: null,
    sessions: 0,
    lastSeen: null,
    secondFactor: false,
    pin: 'none',
    ...more,
  },
});

function openPeople(role: 'manager' | 'bather' = 'manager') {
  const ines = person('Ines', 'manager', { personId: MEMBER.personId, sessions: 1, lastSeen: '2026-11-25T08:40:00Z' });
  const tomasz = person('Tomasz', 'groomer');
  const view: PeopleView = {
    people: [ines, tomasz, person('Wen', 'desk', { leftAt: '2026-10-01T12:00:00Z' })],
    invitations: [],
    secondFactor: { version: 1, asked: 'managers' },
  };
  const held = { view };
  const server = openServer({
    'GET /api/session': () => sessionOf(role),
    'GET /api/people': () => held.view,
    'POST /api/invitations': ({ body }) => ({
      ...{ id: body.id, memberId: body.memberId, name: body.name, role: body.role, email: body.email },
      ...{
        url: 'https://dewpond.example/join#secret',
        state: 'open',
        expiresAt: '2026-12-02T09:00:00Z',
        madeBy: 'Ines',
      },
    }),
    'PUT /api/people/:id': ({ body }) => ({ version: body.version + 1 }),
    'GET /api/people/:id/handover': () => ({
      items: [
        { appointmentId: v7(), dog: 'Teasel', startsAt: '2026-11-26T10:00:00Z', minutes: 90, free: [ines.id] },
        { appointmentId: v7(), dog: 'Umber', startsAt: '2026-11-26T12:00:00Z', minutes: 90, free: [] },
      ],
    }),
    'POST /api/people/:id/left': () => ({}),
    'POST /api/people/:id/back': () => ({}),
  });
  return { server, ines, ...show(<PeopleScreen />) };
}

describe('people', () => {
  test('somebody is invited; the link is shown to be handed over', async () => {
    const { person: user, server } = openPeople();
    await user.click(await screen.findByRole('button', { name: 'Invite somebody' }));
    const dialog = within(await screen.findByRole('dialog'));
    await user.click(dialog.getByRole('button', { name: 'Make the link' }));
    expect(await dialog.findByText(/The name is missing/)).toBeTruthy();
    await user.type(dialog.getByLabelText('Name'), 'Aroha');
    await user.click(dialog.getByRole('button', { name: 'Make the link' }));
    expect((await screen.findByLabelText<HTMLInputElement>('Link to hand over')).value).toMatch(/join#secret/);
    expect(server.sent.at(-1)?.[1]).toMatchObject({ name: 'Aroha', role: 'groomer', memberId: null });
  });

  test('the list says who is here, who is oneself, and whose second proof is missing', async () => {
    openPeople();
    expect(await screen.findByText('owner-manager, you')).toBeTruthy();
    expect(screen.getAllByText('second proof still to set up')).toHaveLength(1);
    expect(screen.getByText(/left Thu 1 Oct/)).toBeTruthy();
  });

  test('whoever leaves hands over what is booked; what nobody can take is cancelled, and said', async () => {
    const { person: user, server, ines } = openPeople();
    await user.click(await screen.findByRole('button', { name: 'Change Tomasz' }));
    await user.click(await screen.findByRole('button', { name: 'Tomasz leaves' }));
    expect(await screen.findByText(/One booking is cancelled/)).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Tomasz leaves now' }));
    expect(await screen.findByText(/has left and is signed out/)).toBeTruthy();
    const [key, body] = server.sent.at(-1) ?? [];
    expect(key).toBe('POST /api/people/:id/left');
    expect((body as { bookings: { to: string | null }[] }).bookings.map(({ to }) => to)).toEqual([ines.id, null]);
  });

  test('whoever may not keep people reads who may', async () => {
    openPeople('bather');
    expect(await screen.findByText(/Only an owner-manager may invite people/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Invite somebody' })).toBeNull();
  });
});

test('bookings of a leaver are shared out: nobody twice at once, the same trade first', () => {
  const at = (hour: number, free: string[]) => ({
    ...{ appointmentId: `${hour}`, dog: 'Teasel', minutes: 60, free },
    startsAt: `2026-11-26T${hour}:30:00Z`,
  });
  const twice = { ...at(10, ['groomer', 'bather']), appointmentId: 'again' };
  const ahead = [at(10, ['groomer', 'bather']), twice, at(12, ['bather']), at(14, [])];
  expect(proposed(ahead, (id) => id === 'groomer')).toEqual({
    ...{ '10': 'groomer', again: 'bather', '12': 'bather', '14': 'cancel' },
  });
});
