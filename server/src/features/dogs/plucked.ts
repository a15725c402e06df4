import type { WatchItem } from '@dewpond/contract';
import { namePlace, nameBoth, placeOf } from '@dewpond/core/places';
import { addDays, type Day } from '@dewpond/core/units';
import { and, eq, gte, isNotNull, ne, notExists } from 'drizzle-orm';
import { isHere } from '../../platform/db/branch';
import { dog, message, placeCare, visit } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { DogRecord } from '../../records/dog/dogRecord';

/** So many days after hair was taken out of an ear one asks how it is [house value]; what is not settled by then shows itself. */
const ASKED_AFTER_DAYS = 2;

/** Ears of the branch in force that hair was taken out of lately, of which no owner was asked yet. */
export const pluckedLately = (tx: Tenant, today: Day) =>
  tx
    .select({ dogId: visit.dogId, visitId: visit.id, day: visit.day, place: placeCare.place })
    .from(visit)
    .innerJoin(placeCare, and(eq(placeCare.visitId, visit.id), eq(placeCare.hairDid, 'plucked')))
    .innerJoin(dog, and(eq(dog.id, visit.dogId), isHere(dog.branchId)))
    .where(
      and(
        gte(visit.day, addDays(today, -ASKED_AFTER_DAYS)),
        isNotNull(visit.closed),
        notExists(
          tx
            .select({ id: message.id })
            .from(message)
            .where(
              and(eq(message.visitId, visit.id), eq(message.kind, 'after plucking'), ne(message.state, 'withdrawn')),
            ),
        ),
      ),
    );

/** The same as lines of the watch list, both ears as one. */
export function pluckedToAskAfter(
  records: readonly DogRecord[],
  rows: Awaited<ReturnType<typeof pluckedLately>>,
): WatchItem[] {
  return records.flatMap((record) => {
    const its = rows.filter(({ dogId }) => dogId === record.dog.id);
    const [first] = its;
    if (!first) return [];
    const ears = its.filter(({ visitId }) => visitId === first.visitId);
    const where = ears.length > 1 ? nameBoth('ear') : namePlace(placeOf(first.place));
    return [
      {
        dogId: record.dog.id,
        dog: record.dog.name,
        owner: record.client.name,
        phone: record.client.card.phones[0]?.number ?? '',
        place: `after plucking, ${where}`,
        words: 'A little redness and shaking may last for some hours. Ask how it is.',
        level: 'watch',
        day: first.day as Day,
        visitId: first.visitId,
      },
    ];
  });
}
