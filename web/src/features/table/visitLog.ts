import { EVENT_VERSION, mergeEvents, nextCounter, type Happening, type VisitEvent } from '@dewpond/core/visit';
import { v7 } from 'uuid';
import { create } from 'zustand';
import { Refused, call } from '../../api/call';
import { deviceName } from '../../app/preferences';

/** The events of the visit on this screen: what the office has, and what waits to be sent. */
interface VisitLog {
  readonly visitId: string;
  readonly person: string;
  /** Server clock less device clock, ms; null until measured. */
  readonly offset: number | null;
  readonly known: readonly VisitEvent[];
  readonly waiting: readonly VisitEvent[];
  readonly sending: boolean;
  /** Why the last sending failed, in words. */
  readonly trouble: string | null;
}

const EMPTY: VisitLog = {
  visitId: '',
  person: '',
  offset: null,
  known: [],
  waiting: [],
  sending: false,
  trouble: null,
};
export const useVisitLog = create<VisitLog>(() => EMPTY);

const storageKey = (visitId: string) => `dewpond-waiting-${visitId}`;
const keepWaiting = ({ visitId, waiting }: VisitLog): void => {
  if (waiting.length === 0) localStorage.removeItem(storageKey(visitId));
  else localStorage.setItem(storageKey(visitId), JSON.stringify(waiting));
};

/** Opens the log of a visit; what an earlier page could not send is still waiting here. */
export function openLog(visitId: string, person: string, known: readonly VisitEvent[], offset: number): void {
  const kept = JSON.parse(localStorage.getItem(storageKey(visitId)) ?? '[]') as VisitEvent[];
  const knownIds = new Set(known.map((event) => event.id));
  useVisitLog.setState({
    ...EMPTY,
    visitId,
    person,
    known,
    offset,
    waiting: kept.filter((event) => !knownIds.has(event.id)),
  });
  void send();
}

/** Now by the server's clock, as far as this device has measured it, ms. */
export const serverNow = (): number => Date.now() + (useVisitLog.getState().offset ?? 0);

export const allEvents = ({ known, waiting }: Pick<VisitLog, 'known' | 'waiting'>): VisitEvent[] =>
  mergeEvents(known, waiting);

/** Writes down what happened: on the device at once, to the office as soon as it can be reached. */
export function record(...happenings: readonly Happening[]): void {
  useVisitLog.setState((log) => {
    const first = nextCounter([...log.known, ...log.waiting]);
    const made = happenings.map((what, i): VisitEvent => ({
      id: v7(),
      v: EVENT_VERSION,
      counter: first + i,
      device: deviceName(),
      person: log.person,
      at: Date.now(),
      offset: log.offset,
      what,
    }));
    return { waiting: [...log.waiting, ...made] };
  });
  keepWaiting(useVisitLog.getState());
  void send();
}

const RETRY_MS = 4000;

async function send(): Promise<void> {
  const { visitId, waiting, sending } = useVisitLog.getState();
  if (sending || waiting.length === 0) return;
  useVisitLog.setState({ sending: true });
  const batch = waiting.slice(0, 200);
  try {
    const events = batch.map(({ person: _, ...event }) => event);
    await call('POST /api/visits/:id/events', { id: visitId, body: { events: events } });
    if (useVisitLog.getState().visitId !== visitId) return;
    const sent = new Set(batch.map((event) => event.id));
    useVisitLog.setState((log) => ({
      known: [...log.known, ...batch],
      waiting: log.waiting.filter((event) => !sent.has(event.id)),
      trouble: null,
    }));
    keepWaiting(useVisitLog.getState());
  } catch (error) {
    refused(error, batch);
  } finally {
    useVisitLog.setState({ sending: false });
  }
  if (useVisitLog.getState().waiting.length > 0)
    setTimeout(() => void send(), useVisitLog.getState().trouble === null ? 0 : RETRY_MS);
}

/** A close that the office refuses is taken back here; anything else waits and is tried again. */
function refused(error: unknown, batch: readonly VisitEvent[]): void {
  const closes = batch.filter((event) => event.what.type === 'closed');
  if (error instanceof Refused && error.status === 409 && closes.length > 0) {
    const ids = new Set(closes.map((event) => event.id));
    useVisitLog.setState((log) => ({
      waiting: log.waiting.filter((event) => !ids.has(event.id)),
      trouble: error.message,
    }));
    keepWaiting(useVisitLog.getState());
    return;
  }
  useVisitLog.setState({ trouble: error instanceof Error ? error.message : 'Not sent.' });
}
