import {
  EVENT_VERSION,
  mergeEvents,
  nextCounter,
  pageOfDevice,
  seenBy,
  upToDate,
  type Happening,
  type VisitEvent,
} from '@dewpond/core/events';
import { type Clock } from '@dewpond/core/visit';
import { v7 } from 'uuid';
import { create } from 'zustand';
import { call } from '../../api/call';
import { deviceName } from '../../browser/preferences';
import { answers, outbox, ownWork } from '../../data/device';
import { LAST_VISIT } from '../../data/lastVisit';

/** The events of the visit on this screen: what the server knows, and what this device wrote. */
interface VisitLog {
  readonly visitId: string;
  readonly person: string;
  /** Server clock less device clock, ms; null until measured. */
  readonly offset: number | null;
  readonly known: readonly VisitEvent[];
  /** Written here and not refused; the server may have them by now. */
  readonly own: readonly VisitEvent[];
  /** Ids the server would not take: they count for nothing, but their counters are used up. */
  readonly refused: readonly VisitEvent[];
}

const EMPTY: VisitLog = { visitId: '', person: '', offset: null, known: [], own: [], refused: [] };
export const useVisitLog = create<VisitLog>(() => EMPTY);

/** Whose turn it is: an opening that took longer than the next one opens nothing. */
let opening = 0;

/**
 * Opens the log of a visit, for whoever's work it will be; what an earlier page could not send is waiting on the device.
 * Answers false where somebody else's turn came meanwhile.
 */
export async function openLog(visitId: string, person: string, known: readonly VisitEvent[]): Promise<boolean> {
  const turn = (opening += 1);
  void answers.put(LAST_VISIT, visitId);
  const { own, refused } = await ownOf(visitId);
  const heard = await heardOf(visitId);
  if (turn !== opening) return false;
  useVisitLog.setState((log) => {
    // Opened again while it was open: what was written meanwhile stays.
    const before = log.visitId === visitId && log.person === person ? log : EMPTY;
    return {
      ...before,
      visitId,
      person,
      known: mergeEvents(before.known, known, heard),
      own: mergeEvents(before.own, own),
      refused,
    };
  });
  outbox.nudge();
  return true;
}

/** What this device wrote; an event of an older version is read in today's shape, and was sent as it was written. */
async function ownOf(visitId: string): Promise<{ own: VisitEvent[]; refused: VisitEvent[] }> {
  const { own, refused } = await ownWork.eventsOf(visitId);
  return { own: own.map(upToDate), refused: refused.map(upToDate) };
}

/** What the server last said of a visit, in today's shape. */
const heardOf = async (visitId: string): Promise<VisitEvent[]> =>
  ((await answers.get<VisitEvent[]>(`events ${visitId}`)) ?? []).map(upToDate);

/** The visit that was on this device's table last, if that was today: its clocks run on, on every screen. */
export async function resumeLast(): Promise<void> {
  const last = await answers.get<string>(LAST_VISIT);
  if (last === undefined) return;
  const { own, refused } = await ownOf(last);
  const known = await heardOf(last);
  // Somebody may have opened the table meanwhile.
  useVisitLog.setState((log) => (log.visitId === '' ? { ...log, visitId: last, known, own, refused } : log));
}

export const allEvents = ({ known, own }: Pick<VisitLog, 'known' | 'own'>): VisitEvent[] => mergeEvents(known, own);

/** This page of this browser: another tab at the same dog has not seen what is marked here, and signs for itself. */
const PAGE = crypto.randomUUID().slice(0, 8);
const pageName = (): string => pageOfDevice(deviceName(), PAGE);

/** Now by the server's clock, as far as this device has measured it, ms. */
export const serverNow = (): number => Date.now() + (useVisitLog.getState().offset ?? 0);

/** This device's clock at this moment, for reading timers. */
export const clockNow = (): Clock => ({
  device: pageName(),
  at: Date.now(),
  offset: useVisitLog.getState().offset,
});

/** Writes down what happened: on the screen at once, on the disk in the next moment, at the server when it can be reached. */
export function record(...happenings: readonly Happening[]): void {
  const { visitId, person, offset, known, own, refused } = useVisitLog.getState();
  const device = pageName();
  const before = [...known, ...own, ...refused];
  const first = nextCounter(before);
  const seen = seenBy(device, before);
  const made = happenings.map((what, i): VisitEvent => ({
    id: v7(),
    v: EVENT_VERSION,
    counter: first + i,
    device,
    person,
    at: Date.now(),
    offset,
    seen,
    what,
  }));
  useVisitLog.setState((log) => ({ own: [...log.own, ...made] }));
  void ownWork
    .addEvents(made.map((event) => ({ id: event.id, visitId, person, event, sentAt: null, refused: null })))
    .then(() => outbox.nudge());
}

/** The device's clock against the server's, taken in the middle of question and answer. */
const measured = (serverNow: number, asked: number): number => Math.round(serverNow - (asked + Date.now()) / 2);

/** Asks the server for what others did, and reads off its clock. Without a network everything stays as it is. */
export async function catchUp(): Promise<void> {
  const { visitId } = useVisitLog.getState();
  const asked = Date.now();
  const answer = await call('GET /api/visits/:id/events', { id: visitId, patience: 15_000 }).catch(() => null);
  if (!answer || useVisitLog.getState().visitId !== visitId) return;
  void answers.put(`events ${visitId}`, answer.events);
  useVisitLog.setState((log) => ({
    // A newer server may send reasons this version does not know: they keep their words.
    known: mergeEvents(log.known, answer.events.map(upToDate)),
    offset: measured(answer.serverNow, asked),
  }));
}

/** What the server refused is no longer read as having happened. */
async function dropRefused(visitId: string): Promise<void> {
  const { refused } = await ownOf(visitId);
  if (useVisitLog.getState().visitId !== visitId) return;
  const gone = new Set(refused.map(({ id }) => id));
  useVisitLog.setState((log) => ({ own: log.own.filter(({ id }) => !gone.has(id)), refused }));
}

/**
 * Follows a visit while it is on the screen: others' work within moments over an open stream, the own work's answers.
 * Returns how to stop.
 */
export function followVisit(visitId: string): () => void {
  const stopAnswers = outbox.onAnswered(({ visitId: its, serverNow: now, asked }) => {
    if (its !== visitId) return;
    useVisitLog.setState({ offset: measured(now, asked) });
    void dropRefused(visitId);
  });
  if (!('EventSource' in window)) return stopAnswers;
  // It reconnects by itself, and says "new" when it does.
  const stream = new EventSource(`/api/visits/${visitId}/live`);
  stream.addEventListener('new', () => void catchUp());
  return () => {
    stopAnswers();
    stream.close();
  };
}
