import type { BodyOf, DogProfileInput } from '@dewpond/contract';
import type { VisitEvent } from '@dewpond/core/events';

/**
 * An event of a visit that this device made; never changed. It stays for some days after the server has acknowledged
 * it: a page opened without a network must show what was done.
 */
export interface OwnEvent {
  readonly id: string;
  readonly visitId: string;
  /** Who was signed in when it was made: nobody else's session sends it. */
  readonly person: string;
  readonly event: VisitEvent;
  /** When the server acknowledged it, ms; null while it waits. */
  readonly sentAt: number | null;
  /** Why the server would not take it, in its words. Such an event is not sent again by itself, and not thrown away. */
  readonly refused: string | null;
}

/** A visit begun on this device. The server is told of it before its events. */
export interface WaitingVisit {
  readonly id: string;
  readonly person: string;
  readonly dogId: string;
  readonly appointmentId: string | null;
  /** When, by this device's clock, and what it knew of how far that is off; visits of older versions do not say. */
  readonly begun?: { readonly at: number; readonly offset: number | null };
  readonly refused: string | null;
  /** The dog was not in the book: it is written there before the visit, and its owner before it. */
  readonly newDog?: NewInBook;
}

/** A dog that is not in the book yet, as this device took it in; each is sent as it stands, once. */
export interface NewInBook {
  /** Null: of a client who is in the book. */
  readonly client: BodyOf<'POST /api/clients'> | null;
  readonly clientId: string;
  readonly profile: DogProfileInput;
}

/** A picture taken at the table, waiting to be sent after the event that names it. */
export interface WaitingPhoto {
  readonly id: string;
  readonly visitId: string;
  readonly person: string;
  readonly bytes: Blob;
  readonly refused: string | null;
}

/** An answer of the server as it was, and when it was given, ms since 1970. */
export interface CachedAnswer {
  readonly answer: unknown;
  readonly at: number;
  /** Of which shape the answers of this version are: an update does not read what it cannot. */
  readonly shape: number;
}

/** Rows of one kind by their id. Every promise may be rejected: a disk can be full or broken. */
interface Rows<Row extends { readonly id: string }> {
  get(id: string): Promise<Row | undefined>;
  all(): Promise<Row[]>;
  put(row: Row): Promise<void>;
  refuse(id: string, words: string): Promise<void>;
  remove(id: string): Promise<void>;
}

/** Own events. */
interface EventRows {
  get(id: string): Promise<OwnEvent | undefined>;
  /** What the server has not acknowledged, refused ones among them. */
  unsent(): Promise<OwnEvent[]>;
  ofVisit(visitId: string): Promise<OwnEvent[]>;
  putAll(rows: readonly OwnEvent[]): Promise<void>;
  refuse(id: string, words: string): Promise<void>;
  acknowledge(ids: readonly string[], at: number): Promise<void>;
  removeAll(ids: readonly string[]): Promise<void>;
  /** Removes what was acknowledged before a moment, ms. */
  forgetBefore(at: number): Promise<void>;
}

/** Everything Dewpond stores on a device. The device's own work stays until it has arrived; answers are only copies. */
export interface DeviceStorage {
  readonly answers: {
    get(question: string): Promise<CachedAnswer | undefined>;
    put(question: string, row: CachedAnswer): Promise<void>;
    clear(): Promise<void>;
    forgetBefore(at: number): Promise<void>;
  };
  readonly events: EventRows;
  readonly visits: Rows<WaitingVisit>;
  readonly photos: Rows<WaitingPhoto>;
  /** The visit that one begun here was joined with; undefined: it is its own. */
  movedTo(visitId: string): Promise<string | undefined>;
  /** All work of a visit begun here goes into another, in one step. */
  move(from: string, to: string): Promise<void>;
  /** A device as it comes out of its box. */
  clear(): Promise<void>;
}
