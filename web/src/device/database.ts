import type { VisitEvent } from '@dewpond/core/visit';
import { Dexie, type EntityTable, type Table } from 'dexie';
import type { KeptAnswer } from './answers';

/**
 * An event of a visit that this device made; never changed. It stays for some days after the office has acknowledged
 * it: a page opened without a network must show what was done.
 */
export interface OwnEvent {
  readonly id: string;
  readonly visitId: string;
  /** Who was signed in when it was made: nobody else's session sends it. */
  readonly person: string;
  readonly event: VisitEvent;
  /** When the office acknowledged it, ms; null while it waits. */
  readonly sentAt: number | null;
  /** Why the office would not take it, in its words. Such an event is not sent again by itself, and not thrown away. */
  readonly refused: string | null;
}

/** A visit begun on this device. It is told to the office before its events. */
export interface WaitingVisit {
  readonly id: string;
  readonly person: string;
  readonly dogId: string;
  readonly appointmentId: string | null;
  /** When, by this device's clock, and what it knew of how far that is off; visits of older versions do not say. */
  readonly begun?: { readonly at: number; readonly offset: number | null };
  readonly refused: string | null;
}

/** A visit begun here that another device had begun before: its events belong to that one. */
export interface MovedVisit {
  readonly id: string;
  readonly to: string;
}

/** A picture taken at the table, waiting to be sent after the event that names it. */
export interface WaitingPhoto {
  readonly id: string;
  readonly visitId: string;
  readonly person: string;
  readonly bytes: Blob;
  readonly refused: string | null;
}

/** Everything Dewpond keeps on a device. The device's own work is kept until it has arrived; answers are only copies. */
export class DeviceDatabase extends Dexie {
  /** Answers of the office, by the hash of what was asked. */
  answers!: Table<KeptAnswer, string>;
  events!: EntityTable<OwnEvent, 'id'>;
  visits!: EntityTable<WaitingVisit, 'id'>;
  photos!: EntityTable<WaitingPhoto, 'id'>;

  moved!: EntityTable<MovedVisit, 'id'>;

  constructor(name = 'dewpond') {
    // Written through to the disk: an empty battery in the next second loses nothing.
    super(name, { chromeTransactionDurability: 'strict' });
    this.version(1).stores({
      answers: '',
      events: 'id, visitId',
      visits: 'id',
      photos: 'id, visitId',
      moved: 'id',
    });
  }
}

export const device = new DeviceDatabase();
