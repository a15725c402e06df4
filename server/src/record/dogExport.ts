import type { Letterhead } from '@dewpond/contract';
import type { Entry, Picture } from '@dewpond/core/record';
import type { Day } from '@dewpond/core/units';
import { eq, inArray } from 'drizzle-orm';
import { homePhoto, photo, visit, visitEvent, weighing } from '../db/schema';
import type { Tenant } from '../db/tenant';
import type { DogRecord } from '../dogs/records';
import type { House } from '../house/house';
import { letterheadOf } from '../house/letterhead';
import { dayIn } from '../house/zone';
import { heavily } from '../heavy/pool';
import { historyOf } from './history';

/** Everything kept of one dog, for an owner who asks for the data. Pictures are JPEG in base64. */
export interface DogExport {
  readonly format: 'dewpond dog';
  readonly version: 1;
  readonly exportedOn: Day;
  readonly business: Letterhead;
  readonly owner: { readonly name: string; readonly card: DogRecord['client']['card'] };
  readonly dog: DogRecord['dog']['profile'];
  readonly instructions: DogRecord['instructions'];
  readonly weights: readonly { readonly day: string; readonly kg: number }[];
  readonly history: readonly Entry[];
  /** What happened at each visit, event by event, as it was written down. */
  readonly visits: readonly {
    readonly day: string;
    readonly closed: string | null;
    readonly events: readonly unknown[];
  }[];
  readonly pictures: readonly (Picture & { readonly jpeg: string })[];
}

export async function exportDog(tx: Tenant, house: House, record: DogRecord, now: number): Promise<DogExport> {
  const history = await historyOf(tx, house, record, now);
  const visits = await tx.select().from(visit).where(eq(visit.dogId, record.dog.id));
  const ids = visits.map(({ id }) => id);
  const events = ids.length === 0 ? [] : await tx.select().from(visitEvent).where(inArray(visitEvent.visitId, ids));
  const taken = ids.length === 0 ? [] : await tx.select().from(photo).where(inArray(photo.visitId, ids));
  const sent = await tx.select().from(homePhoto).where(eq(homePhoto.dogId, record.dog.id));
  const weights = await tx.select().from(weighing).where(eq(weighing.dogId, record.dog.id));
  return {
    format: 'dewpond dog',
    version: 1,
    exportedOn: dayIn(house.zone, now),
    business: letterheadOf(house),
    owner: { name: record.client.name, card: record.client.card },
    dog: record.dog.profile,
    instructions: record.instructions,
    weights: weights.map(({ day, kg }) => ({ day, kg })),
    history,
    visits: visits.map(({ id, day, closed }) => ({
      day,
      closed,
      events: events
        .filter(({ visitId }) => visitId === id)
        .toSorted((a, b) => a.counter - b.counter)
        .map(({ counter, at, what }) => ({ counter, at: new Date(at).toISOString(), what })),
    })),
    pictures: [
      ...taken.map(({ id, bytes }) => ({ id, takenBy: 'salon' as const, jpeg: bytes.toString('base64') })),
      ...sent.map(({ id, bytes }) => ({ id, takenBy: 'owner' as const, jpeg: bytes.toString('base64') })),
    ],
  };
}

/** The same on paper: day by day, the pictures small. */
export const recordPdf = (given: DogExport): Promise<Buffer> => heavily('record', { given });
