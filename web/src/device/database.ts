import type { VisitEvent } from '@dewpond/core/visit';
import { Dexie, type EntityTable, type Table } from 'dexie';
import type { KeptAnswer } from './answers';

/** An event of a visit that this device made. Kept until the office has acknowledged it; never changed. */
export interface WaitingEvent {
  readonly id: string;
  readonly visitId: string;
  /** Who was signed in when it was made: nobody else's session sends it. */
  readonly person: string;
  readonly event: VisitEvent;
  /** Why the office would not take it, in its words. Such an event is not sent again by itself, and not thrown away. */
  readonly refused: string | null;
}

/** A visit begun on this device. It is told to the office before its events. */
export interface WaitingVisit {
  readonly id: string;
  readonly person: string;
  readonly dogId: string;
  readonly appointmentId: string | null;
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
  events!: EntityTable<WaitingEvent, 'id'>;
  visits!: EntityTable<WaitingVisit, 'id'>;
  photos!: EntityTable<WaitingPhoto, 'id'>;

  constructor(name = 'dewpond') {
    super(name);
    this.version(1).stores({ answers: '', events: 'id, visitId, person', visits: 'id, person', photos: 'id, visitId' });
  }
}

export const device = new DeviceDatabase();
