import type { BusinessProfile } from '@dewpond/contract';
import type { Entry, Picture } from '@dewpond/core/record';
import type { Day } from '@dewpond/core/units';
import { eq, inArray } from 'drizzle-orm';
import { homePhoto, photo, visit, visitEvent, weighing } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { DogRecord } from '../../records/dog/dogRecord';
import type { StockedBusiness } from '../../records/business/business';
import { profileOf } from '../../records/business/words';
import { dayIn } from '../../platform/time/zone';
import { inThread } from '../../platform/threads/pool';
import { historyOf } from './history';
import { RECORD_PDF } from './recordPdf';

/** Everything kept of one dog, for an owner who asks for the data. Pictures are JPEG in base64. */
export interface DogExport {
  readonly format: 'dewpond dog';
  readonly version: 1;
  readonly exportedOn: Day;
  readonly business: BusinessProfile;
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
