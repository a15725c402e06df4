import type { SessionView, TabletDoor } from '@dewpond/contract';
import { wrongPin } from '@dewpond/core/rights';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { Refused, Unreached, call } from '../api/call';
import { askFirst, askFor } from '../api/forWhom';
import { sealedTickets } from '../device/sealedTickets';
import { answers, outbox, ownWork } from './device';
import { PICTURES } from './prefetch';
import { queryClient } from './queries';

type Here = Extract<TabletDoor, { state: 'here' }>;
type Lost = Extract<TabletDoor, { state: 'lost' }>;

interface SharedTabletState {
  /** What this tablet is, and who may come to it, as the server last said; null: no shared tablet. */
  readonly door: Here | null;
  readonly locked: boolean;
  /** It was reported lost. */
  readonly lost: Lost | null;
  /** Counts who came: another person begins with a fresh page, the same one finds theirs as it was. */
  readonly turn: number;
  readonly personId: string | null;
}

/** A device that several people share. Kept over a reload: a locked tablet stays locked. */
export const useTablet = create<SharedTabletState>()(
  persist((): SharedTabletState => ({ door: null, locked: false, lost: null, turn: 0, personId: null }), {
    name: 'dewpond-tablet',
    partialize: ({ door, locked, lost, personId }) => ({ door, locked, lost, personId }),
  }),
);
const set = (some: Partial<SharedTabletState>): void => {
  useTablet.setState(some);
};
// Another window of this browser locked it, or let somebody in.
if (typeof window !== 'undefined')
  window.addEventListener('storage', ({ key }) => key === 'dewpond-tablet' && void useTablet.persist.rehydrate());

const tickets = sealedTickets();
/** A server that says nothing for so long is taken as away: a wet hand waits no longer, ms. */
const PATIENCE_MS = 2500;
/** What was done last is sent before the session ends, if that is quick, ms. */
const LAST_WORDS_MS = 4000;

let asking: Promise<void> | null = null;

/** Asks what this device is, once at a time. A lost tablet forgets what it holds of others, and hands over what it had recorded. */
export function askDoor(): Promise<void> {
  asking ??= lookAtDoor().finally(() => (asking = null));
  return asking;
}

async function lookAtDoor(): Promise<void> {
  const door = await call('GET /api/tablet', { patience: PATIENCE_MS }).catch(() => null);
  if (!door) return;
  if (door.state === 'here') set({ door, lost: null });
  if (door.state === 'none') set({ door: null, lost: null, locked: false });
  if (door.state === 'lost') {
    set({ lost: door, locked: true });
    await forgetAll();
    const { handOver } = await import('./handOver');
    await handOver(useTablet.getState().door?.people ?? []).catch(() => undefined);
  }
}

async function forgetAll(): Promise<void> {
  queryClient.clear();
  await answers.forget();
  await tickets.forget();
  if ('caches' in window) await caches.delete(PICTURES);
}

let leaving: Promise<unknown> = Promise.resolve();

/** Locks at once; whoever was here is signed out when what they did has been sent, or soon after. */
export function lock(): void {
  if (useTablet.getState().locked) return;
  set({ locked: true });
  leaving = leave();
}

async function leave(): Promise<void> {
  if (ownWork.useState.getState().waiting > 0 && navigator.onLine) await sent();
  // Somebody may have come meanwhile, and is not to be put out.
  if (useTablet.getState().locked)
    await call('POST /api/tablet/lock', { body: {}, patience: PATIENCE_MS }).catch(() => undefined);
}

// Locked without a network: whoever was here is signed out when it is back.
if (typeof window !== 'undefined')
  window.addEventListener('online', () => {
    if (useTablet.getState().locked && useTablet.getState().door !== null) leaving = leave();
  });

/** Until all is sent, or it takes too long. */
const sent = (): Promise<void> =>
  new Promise((resolve) => {
    const done = () => {
      stop();
      clearTimeout(timer);
      resolve();
    };
    const timer = setTimeout(done, LAST_WORDS_MS);
    const stop = ownWork.useState.subscribe(({ waiting }) => waiting === 0 && done());
    outbox.nudge();
  });

/** What came of a PIN: in, or why not, in words. */
export async function comeIn(memberId: string, pin: string): Promise<string | null> {
  await Promise.race([leaving, new Promise((resolve) => setTimeout(resolve, PATIENCE_MS))]);
  if (navigator.onLine) {
    const seal = tickets.sealer(memberId, pin);
    try {
      const { ticket } = await call('POST /api/tablet/switch', { body: { memberId, pin }, patience: PATIENCE_MS });
      askFirst(null);
      const session = await call('GET /api/session');
      // A disk that is full, or no secure context: then this tablet lets nobody in without a network.
      await seal(JSON.stringify({ ticket, session })).catch(() => undefined);
      enter(session);
      return null;
    } catch (error) {
      if (error instanceof Refused) {
        if (error.status === 403) await askDoor();
        return error.message;
      }
      if (!(error instanceof Unreached)) throw error;
    }
  }
  return comeInAlone(memberId, pin);
}

/** Without a network: what is sealed here lets in whoever came to this tablet before. */
async function comeInAlone(memberId: string, pin: string): Promise<string | null> {
  const found = await tickets.open(memberId, pin);
  if (found.kind === 'none') return 'There is no network. Without it this tablet lets in those who came to it before.';
  if (found.kind === 'wrong')
    return found.left === 0 ? 'Five wrong tries. Come again when the network is back.' : wrongPin(found.left);
  const { ticket, session } = JSON.parse(found.content) as { ticket: string; session: SessionView };
  askFirst(() => showTicket(memberId, ticket));
  await answers.put('session', session);
  enter(session);
  return null;
}

/** The network is back: who came without it shows who they are, before anything is asked in their name. */
async function showTicket(memberId: string, ticket: string): Promise<void> {
  try {
    await call('POST /api/tablet/ticket', { body: { memberId, ticket } });
    askFirst(null);
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    askFirst(null);
    set({ locked: true });
    await askDoor();
    throw error;
  }
}

/** Another person's page begins with nothing on it. */
function emptyScreen(): void {
  queryClient.clear();
  answers.beginAnew();
}

/** Somebody signed in on this tablet by password: a fresh page, whoever was here before. */
export function cameByPassword(): void {
  emptyScreen();
  askFor(null);
  set({ locked: false, personId: null, turn: useTablet.getState().turn + 1 });
}

function enter(session: SessionView): void {
  const before = useTablet.getState();
  const isSame = before.personId === session.person.id;
  askFor(session.person.id);
  if (!isSame) emptyScreen();
  queryClient.setQueryData(['session'], session);
  set({ locked: false, personId: session.person.id, turn: before.turn + (isSame ? 0 : 1) });
  if (isSame) {
    void queryClient.invalidateQueries();
    outbox.nudge();
  }
}
