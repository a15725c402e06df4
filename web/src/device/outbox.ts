import { Refused, call } from '../api/call';
import { device } from './database';
import { allEvents, count, forgetOldWork, isWaiting, keep, moveTo, refuse, settle, toDisk, useOutbox } from './kept';
import { takeOverOldQueue } from './oldQueue';

type Listener = (news: { readonly visitId: string; readonly serverNow: number; readonly asked: number }) => void;

const BATCH = 200;
const PATIENCE_MS = 15_000;
const RETRY_MS = [2000, 4000, 8000, 15_000, 30_000] as const;

let running: Promise<void> | null = null;
let failures = 0;
let retry: ReturnType<typeof setTimeout> | undefined;
const listeners = new Set<Listener>();

/** Calls when the office has answered for a visit, with its clock. */
export function onAnswered(listener: Listener): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Begins to send for whoever is signed in, and goes on when the network, or the person, comes back. */
export async function openOutbox(who: string): Promise<void> {
  useOutbox.setState({ person: who, signedOut: false });
  window.addEventListener('online', nudge);
  document.addEventListener('visibilitychange', nudge);
  await takeOverOldQueue(who, keep);
  await forgetOldWork().catch(() => undefined);
  await count();
  nudge();
}

/** Nobody's work is sent any more. What waits, waits. */
export function closeOutbox(): void {
  useOutbox.setState({ person: null });
  clearTimeout(retry);
}

/** Tries at once, whatever happened before. */
export function nudge(): void {
  failures = 0;
  clearTimeout(retry);
  void send();
}

/** One sending at a time; a browser's other windows stand back for it. */
function send(): Promise<void> {
  running ??= alone(sendAll).finally(() => {
    running = null;
  });
  return running;
}

async function alone(work: () => Promise<void>): Promise<void> {
  if (!('locks' in navigator)) return work();
  const asked: Promise<unknown> = navigator.locks.request('dewpond-outbox', { ifAvailable: true }, (lock) =>
    lock ? work() : undefined,
  );
  await asked;
}

async function sendAll(): Promise<void> {
  try {
    await toDisk();
    for (;;) {
      const sent = (await sendVisits()) || (await sendEvents()) || (await sendPhotos());
      await count();
      if (!sent) break;
    }
    failures = 0;
    useOutbox.setState({ trouble: null, signedOut: false });
  } catch (error) {
    await count();
    failed(error);
  }
  if (useOutbox.getState().unkept > 0) again();
}

function failed(error: unknown): void {
  const signedOut = error instanceof Refused && error.status === 401;
  useOutbox.setState({ trouble: error instanceof Error ? error.message : 'Not sent.', signedOut });
  // After a sign-in it is opened again; until then there is no use in trying.
  if (!signedOut) again();
}

function again(): void {
  const wait = RETRY_MS[Math.min(failures, RETRY_MS.length - 1)] ?? RETRY_MS[0];
  failures += 1;
  clearTimeout(retry);
  if (useOutbox.getState().person !== null) retry = setTimeout(() => void send(), wait);
}

const mine = <R extends { readonly person: string; readonly refused: string | null }>(rows: readonly R[]): R[] => {
  const { person } = useOutbox.getState();
  return rows.filter((row) => row.person === person && row.refused === null);
};

/** A refusal that asking again cannot change. Everything else is trouble, and tried again. */
const isFinal = (error: unknown): error is Refused =>
  error instanceof Refused && error.status >= 400 && error.status < 500 && ![401, 408, 429].includes(error.status);

async function sendVisits(): Promise<boolean> {
  const [visit] = mine(await device.visits.toArray());
  if (!visit) return false;
  const { id, dogId, appointmentId, begun: when } = visit;
  try {
    await call('POST /api/visits', {
      body: { id, dogId, appointmentId, ...(when ? { begun: when } : {}) },
      patience: PATIENCE_MS,
    });
    await device.visits.delete(id);
  } catch (error) {
    if (!isFinal(error)) throw error;
    const begun = error.status === 409 ? (error.problem.current as { id?: string } | undefined)?.id : undefined;
    if (begun === undefined) await device.visits.update(id, { refused: error.message });
    else await moveTo(id, begun);
  }
  return true;
}

async function sendEvents(): Promise<boolean> {
  const rows = mine(await allEvents()).filter(isWaiting);
  const [first] = rows;
  if (!first) return false;
  const { visitId } = first;
  const notBegun = await device.visits.get(visitId);
  if (notBegun?.refused) {
    for (const row of rows.filter((each) => each.visitId === visitId)) await refuse(row.id, notBegun.refused);
    return true;
  }
  const batch = rows
    .filter((row) => row.visitId === visitId)
    .toSorted((a, b) => a.event.counter - b.event.counter)
    .slice(0, BATCH);
  const asked = Date.now();
  try {
    const events = batch.map(({ event: { person: _, seen, ...event } }) =>
      seen === null ? event : { ...event, seen },
    );
    const answer = await call('POST /api/visits/:id/events', { id: visitId, body: { events }, patience: PATIENCE_MS });
    const settled = [...answer.taken, ...answer.known];
    await settle(settled);
    for (const { id, words } of answer.refused) await refuse(id, words);
    for (const listener of listeners) listener({ visitId, serverNow: answer.serverNow, asked });
    // An answer that speaks of none of them would be asked for ever.
    const spokenOf = new Set([...settled, ...answer.refused.map(({ id }) => id)]);
    for (const { id } of batch) if (!spokenOf.has(id)) await refuse(id, 'The office did not say what became of it.');
  } catch (error) {
    if (!isFinal(error)) throw error;
    for (const { id } of batch) await refuse(id, error.message);
  }
  return true;
}

async function sendPhotos(): Promise<boolean> {
  const [photo] = mine(await device.photos.toArray());
  if (!photo) return false;
  const response = await fetch(`/api/visits/${photo.visitId}/photos/${photo.id}`, {
    method: 'PUT',
    headers: { 'content-type': photo.bytes.type },
    body: photo.bytes,
    signal: AbortSignal.timeout(60_000),
  });
  if (response.ok) {
    await device.photos.delete(photo.id);
    return true;
  }
  const answer = (await response.json().catch(() => null)) as { error?: Refused['problem'] } | null;
  const problem = answer?.error ?? { kind: 'server' as const, message: 'The office could not take the picture.' };
  const error: unknown = new Refused(response.status, problem);
  if (!isFinal(error)) throw error;
  await device.photos.update(photo.id, { refused: problem.message });
  return true;
}
