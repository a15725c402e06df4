import { atLeast } from '@dewpond/core/findings';
import { placeKey } from '@dewpond/core/places';
import type { Day } from '@dewpond/core/units';
import { and, eq, inArray, isNull, ne, sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import { referral } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { contentHash } from '../../platform/http/sameContent';
import type { LoadedVisit } from './load';
import type { Written } from './written';

/**
 * Opens a referral for every place of a visit that a vet should see; in the transaction of the events that say so, as
 * often as they are read. A place that is referred already keeps its referral; one that nobody has worked on goes when
 * the visit no longer says it.
 */
export async function referPlaces(tx: Tenant, visit: LoadedVisit, ofDog: Written['dogsReferrals']): Promise<void> {
  const { row, judged } = visit;
  await closeWhatIsClear(tx, visit, ofDog);
  const wanted = Object.values(judged).filter(({ level }) => atLeast(level, 'vet'));
  const keys = wanted.map(({ place }) => placeKey(place));
  const withdrawn = ofDog.filter((each) => each.visitId === row.id && isUntouched(each) && !keys.includes(each.place));
  if (withdrawn.length > 0)
    await tx.delete(referral).where(
      and(
        inArray(
          referral.id,
          withdrawn.map(({ id }) => id),
        ),
        isNull(referral.told),
        isNull(referral.answer),
        isNull(referral.vet),
        isNull(referral.end),
      ),
    );
  for (const { place, level } of wanted) {
    const key = placeKey(place);
    const known = ofDog.filter((each) => each.place === key && (each.visitId === row.id || wasOpenOn(each, row.day)));
    if (known.some((each) => each.visitId !== row.id || each.level === level)) continue;
    await tx
      .insert(referral)
      .values({
        id: v7(),
        dogId: row.dogId,
        visitId: row.id,
        place: key,
        level,
        openedOn: row.day,
        madeFrom: contentHash({ visit: row.id, place: key }),
      })
      .onConflictDoUpdate({
        target: [referral.businessId, referral.visitId, referral.place],
        set: { level, version: sql`${referral.version} + 1` },
        setWhere: ne(referral.level, level),
      });
  }
}

/**
 * Whether a referral is open, or was on the day of a visit, though it has ended since: events may come in long after, and a
 * place that was referred then is not referred anew.
 */
const wasOpenOn = ({ openedOn, end }: Written['dogsReferrals'][number], day: string): boolean =>
  end === null || (openedOn <= day && end.on > day);

/** Nobody has worked on it. */
const isUntouched = ({ told, answer, vet, end }: Written['dogsReferrals'][number]): boolean =>
  told === null && answer === null && vet === null && end === null;

const LOOK_OVER = 'the look-over';

/** A place seen clear later needs no vet any more; and does again when that look is taken back. */
async function closeWhatIsClear(
  tx: Tenant,
  { row, state }: LoadedVisit,
  ofDog: Written['dogsReferrals'],
): Promise<void> {
  for (const { id, place, visitId, openedOn, end } of ofDog) {
    if (visitId === row.id || openedOn > row.day) continue;
    const found = state.findings.some((each) => placeKey(each.place) === place);
    const clear = !found && state.lookedClear.includes(place) && state.closed !== null;
    const byThisLook = end?.by === LOOK_OVER && end.on === row.day;
    if (clear && end === null) {
      const on = row.day as Day;
      await tx
        .update(referral)
        .set({ end: { outcome: 'seen clear here', on, by: LOOK_OVER }, version: sql`${referral.version} + 1` })
        .where(eq(referral.id, id));
    } else if (!clear && byThisLook)
      await tx
        .update(referral)
        .set({ end: null, version: sql`${referral.version} + 1` })
        .where(eq(referral.id, id));
  }
}
