import type { SessionView, TabletDoor } from '@dewpond/contract';
import { act, fireEvent, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { v7 } from 'uuid';
import { useKeys } from '../browser/keys';
import { queryClient } from '../data/queries';
import { useTablet } from '../data/tablet';
import { MEMBER, session, sessionOf } from '../tests/demoDog';
import { openServer, RefusedAnswer, show } from '../tests/server';
import { Door } from './Door';

const PIN = '402895';
const TOMASZ = { memberId: v7(), personId: v7(), name: 'Tomasz Wrona', role: 'groomer', pin: 'set' } as const;
const INES = {
  memberId: MEMBER.id,
  personId: MEMBER.personId,
  name: MEMBER.name,
  role: 'manager',
  pin: 'set',
} as const;
const AROHA = { memberId: v7(), personId: v7(), name: 'Aroha', role: 'bather', pin: 'set' } as const;
const WEN = { memberId: v7(), personId: v7(), name: 'Wen', role: 'trainee', pin: 'none' } as const;
const DOOR: Extract<TabletDoor, { state: 'here' }> = {
  ...{ state: 'here', id: v7(), name: 'Tub tablet', business: 'Withy Quay', zone: 'Europe/London', lockAfterMin: 3 },
  people: [WEN, AROHA, TOMASZ, INES],
};
const atTablet = (who: typeof TOMASZ | typeof INES): SessionView => ({
  ...session(),
  person: { id: who.personId, name: who.name, email: '' },
  member: { id: who.memberId, personId: who.personId, name: who.name, role: who.role },
  tablet: { id: DOOR.id, name: DOOR.name, lockAfterMin: 3, byPin: true },
});

/** A tablet at which somebody is, or nobody. */
function openTablet(first: typeof TOMASZ | typeof INES = INES) {
  const here: { who: typeof TOMASZ | typeof INES | null; door: TabletDoor; pins: string[] } = {
    ...{ who: first, door: DOOR, pins: [] },
  };
  const server = openServer({
    'GET /api/tablet': () => here.door,
    'GET /api/session': () => {
      if (!here.who) throw new RefusedAnswer(401, { kind: 'not signed in', message: 'Please sign in.' });
      return atTablet(here.who);
    },
    'POST /api/tablet/lock': () => {
      here.who = null;
      return {};
    },
    'POST /api/tablet/switch': ({ body }) => {
      here.pins.push(body.pin);
      if (body.pin !== PIN)
        throw new RefusedAnswer(422, { kind: 'bad input', message: 'That is not the PIN. 4 tries left.' });
      here.who = [TOMASZ, INES].find(({ memberId }) => memberId === body.memberId) ?? null;
      return { ticket: 'a ticket of more than twenty letters' };
    },
  });
  return { here, server, ...show(<Door>{(view) => <Screen name={view.person.name} />}</Door>) };
}

const ran = vi.fn();
function Screen({ name }: { readonly name: string }) {
  const [typed, setTyped] = useState('');
  useKeys([{ keys: '4', does: 'Something', run: ran }]);
  return (
    <label>
      Note of {name}
      <input value={typed} onChange={({ target }) => setTyped(target.value)} />
    </label>
  );
}
const note = (name: string) => screen.findByLabelText<HTMLInputElement>(`Note of ${name}`);
const lockNow = async () => {
  const { lock } = await import('../data/tablet');
  act(lock);
  return screen.findByRole('region', { name: 'Who is here?' });
};
const comes = async (person: ReturnType<typeof openTablet>['person'], name: string, pin = PIN) => {
  await person.click(await screen.findByRole('button', { name: new RegExp(`^${name}`) }));
  const pad = within(await screen.findByRole('region', { name: `PIN of ${name}` }));
  for (const digit of pin) await person.click(pad.getByRole('button', { name: digit }));
};

/** It takes as long as the sealing of what lets them in without a network. */
const isOpen = () => vi.waitFor(() => expect(useTablet.getState().locked).toBe(false), { timeout: 15_000 });

beforeEach(() => {
  queryClient.clear();
  ran.mockClear();
  useTablet.setState({ door: DOOR, locked: false, lost: null, turn: 0, personId: MEMBER.personId });
});
afterEach(() => {
  vi.useRealTimers();
  useTablet.setState({ door: null, locked: false, lost: null, turn: 0, personId: null });
});

describe('a shared tablet', () => {
  test('locks over what is there; the same person finds it as it was', async () => {
    const { person } = openTablet();
    const field = await note(INES.name);
    await person.type(field, 'half a word');
    await lockNow();
    expect(field.closest('[inert]')).not.toBeNull();
    await comes(person, INES.name);
    await isOpen();
    expect((await note(INES.name)).value).toBe('half a word');
    expect(field.closest('[inert]')).toBeNull();
    expect(screen.queryByRole('region', { name: 'Who is here?' })).toBeNull();
  });

  test('somebody else begins with a page of their own', async () => {
    const { person, server } = openTablet();
    await person.type(await note(INES.name), 'half a word');
    await lockNow();
    await comes(person, TOMASZ.name);
    await isOpen();
    expect((await note(TOMASZ.name)).value).toBe('');
    expect(screen.queryByLabelText(`Note of ${INES.name}`)).toBeNull();
    expect(server.sent.map(([key]) => key)).toEqual(['POST /api/tablet/lock', 'POST /api/tablet/switch']);
  });

  test('a wrong PIN says how many tries are left; a keyboard types, too, and what lies below hears nothing', async () => {
    const { person, here } = openTablet();
    await note(INES.name);
    await lockNow();
    await person.click(screen.getByRole('button', { name: TOMASZ.name }));
    await person.keyboard('4444{Backspace}444');
    expect(await screen.findByText('That is not the PIN. 4 tries left.')).toBeTruthy();
    expect(here.pins).toEqual(['444444']);
    expect(ran).not.toHaveBeenCalled();
    await person.keyboard('{Escape}');
    expect(await screen.findByRole('region', { name: 'Who is here?' })).toBeTruthy();
  });

  test('whoever has no PIN reads how to come by one', async () => {
    const { person } = openTablet();
    await note(INES.name);
    await lockNow();
    await person.click(screen.getByRole('button', { name: /^Wen/ }));
    expect(screen.getByText(/No PIN yet. Sign in with your password/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: '1' })).toBeNull();
  });

  test('locks by itself when nobody touches it for as long as the house says', async () => {
    vi.useFakeTimers({ shouldAdvanceTime: true });
    openTablet();
    await note(INES.name);
    await act(() => vi.advanceTimersByTimeAsync(2 * 60_000));
    fireEvent.pointerDown(document.body);
    await act(() => vi.advanceTimersByTimeAsync(2 * 60_000));
    expect(useTablet.getState().locked).toBe(false);
    await act(() => vi.advanceTimersByTimeAsync(65_000));
    expect(useTablet.getState().locked).toBe(true);
  });

  test('locked without a network, whoever was here is signed out when it is back', async () => {
    const { server, here } = openTablet();
    await note(INES.name);
    server.away = true;
    await lockNow();
    await vi.waitFor(() => expect(here.who).not.toBeNull());
    server.away = false;
    window.dispatchEvent(new Event('online'));
    await vi.waitFor(() => expect(here.who).toBeNull());
  });

  test('without a network it lets in whoever came before, by the same PIN, and nobody else', async () => {
    const { person, server, here } = openTablet();
    await note(INES.name);
    await lockNow();
    await comes(person, TOMASZ.name);
    await isOpen();
    await note(TOMASZ.name);
    await lockNow();
    server.away = true;
    await comes(person, AROHA.name);
    expect(await screen.findByText(/Without it this tablet lets in those who came to it before/)).toBeTruthy();
    await person.keyboard('{Escape}');
    await comes(person, TOMASZ.name, '739164');
    expect(await screen.findByText('That is not the PIN. 4 tries left.')).toBeTruthy();
    await person.keyboard(PIN);
    await isOpen();
    expect(await note(TOMASZ.name)).toBeTruthy();
    expect(here.who).toBeNull();
  });

  test('that was reported lost opens nothing, and hands over what it had recorded', async () => {
    const { storage, ownWork } = await import('../data/device');
    const what = { type: 'step done', step: 'nails' } as const;
    const event = {
      id: v7(),
      v: 5,
      counter: 1,
      device: 'd',
      person: TOMASZ.personId,
      at: 5,
      offset: 0,
      seen: {},
      what,
    };
    const row = { id: event.id, visitId: v7(), person: TOMASZ.personId, event, sentAt: null, refused: null };
    await storage.events.putAll([row]);
    const handed: unknown[] = [];
    openServer({
      'GET /api/tablet': () => ({ state: 'lost', name: 'Tub tablet', at: '2026-11-25T09:00:00Z' }),
      'GET /api/session': () => {
        throw new RefusedAnswer(401, { kind: 'not signed in', message: 'Please sign in.' });
      },
      'POST /api/tablet/found': ({ body }) => {
        handed.push(...body.work);
        return { held: body.work.map(({ id }) => id), refused: [] };
      },
    });
    await storage.answers.put('today now', { answer: 'dogs', at: Date.now(), shape: 6 });
    useTablet.setState({ locked: true });
    show(<Door>{() => <p>Inside</p>}</Door>);
    expect(await screen.findByText('This tablet was reported lost.')).toBeTruthy();
    await vi.waitFor(() => expect(handed).toHaveLength(1));
    expect(handed[0]).toMatchObject({
      kind: 'event',
      memberId: TOMASZ.memberId,
      visitId: row.visitId,
      content: { what },
    });
    await vi.waitFor(async () => expect(await ownWork.unsent()).toEqual([]));
    expect(await storage.answers.get('today now')).toBeUndefined();
    expect(screen.queryByText('Inside')).toBeNull();
  });
});

test('a device of one’s own has no lock', async () => {
  useTablet.setState({ door: null });
  openServer({ 'GET /api/session': () => sessionOf('manager') });
  show(<Door>{() => <p>Inside</p>}</Door>);
  expect(await screen.findByText('Inside')).toBeTruthy();
});
