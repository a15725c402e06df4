import type { OlderEvent, VisitEvent } from '@dewpond/core/events';
import { create, type StoreApi, type UseBoundStore } from 'zustand';
import type { DeviceStorage, OwnEvent, WaitingPhoto, WaitingVisit } from './storage';

/** Something the server would not take, in its words. It stays on the device until somebody discards it. */
export interface RefusedThing {
  readonly id: string;
  readonly visitId: string;
  readonly words: string;
  readonly what: VisitEvent['what'] | 'a picture' | 'a visit begun here';
}

/** How the device's own work stands. */
export interface WorkState {
  /** Whose work is sent; null while nobody is signed in. */
  readonly person: string | null;
  /** Things on this device that the server has not acknowledged yet; of other people, those of them. */
  readonly waiting: number;
  readonly ofOthers: number;
  /** Events that could not be written to this device's disk and live in memory only. */
  readonly unsaved: number;
  readonly refused: readonly RefusedThing[];
  /** Why the last sending failed, in words; null while all goes well. */
  readonly trouble: string | null;
  /** The session ended meanwhile: everything waits for a sign-in. */
  readonly signedOut: boolean;
  /** Visits begun here that went into one another device had begun. */
  readonly moved: Readonly<Record<string, string>>;
}

const START: WorkState = {
  person: null,
  waiting: 0,
  ofOthers: 0,
  unsaved: 0,
  refused: [],
  trouble: null,
  signedOut: false,
  moved: {},
};

/** Acknowledged work older than this is the server's alone. */
const SEEN_FOR_MS = 3 * 86_400_000;

/**
 * What was done on this device: on the disk before it is sent, in memory where there is no room, counted for every screen.
 * It stays until the server has acknowledged it (`outbox.ts` sends it).
 */
export class OwnWork {
  readonly useState: UseBoundStore<StoreApi<WorkState>> = create(() => START);
  readonly storage: DeviceStorage;
  private readonly now: () => number;
  /** Not, or not yet, on the disk. */
  private readonly inMemory = new Map<string, OwnEvent>();
  /** How often events were added: a count that began before the last of them is no count. */
  private additions = 0;

  /** @param now milliseconds since 1970. */
  constructor(storage: DeviceStorage, now: () => number) {
    this.storage = storage;
    this.now = now;
  }

  /** Puts events on the disk; in memory, and said so, where there is no room. */
  async addEvents(rows: readonly OwnEvent[]): Promise<void> {
    for (const row of rows) this.inMemory.set(row.id, row);
    this.additions += 1;
    // Said before it is written: at no moment does the screen claim that the server has what it has not.
    this.useState.setState(({ waiting }) => ({ waiting: waiting + rows.length }));
    await this.toDisk();
    // What else there is was counted when it came; here only the disk may be full.
    this.useState.setState({ unsaved: this.inMemory.size });
  }

  async addVisit(visit: WaitingVisit): Promise<void> {
    await this.storage.visits.put(visit);
    await this.count();
  }

  async addPhoto(photo: WaitingPhoto): Promise<void> {
    await this.storage.photos.put(photo);
    await this.count();
  }

  /** Events of a visit that were made here, sent or not, whoever made them, as they were written; refused ones apart. */
  async eventsOf(visitId: string): Promise<{ own: OlderEvent[]; refused: OlderEvent[] }> {
    const rows = await this.withMemory(
      () => this.storage.events.ofVisit(visitId),
      (row) => row.visitId === visitId,
    );
    return {
      own: rows.filter((row) => row.refused === null).map(({ event }) => event),
      refused: rows.filter((row) => row.refused !== null).map(({ event }) => event),
    };
  }

  /** The person has read why it was refused, and needs it no more. */
  async discard(id: string): Promise<void> {
    this.inMemory.delete(id);
    const { events, photos, visits } = this.storage;
    await Promise.all([events.removeAll([id]), photos.remove(id), visits.remove(id)]);
    await this.count();
  }

  /** Counts what waits and tells every screen. */
  async count(): Promise<void> {
    const additions = this.additions;
    const events = await this.unsent();
    const visits = await this.storage.visits.all().catch(() => []);
    const photos = await this.storage.photos.all().catch(() => []);
    if (additions !== this.additions) return this.count();
    const { person } = this.useState.getState();
    const open = [...events, ...visits, ...photos].filter((row) => row.refused === null);
    this.useState.setState({
      waiting: open.filter((row) => person === null || row.person === person).length,
      ofOthers: open.filter((row) => person !== null && row.person !== person).length,
      unsaved: this.inMemory.size,
      refused: [
        ...events.flatMap((row) => told(row, row.visitId, row.event.what)),
        ...visits.flatMap((row) => told(row, row.id, 'a visit begun here' as const)),
        ...photos.flatMap((row) => told(row, row.visitId, 'a picture' as const)),
      ],
    });
  }

  /** What the server has not acknowledged, refused ones among them. */
  unsent(): Promise<OwnEvent[]> {
    return this.withMemory(
      () => this.storage.events.unsent(),
      () => true,
    );
  }

  private async withMemory(ask: () => Promise<OwnEvent[]>, fits: (row: OwnEvent) => boolean): Promise<OwnEvent[]> {
    const onDisk = await ask().catch(() => []);
    const there = new Set(onDisk.map(({ id }) => id));
    return [...onDisk, ...[...this.inMemory.values()].filter((row) => !there.has(row.id) && fits(row))];
  }

  /** Tries once more to write down what is in memory only. */
  async toDisk(): Promise<void> {
    const rows = [...this.inMemory.values()];
    if (rows.length === 0) return;
    try {
      await this.storage.events.putAll(rows);
      for (const { id } of rows) this.inMemory.delete(id);
    } catch {
      // No room: they are still here, and sent from here.
    }
  }

  /** Forgets what was acknowledged some days ago, and answers as old. */
  async forgetOldWork(): Promise<void> {
    const before = this.now() - SEEN_FOR_MS;
    await this.storage.answers.forgetBefore(before);
    await this.storage.events.forgetBefore(before);
  }

  /** Two devices began the same booking without a network: the work of both goes into the visit that was there first. */
  async moveTo(from: string, to: string): Promise<void> {
    await this.storage.move(from, to);
    for (const row of this.inMemory.values())
      if (row.visitId === from) this.inMemory.set(row.id, { ...row, visitId: to });
    this.useState.setState(({ moved }) => ({ moved: { ...moved, [from]: to } }));
  }

  /** Acknowledged: it stays for some days, to be seen without a network. One that never reached the disk need not any more. */
  async acknowledge(ids: readonly string[]): Promise<void> {
    for (const id of ids) this.inMemory.delete(id);
    await this.storage.events
      .acknowledge(ids, this.now())
      // No room even for the mark: the server has them, so they need none here.
      .catch(() => this.storage.events.removeAll(ids));
  }

  /** Refused: it stays, with the words why. */
  async refuse(id: string, words: string): Promise<void> {
    const held = this.inMemory.get(id);
    if (held) this.inMemory.set(id, { ...held, refused: words });
    await this.storage.events.refuse(id, words);
  }
}

const told = <W extends RefusedThing['what']>(
  row: { readonly id: string; readonly refused: string | null },
  visitId: string,
  what: W,
): RefusedThing[] => (row.refused === null ? [] : [{ id: row.id, visitId, words: row.refused, what }]);
