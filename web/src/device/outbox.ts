import { SignedOut, type Network, type Sent } from './network';
import { takeOverOldQueue } from './oldQueue';
import type { OwnWork } from './ownWork';

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

const BATCH = 200;
const RETRY_MS = [2000, 4000, 8000, 15_000, 30_000] as const;

/** Sends what was done on this device, once and in order: visits before their events, events before the pictures they name. */
export class Outbox {
  private readonly work: OwnWork;
  private readonly network: Network;
  private readonly browser: Surroundings;
  private readonly listeners = new Set<AnswerListener>();
  /** One sending at a time. */
  private running = false;
  /** Something may have come since the sending that runs last looked. */
  private asked = false;
  private failures = 0;
  private callOff: () => void = () => undefined;
  private listens = false;

  constructor(work: OwnWork, network: Network, browser: Surroundings) {
    this.work = work;
    this.network = network;
    this.browser = browser;
  }

  /** Begins to send for whoever is signed in, and goes on when the network, or the person, comes back. */
  async open(person: string): Promise<void> {
    this.work.useState.setState({ person, signedOut: false });
    if (!this.listens) this.browser.onWake(() => this.nudge());
    this.listens = true;
    await takeOverOldQueue(person, (rows) => this.work.addEvents(rows));
    await this.work.forgetOldWork().catch(() => undefined);
    await this.work.count();
    this.nudge();
  }

  /** Nobody's work is sent any more. What waits, waits. */
  close(): void {
    this.work.useState.setState({ person: null });
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

  private async send(): Promise<void> {
    this.asked = true;
    if (this.running) return;
    this.running = true;
    try {
      // Nothing may come between the last look and the end: what asked then would wait for the next tap.
      while (this.asked) {
        this.asked = false;
        await this.sendAlone();
      }
    } finally {
      this.running = false;
    }
  }

  /** Another window that is sending may have looked before this one wrote: its turn is awaited. */
  private async sendAlone(): Promise<void> {
    let hadTurn = false;
    await this.browser.alone(async () => {
      hadTurn = true;
      await this.sendAll();
    });
    if (!hadTurn) this.again();
  }

  private async sendAll(): Promise<void> {
    try {
      await this.work.toDisk();
      for (;;) {
        const sent = (await this.sendVisit()) || (await this.sendEvents()) || (await this.sendPhoto());
        if (!sent) break;
        await this.work.count();
      }
      await this.work.count();
      this.failures = 0;
      this.work.useState.setState({ trouble: null, signedOut: false });
    } catch (error) {
      await this.work.count();
      this.failed(error);
    }
    if (this.work.useState.getState().unsaved > 0) this.again();
  }

  private failed(error: unknown): void {
    const signedOut = error instanceof SignedOut;
    this.work.useState.setState({ trouble: error instanceof Error ? error.message : 'Not sent.', signedOut });
    // After a sign-in it is opened again; until then there is no use in trying.
    if (!signedOut) this.again();
  }

  private again(): void {
    const wait = RETRY_MS[Math.min(this.failures, RETRY_MS.length - 1)] ?? RETRY_MS[0];
    this.failures += 1;
    this.callOff();
    if (this.work.useState.getState().person !== null) this.callOff = this.browser.later(wait, () => void this.send());
  }

  private mine<R extends { readonly person: string; readonly refused: string | null }>(rows: readonly R[]): R[] {
    const { person } = this.work.useState.getState();
    return rows.filter((row) => row.person === person && row.refused === null);
  }

  private async sendVisit(): Promise<boolean> {
    const [visit] = this.mine(await this.work.storage.visits.all());
    if (!visit) return false;
    const sent = await this.network.beginVisit(visit);
    if (sent.kind === 'taken') await this.work.storage.visits.remove(visit.id);
    else if (sent.kind === 'begun before') await this.work.moveTo(visit.id, sent.id);
    else await this.work.storage.visits.refuse(visit.id, sent.words);
    return true;
  }

  private async sendEvents(): Promise<boolean> {
    const rows = this.mine(await this.work.unsent());
    const [first] = rows;
    if (!first) return false;
    const { visitId } = first;
    const ofVisit = rows.filter((row) => row.visitId === visitId);
    const notBegun = await this.work.storage.visits.get(visitId);
    if (notBegun?.refused) {
      for (const row of ofVisit) await this.work.refuse(row.id, notBegun.refused);
      return true;
    }
    const batch = ofVisit.toSorted((a, b) => a.event.counter - b.event.counter).slice(0, BATCH);
    const asked = this.browser.now();
    const sent = await this.network.sendEvents(
      visitId,
      batch.map(({ event: { person: _, seen, ...event } }) => (seen === null ? event : { ...event, seen })),
    );
    if (sent.kind === 'refused') for (const { id } of batch) await this.work.refuse(id, sent.words);
    else {
      const { settled, refused, serverNow } = sent.answer;
      await this.work.acknowledge(settled);
      for (const { id, words } of refused) await this.work.refuse(id, words);
      for (const listener of this.listeners) listener({ visitId, serverNow, asked });
      // An event the answer says nothing of would be sent again and again.
      const spokenOf = new Set([...settled, ...refused.map(({ id }) => id)]);
      for (const { id } of batch)
        if (!spokenOf.has(id)) await this.work.refuse(id, 'The server did not say whether it took it.');
    }
    return true;
  }

  private async sendPhoto(): Promise<boolean> {
    const [photo] = this.mine(await this.work.storage.photos.all());
    if (!photo) return false;
    const sent: Sent<null> = await this.network.sendPhoto(photo);
    if (sent.kind === 'taken') await this.work.storage.photos.remove(photo.id);
    else await this.work.storage.photos.refuse(photo.id, sent.words);
    return true;
  }
}
