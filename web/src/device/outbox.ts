import type { OlderEvent, VisitEvent } from '@dewpond/core/events';
import { create, type StoreApi, type UseBoundStore } from 'zustand';
import { SignedOut, type Network, type Sent } from './network';
import { takeOverOldQueue } from './oldQueue';
import type { DeviceStorage, OwnEvent, WaitingPhoto, WaitingVisit } from './storage';

/** Something the server would not take, in its words. It stays on the device until somebody discards it. */
export interface RefusedThing {
  readonly id: string;
  readonly visitId: string;
  readonly words: string;
  readonly what: VisitEvent['what'] | 'a picture' | 'a visit begun here';
}

/** How the device's own work stands. */
export interface OutboxState {
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

/** The server has answered for a visit, with its clock; `asked` is when, by this device's clock, ms. */
export type AnswerListener = (news: {
  readonly visitId: string;
  readonly serverNow: number;
  readonly asked: number;
}) => void;

/** What the outbox takes of the browser it runs in. */
export interface Surroundings {
  /** Milliseconds since 1970. */
  readonly now: () => number;
  /** Runs something after so many ms; returns how to call it off. */
  readonly later: (ms: number, run: () => void) => () => void;
  /** Calls when the network or the person comes back. */
  readonly onWake: (run: () => void) => void;
  /** Runs the work, unless another window of this browser is at it. */
  readonly alone: (work: () => Promise<void>) => Promise<void>;
}

const START: OutboxState = {
  person: null,
  waiting: 0,
  ofOthers: 0,
  unsaved: 0,
  refused: [],
  trouble: null,
  signedOut: false,
  moved: {},
};

const BATCH = 200;
const RETRY_MS = [2000, 4000, 8000, 15_000, 30_000] as const;
/** Acknowledged work older than this is the server's alone. */
const SEEN_FOR_MS = 3 * 86_400_000;

/**
 * The device's own work on its way: it is on the disk before it is sent, is sent once and in order, and stays until the
 * server has acknowledged it. Visits go before their events, events before the pictures they name.
 */
export class Outbox {
  readonly useState: UseBoundStore<StoreApi<OutboxState>> = create(() => START);
  private readonly storage: DeviceStorage;
  private readonly network: Network;
  private readonly browser: Surroundings;
  /** Not, or not yet, on the disk. */
  private readonly inMemory = new Map<string, OwnEvent>();
  private readonly listeners = new Set<AnswerListener>();
  /** One sending at a time. */
  private running: Promise<void> | null = null;
  private failures = 0;
  private callOff: () => void = () => undefined;
  private listens = false;

  constructor(storage: DeviceStorage, network: Network, browser: Surroundings) {
    this.storage = storage;
    this.network = network;
    this.browser = browser;
  }

  /** Begins to send for whoever is signed in, and goes on when the network, or the person, comes back. */
  async open(person: string): Promise<void> {
    this.useState.setState({ person, signedOut: false });
    if (!this.listens) this.browser.onWake(() => this.nudge());
    this.listens = true;
    await takeOverOldQueue(person, (rows) => this.addEvents(rows));
    await this.forgetOldWork().catch(() => undefined);
    await this.count();
    this.nudge();
  }

  /** Nobody's work is sent any more. What waits, waits. */
  close(): void {
    this.useState.setState({ person: null });
    this.callOff();
  }

  /** Tries at once, whatever happened before. */
  nudge(): void {
    this.failures = 0;
    this.callOff();
    void this.send();
  }

  /** Calls when the server has answered for a visit. Returns how to stop. */
  onAnswered(listener: AnswerListener): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  /** Puts events on the disk; in memory, and said so, where there is no room. */
  async addEvents(rows: readonly OwnEvent[]): Promise<void> {
    for (const row of rows) this.inMemory.set(row.id, row);
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
    const { person } = this.useState.getState();
    const events = await this.unsent();
    const visits = await this.storage.visits.all().catch(() => []);
    const photos = await this.storage.photos.all().catch(() => []);
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

  private unsent = (): Promise<OwnEvent[]> =>
    this.withMemory(
      () => this.storage.events.unsent(),
      () => true,
    );

  private async withMemory(ask: () => Promise<OwnEvent[]>, fits: (row: OwnEvent) => boolean): Promise<OwnEvent[]> {
    const onDisk = await ask().catch(() => []);
    const there = new Set(onDisk.map(({ id }) => id));
    return [...onDisk, ...[...this.inMemory.values()].filter((row) => !there.has(row.id) && fits(row))];
  }

  private async toDisk(): Promise<void> {
    const rows = [...this.inMemory.values()];
    if (rows.length === 0) return;
    try {
      await this.storage.events.putAll(rows);
      for (const { id } of rows) this.inMemory.delete(id);
    } catch {
      // No room: they are still here, and sent from here.
    }
  }

  private async forgetOldWork(): Promise<void> {
    const before = this.browser.now() - SEEN_FOR_MS;
    await this.storage.answers.forgetBefore(before);
    await this.storage.events.forgetBefore(before);
  }

  private send(): Promise<void> {
    this.running ??= this.browser
      .alone(() => this.sendAll())
      .finally(() => {
        this.running = null;
      });
    return this.running;
  }

  private async sendAll(): Promise<void> {
    try {
      await this.toDisk();
      for (;;) {
        const sent = (await this.sendVisit()) || (await this.sendEvents()) || (await this.sendPhoto());
        if (!sent) break;
        await this.count();
      }
      await this.count();
      this.failures = 0;
      this.useState.setState({ trouble: null, signedOut: false });
    } catch (error) {
      await this.count();
      this.failed(error);
    }
    if (this.useState.getState().unsaved > 0) this.again();
  }

  private failed(error: unknown): void {
    const signedOut = error instanceof SignedOut;
    this.useState.setState({ trouble: error instanceof Error ? error.message : 'Not sent.', signedOut });
    // After a sign-in it is opened again; until then there is no use in trying.
    if (!signedOut) this.again();
  }

  private again(): void {
    const wait = RETRY_MS[Math.min(this.failures, RETRY_MS.length - 1)] ?? RETRY_MS[0];
    this.failures += 1;
    this.callOff();
    if (this.useState.getState().person !== null) this.callOff = this.browser.later(wait, () => void this.send());
  }

  private mine<R extends { readonly person: string; readonly refused: string | null }>(rows: readonly R[]): R[] {
    const { person } = this.useState.getState();
    return rows.filter((row) => row.person === person && row.refused === null);
  }

  private async sendVisit(): Promise<boolean> {
    const [visit] = this.mine(await this.storage.visits.all());
    if (!visit) return false;
    const sent = await this.network.beginVisit(visit);
    if (sent.kind === 'taken') await this.storage.visits.remove(visit.id);
    else if (sent.kind === 'begun before') await this.moveTo(visit.id, sent.id);
    else await this.storage.visits.refuse(visit.id, sent.words);
    return true;
  }

  private async sendEvents(): Promise<boolean> {
    const rows = this.mine(await this.unsent());
    const [first] = rows;
    if (!first) return false;
    const { visitId } = first;
    const ofVisit = rows.filter((row) => row.visitId === visitId);
    const notBegun = await this.storage.visits.get(visitId);
    if (notBegun?.refused) {
      for (const row of ofVisit) await this.refuse(row.id, notBegun.refused);
      return true;
    }
    const batch = ofVisit.toSorted((a, b) => a.event.counter - b.event.counter).slice(0, BATCH);
    const asked = this.browser.now();
    const sent = await this.network.sendEvents(
      visitId,
      batch.map(({ event: { person: _, seen, ...event } }) => (seen === null ? event : { ...event, seen })),
    );
    if (sent.kind === 'refused') for (const { id } of batch) await this.refuse(id, sent.words);
    else {
      const { settled, refused, serverNow } = sent.answer;
      await this.acknowledge(settled);
      for (const { id, words } of refused) await this.refuse(id, words);
      for (const listener of this.listeners) listener({ visitId, serverNow, asked });
      // An event the answer says nothing of would be sent again and again.
      const spokenOf = new Set([...settled, ...refused.map(({ id }) => id)]);
      for (const { id } of batch)
        if (!spokenOf.has(id)) await this.refuse(id, 'The server did not say what became of it.');
    }
    return true;
  }

  private async sendPhoto(): Promise<boolean> {
    const [photo] = this.mine(await this.storage.photos.all());
    if (!photo) return false;
    const sent: Sent<null> = await this.network.sendPhoto(photo);
    if (sent.kind === 'taken') await this.storage.photos.remove(photo.id);
    else await this.storage.photos.refuse(photo.id, sent.words);
    return true;
  }

  /** Two devices began the same booking without a network: the work of both goes into the visit that was there first. */
  private async moveTo(from: string, to: string): Promise<void> {
    await this.storage.move(from, to);
    for (const row of this.inMemory.values())
      if (row.visitId === from) this.inMemory.set(row.id, { ...row, visitId: to });
    this.useState.setState(({ moved }) => ({ moved: { ...moved, [from]: to } }));
  }

  /** Acknowledged: it stays for some days, to be seen without a network. One that never reached the disk need not any more. */
  private async acknowledge(ids: readonly string[]): Promise<void> {
    for (const id of ids) this.inMemory.delete(id);
    await this.storage.events
      .acknowledge(ids, this.browser.now())
      // No room even for the mark: the server has them, so they need none here.
      .catch(() => this.storage.events.removeAll(ids));
  }

  private async refuse(id: string, words: string): Promise<void> {
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
