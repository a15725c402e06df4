import type { BodyOf } from '@dewpond/contract';
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { flushSync } from 'react-dom';
import { Link } from 'react-router';
import { describe, expect, onTestFinished, test } from 'vitest';
import { create } from 'zustand';
import { call } from '../api/call';
import { RefusedAnswer, openServer, show } from '../tests/server';
import { DOG_ID } from '../tests/demoDog';
import { NotSaved } from './NotSaved';
import type { SeenRow } from './useDraft';
import { useSavedAtOnce } from './useSavedAtOnce';

type Lot = Pick<BodyOf<'PUT /api/lots/:id'>, 'number' | 'expires' | 'openedOn' | 'emptiedOn'>;
const NAMES = { number: 'Number', expires: 'Good until', openedOn: 'Opened', emptiedOn: 'Empty' };
const FIRST: Lot = { number: 'L1', expires: null, openedOn: null, emptiedOn: null };

/** What the server last said. */
const useNow = create<SeenRow<Lot>>(() => ({ version: 1, form: FIRST }));

/** Called as the form takes in the server's answer. */
let whenTakenIn = () => undefined as void;

function Screen() {
  const kept = useSavedAtOnce<Lot>(useNow(), 'PUT /api/lots/:id', {
    keep: async (lot, before) => {
      const { version } = await call('PUT /api/lots/:id', { id: DOG_ID, body: { ...lot, version: before } });
      return {
        get version() {
          whenTakenIn();
          return version;
        },
      };
    },
    says: 'Kept.',
  });
  return (
    <>
      <p>{JSON.stringify(kept.form)}</p>
      <button type="button" onClick={() => kept.change({ openedOn: '2026-11-25' })}>
        Opened
      </button>
      <button type="button" onClick={() => kept.change({ emptiedOn: '2026-11-26' })}>
        Empty
      </button>
      <NotSaved at={kept} what="this lot" names={NAMES} show={(field, of) => of[field] ?? 'no'} />
      <Link to="/elsewhere">Leave</Link>
    </>
  );
}

function open() {
  useNow.setState({ version: 1, form: FIRST });
  let stands = { version: 1, lot: FIRST };
  const server = openServer({
    'PUT /api/lots/:id': ({ body: { version, ...lot } }) => {
      if (version !== stands.version) throw new RefusedAnswer(409, { kind: 'conflict', message: 'Changed meanwhile.' });
      stands = { version: version + 1, lot };
      return { version: version + 1 };
    },
  });
  /** The server has the same already; its word comes before its refusal of the second. */
  const overtaken = (lot: Lot) => {
    stands = { version: 2, lot };
    return () => act(() => useNow.setState({ version: 2, form: lot }));
  };
  return { server, overtaken, stands: () => stands, ...show(<Screen />) };
}
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
const leave = () => fireEvent.click(screen.getByRole('link', { name: 'Leave' }));

describe('what is kept at once', () => {
  test('is sent one after the other, each with the version that stands', async () => {
    const { stands, server } = open();
    press('Opened');
    press('Empty');
    await waitFor(() => expect(stands().lot).toMatchObject({ openedOn: '2026-11-25', emptiedOn: '2026-11-26' }));
    expect(screen.queryByRole('alert')).toBeNull();
    expect(server.sent.length).toBeLessThanOrEqual(2);
  });

  test('is sent once, however often the screen is drawn before the answer is taken in', async () => {
    const { stands, server } = open();
    press('Opened');
    // On a slow device the effects of an earlier drawing run as late as this.
    whenTakenIn = () => flushSync(() => useNow.setState(({ version, form }) => ({ version, form: { ...form } })));
    onTestFinished(() => void (whenTakenIn = () => undefined));
    await waitFor(() => expect(stands().version).toBe(2));
    await screen.findByText('Kept.');
    expect(server.sent).toHaveLength(1);
  });

  test('goes on when one leaves the screen: nothing that was tapped is lost, and undo still works', async () => {
    const { stands } = open();
    press('Opened');
    await waitFor(() => expect(stands().version).toBe(2));
    await screen.findByText('Kept.');
    press('Empty');
    leave();
    await screen.findByText('another screen');
    await waitFor(() => expect(stands().lot).toMatchObject({ openedOn: '2026-11-25', emptiedOn: '2026-11-26' }));
    await waitFor(() => expect(screen.getAllByRole('button', { name: 'Undo' })).toHaveLength(2));
    fireEvent.click(screen.getAllByRole('button', { name: 'Undo' })[1] as HTMLElement);
    await waitFor(() => expect(stands().lot).toMatchObject({ openedOn: '2026-11-25', emptiedOn: null }));
  });

  test('says so elsewhere, too, when it could not be kept', async () => {
    const { server } = open();
    server.away = true;
    press('Opened');
    leave();
    await screen.findByText('another screen');
    expect(await screen.findByText(/^Not kept\./)).toBeTruthy();
  });

  test('is not called unkept when the server has it already: its answer was overtaken by what it says now', async () => {
    const { server, overtaken } = open();
    const hear = overtaken({ ...FIRST, openedOn: '2026-11-25' });
    press('Opened');
    hear();
    await waitFor(() => expect(server.sent).toHaveLength(1));
    await act(() => new Promise((done) => setTimeout(done, 100)));
    expect(screen.queryByRole('alert')).toBeNull();
    press('Empty');
    await waitFor(() => expect(server.sent.at(-1)?.[1]).toMatchObject({ version: 2, emptiedOn: '2026-11-26' }));
  });

  test('is given up by a tap: as the server has it', async () => {
    const { server } = open();
    server.away = true;
    press('Opened');
    expect(await screen.findByText(/^Not kept yet/)).toBeTruthy();
    press('As it was');
    await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
    expect(screen.getByText(JSON.stringify(FIRST))).toBeTruthy();
  });
});
