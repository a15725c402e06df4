import { and, eq, gt, isNotNull, isNull, notExists, or, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/pg-core';
import { isHere } from '../../platform/db/branch';
import { dog, dogDue, incidentSeen, visit } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';

const later = alias(visit, 'later');
/** Visits of the same dog after one. */
const afterIt = and(
  eq(later.dogId, visit.dogId),
  or(
    gt(later.day, visit.day),
    and(eq(later.day, visit.day), sql`(${later.createdAt}, ${later.id}) > (${visit.createdAt}, ${visit.id})`),
  ),
);

/**
 * Dogs of the branch in force that may be on the watch list: something found still wants an eye, as was kept with what is due; something
 * changed since; or an incident after which the dog has not been here again. Which of them are is for `openFindings`.
 */
export async function dogsToWatch(tx: Tenant): Promise<string[]> {
  const [found, hurt] = await Promise.all([
    tx
      .select({ id: dog.id })
      .from(dog)
      .leftJoin(dogDue, eq(dogDue.dogId, dog.id))
      .where(and(isNull(dog.archivedOn), isHere(dog.branchId), or(isNull(dogDue.madeOn), dogDue.watched))),
    tx
      .selectDistinct({ id: incidentSeen.dogId })
      .from(incidentSeen)
      .innerJoin(visit, eq(visit.id, incidentSeen.visitId))
      .innerJoin(dog, and(eq(dog.id, incidentSeen.dogId), isHere(dog.branchId)))
      .where(
        notExists(
          tx
            .select({ id: later.id })
            .from(later)
            .where(and(afterIt, isNotNull(later.closed))),
        ),
      ),
  ]);
  return [...new Set([...found, ...hurt].map(({ id }) => id))];
}
