import { eq, inArray } from 'drizzle-orm';
import { homePhoto, photo, visit, visitEvent, weighing } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { DogRecord } from '../../records/dog/dogRecord';
import type { StockedBusiness } from '../../records/business/business';
import { profileOf } from '../../records/business/words';
import { dayIn } from '../../platform/time/zone';
import { inThread } from '../../platform/threads/pool';
import { historyOf } from './history';
import { RECORD_PDF, type DogExport } from './recordPdf';

export async function exportDog(
  tx: Tenant,
  business: StockedBusiness,
  record: DogRecord,
  now: number,
): Promise<DogExport> {
  const history = await historyOf(tx, business, record, now);
  const visits = await tx.select().from(visit).where(eq(visit.dogId, record.dog.id));
  const ids = visits.map(({ id }) => id);
  const events = ids.length === 0 ? [] : await tx.select().from(visitEvent).where(inArray(visitEvent.visitId, ids));
  const taken = ids.length === 0 ? [] : await tx.select().from(photo).where(inArray(photo.visitId, ids));
  const sent = await tx.select().from(homePhoto).where(eq(homePhoto.dogId, record.dog.id));
  const weights = await tx.select().from(weighing).where(eq(weighing.dogId, record.dog.id));
  return {
    format: 'dewpond dog',
    version: 1,
    exportedOn: dayIn(business.zone, now),
    business: profileOf(business),
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
export const recordPdf = (given: DogExport): Promise<Buffer> => inThread(RECORD_PDF, { given });
