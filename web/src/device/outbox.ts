import type { VisitEvent } from '@dewpond/core/visit';
import { create } from 'zustand';
import { Refused, call } from '../api/call';
import { device, type OwnEvent, type WaitingPhoto, type WaitingVisit } from './database';
import { takeOverOldQueue } from './oldQueue';

/** Something the office would not take, in its words. It stays on the device until somebody puts it away. */
export interface RefusedThing {
  readonly id: string;
  readonly visitId: string;
  readonly words: string;
  readonly what: VisitEvent['what'] | 'a picture' | 'a visit begun here';
}

/** How the device's own work stands. */
interface Outbox {
  /** Things on this device that the office has not acknowledged yet; of other people, those of them. */
  readonly waiting: number;
  readonly ofOthers: number;
  /** Events that could not be written to this device's disk and live in memory only. */
  readonly unkept: number;
  readonly refused: readonly RefusedThing[];
  /** Why the last sending failed, in words; null while all goes well. */
  readonly trouble: string | null;
  /** The session ended meanwhile: everything waits for a sign-in. */
  readonly signedOut: boolean;
  /** Visits begun here that went into one another device had begun. */
  readonly moved: Readonly<Record<string, string>>;
}

export const useOutbox = create<Outbox>(() => ({
  waiting: 0,
  ofOthers: 0,
  unkept: 0,
  refused: [],
  trouble: null,
  signedOut: false,
  moved: {},
}));

type Listener = (news: { readonly visitId: string; readonly serverNow: number; readonly asked: number }) => void;

const BATCH = 200;
const PATIENCE_MS = 15_000;
const RETRY_MS = [2000, 4000, 8000, 15_000, 30_000] as const;

/** Not, or not yet, on the disk. */
const inMemory = new Map<string, OwnEvent>();
let person: string | null = null;
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
  person = who;
  useOutbox.setState({ signedOut: false });
  window.addEventListener('online', nudge);
  document.addEventListener('visibilitychange', nudge);
  await takeOverOldQueue(who, keep);
  await forgetOldWork().catch(() => undefined);
  await count();
  nudge();
}

/** Nobody's work is sent any more. What waits, waits. */
export function closeOutbox(): void {
  person = null;
  clearTimeout(retry);
}

/** Tries at once, whatever happened before. */
export function nudge(): void {
  failures = 0;
  clearTimeout(retry);
  void send();
}

/** Keeps events on the disk; in memory, and said so, where there is no room. */
export async function keep(rows: readonly OwnEvent[]): Promise<void> {
  for (const row of rows) inMemory.set(row.id, row);
  // Said before it is written: at no moment does the screen claim that the office has what it has not.
  useOutbox.setState(({ waiting }) => ({ waiting: waiting + rows.length }));
  await toDisk();
}

async function toDisk(): Promise<void> {
  const rows = [...inMemory.values()];
  if (rows.length === 0) return;
  try {
    await device.events.bulkPut(rows);
    for (const { id } of rows) inMemory.delete(id);
  } catch {
    // No room: they are still here, and sent from here.
  }
  await count();
}

export async function keepVisit(visit: WaitingVisit): Promise<void> {
  await device.visits.put(visit);
  await count();
}

export async function keepPhoto(photo: WaitingPhoto): Promise<void> {
  await device.photos.put(photo);
  await count();
}

/** Events of a visit that were made here, sent or not, whoever made them; refused ones apart. */
export async function eventsOf(visitId: string): Promise<{ own: VisitEvent[]; refused: VisitEvent[] }> {
  const rows = (await allEvents()).filter((row) => row.visitId === visitId);
  return {
    own: rows.filter((row) => row.refused === null).map(({ event }) => event),
    refused: rows.filter((row) => row.refused !== null).map(({ event }) => event),
  };
}

async function allEvents(): Promise<OwnEvent[]> {
  const onDisk = await device.events.toArray().catch(() => []);
  const there = new Set(onDisk.map(({ id }) => id));
  return [...onDisk, ...[...inMemory.values()].filter(({ id }) => !there.has(id))];
}

/** The person has read why, and needs it no more. */
export async function putAway(id: string): Promise<void> {
  inMemory.delete(id);
  await Promise.all([device.events.delete(id), device.photos.delete(id), device.visits.delete(id)]);
  await count();
}

/** Counts what waits and tells every screen. */
export async function count(): Promise<void> {
  const events = await allEvents();
  const visits = await device.visits.toArray().catch(() => []);
  const photos = await device.photos.toArray().catch(() => []);
  const rows = [...events.filter(isWaiting), ...visits, ...photos];
  useOutbox.setState({
    waiting: rows.filter((row) => row.refused === null && (person === null || row.person === person)).length,
    ofOthers: rows.filter((row) => row.refused === null && person !== null && row.person !== person).length,
    unkept: inMemory.size,
    refused: [
      ...events.flatMap((row) => told(row, row.visitId, row.event.what)),
      ...visits.flatMap((row) => told(row, row.id, 'a visit begun here' as const)),
      ...photos.flatMap((row) => told(row, row.visitId, 'a picture' as const)),
    ],
  });
}

const told = <W extends RefusedThing['what']>(
  row: { readonly id: string; readonly refused: string | null },
  visitId: string,
  what: W,
): RefusedThing[] => (row.refused === null ? [] : [{ id: row.id, visitId, words: row.refused, what }]);

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
  if (person !== null) retry = setTimeout(() => void send(), wait);
}

const isWaiting = ({ sentAt }: OwnEvent): boolean => sentAt === null;
const mine = <R extends { readonly person: string; readonly refused: string | null }>(rows: readonly R[]): R[] =>
  rows.filter((row) => row.person === person && row.refused === null);

/** A refusal that asking again cannot change. Everything else is trouble, and tried again. */
const isFinal = (error: unknown): error is Refused =>
  error instanceof Refused && error.status >= 400 && error.status < 500 && ![401, 408, 429].includes(error.status);

async function sendVisits(): Promise<boolean> {
  const [visit] = mine(await device.visits.toArray());
  if (!visit) return false;
  const { id, dogId, appointmentId } = visit;
  try {
    await call('POST /api/visits', { body: { id, dogId, appointmentId }, patience: PATIENCE_MS });
    await device.visits.delete(id);
  } catch (error) {
    if (!isFinal(error)) throw error;
    const begun = error.status === 409 ? (error.problem.current as { id?: string } | undefined)?.id : undefined;
    if (begun === undefined) await device.visits.update(id, { refused: error.message });
    else await moveTo(id, begun);
  }
  return true;
}

/** Two devices began the same booking without a network: the work of both goes into the visit that was there first. */
async function moveTo(from: string, to: string): Promise<void> {
  await device.transaction('rw', device.events, device.photos, device.visits, device.moved, async () => {
    await device.events.where({ visitId: from }).modify({ visitId: to });
    await device.photos.where({ visitId: from }).modify({ visitId: to });
    await device.moved.put({ id: from, to });
    await device.visits.delete(from);
  });
  for (const row of inMemory.values()) if (row.visitId === from) inMemory.set(row.id, { ...row, visitId: to });
  useOutbox.setState(({ moved }) => ({ moved: { ...moved, [from]: to } }));
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

/** Acknowledged: kept for some days, to be seen without a network. One that never reached the disk need not any more. */
async function settle(ids: readonly string[]): Promise<void> {
  const sentAt = Date.now();
  await device.events
    .where('id')
    .anyOf([...ids])
    .modify({ sentAt });
  for (const id of ids) inMemory.delete(id);
}

/** Acknowledged work older than this is the office's alone. */
const SEEN_FOR_MS = 3 * 86_400_000;

async function forgetOldWork(): Promise<void> {
  const before = Date.now() - SEEN_FOR_MS;
  await device.answers.filter(({ at }) => at < before).delete();
  await device.events.filter(({ sentAt }) => sentAt !== null && sentAt < before).delete();
}

async function refuse(id: string, words: string): Promise<void> {
  const held = inMemory.get(id);
  if (held) inMemory.set(id, { ...held, refused: words });
  await device.events.update(id, { refused: words });
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
