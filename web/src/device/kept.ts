import type { OlderEvent, VisitEvent } from '@dewpond/core/visit';
import { create } from 'zustand';
import { device, type OwnEvent, type WaitingPhoto, type WaitingVisit } from './database';

/** Something the office would not take, in its words. It stays on the device until somebody puts it away. */
export interface RefusedThing {
  readonly id: string;
  readonly visitId: string;
  readonly words: string;
  readonly what: VisitEvent['what'] | 'a picture' | 'a visit begun here';
}

/** How the device's own work stands. */
interface Outbox {
  /** Whose work is sent; null while nobody is signed in. */
  readonly person: string | null;
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
  person: null,
  waiting: 0,
  ofOthers: 0,
  unkept: 0,
  refused: [],
  trouble: null,
  signedOut: false,
  moved: {},
}));

/** Not, or not yet, on the disk. */
const inMemory = new Map<string, OwnEvent>();

/** Keeps events on the disk; in memory, and said so, where there is no room. */
export async function keep(rows: readonly OwnEvent[]): Promise<void> {
  for (const row of rows) inMemory.set(row.id, row);
  // Said before it is written: at no moment does the screen claim that the office has what it has not.
  useOutbox.setState(({ waiting }) => ({ waiting: waiting + rows.length }));
  await toDisk();
}

export async function toDisk(): Promise<void> {
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

/** Events of a visit that were made here, sent or not, whoever made them, as they were written; refused ones apart. */
export async function eventsOf(visitId: string): Promise<{ own: OlderEvent[]; refused: OlderEvent[] }> {
  const rows = (await allEvents()).filter((row) => row.visitId === visitId);
  return {
    own: rows.filter((row) => row.refused === null).map(({ event }) => event),
    refused: rows.filter((row) => row.refused !== null).map(({ event }) => event),
  };
}

export async function allEvents(): Promise<OwnEvent[]> {
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
  const { person } = useOutbox.getState();
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

export const isWaiting = ({ sentAt }: OwnEvent): boolean => sentAt === null;

/** Two devices began the same booking without a network: the work of both goes into the visit that was there first. */
export async function moveTo(from: string, to: string): Promise<void> {
  await device.transaction('rw', device.events, device.photos, device.visits, device.moved, async () => {
    await device.events.where({ visitId: from }).modify({ visitId: to });
    await device.photos.where({ visitId: from }).modify({ visitId: to });
    await device.moved.put({ id: from, to });
    await device.visits.delete(from);
  });
  for (const row of inMemory.values()) if (row.visitId === from) inMemory.set(row.id, { ...row, visitId: to });
  useOutbox.setState(({ moved }) => ({ moved: { ...moved, [from]: to } }));
}

/** Acknowledged: kept for some days, to be seen without a network. One that never reached the disk need not any more. */
export async function settle(ids: readonly string[]): Promise<void> {
  const sentAt = Date.now();
  for (const id of ids) inMemory.delete(id);
  await device.events
    .where('id')
    .anyOf([...ids])
    .modify({ sentAt })
    // No room even for the mark: the office has them, so they need none here.
    .catch(() => device.events.bulkDelete([...ids]));
}

/** Acknowledged work older than this is the office's alone. */
const SEEN_FOR_MS = 3 * 86_400_000;

export async function forgetOldWork(): Promise<void> {
  const before = Date.now() - SEEN_FOR_MS;
  await device.answers.filter(({ at }) => at < before).delete();
  await device.events.filter(({ sentAt }) => sentAt !== null && sentAt < before).delete();
}

export async function refuse(id: string, words: string): Promise<void> {
  const held = inMemory.get(id);
  if (held) inMemory.set(id, { ...held, refused: words });
  await device.events.update(id, { refused: words });
}
