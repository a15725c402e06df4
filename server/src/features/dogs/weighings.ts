import { desc, eq, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { dog, weighing } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Asker } from '../../platform/asker';
import type { Services } from '../../platform/http/context';
import { badField, notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';

/** Keeps a weight; of one day the last one counts. */
export async function keepWeight(tx: Tenant, asker: Asker, dogId: string, on: string, kg: number): Promise<void> {
  await tx
    .insert(weighing)
    .values({ dogId, day: on, kg, by: asker.personName, personId: asker.personId })
    .onConflictDoUpdate({
      target: [weighing.businessId, weighing.dogId, weighing.day],
      set: { kg, by: asker.personName, personId: asker.personId },
    });
}

export function weighingRoutes(router: Router, services: Services): void {
  route(router, services, 'POST /api/dogs/:id/weighings', async ({ tx, asker, params, body, today }) => {
    const [known] = await tx.select({ profile: dog.profile }).from(dog).where(eq(dog.id, params.id)).for('update');
    if (!known) throw notFound('dog');
    if (body.day > today) throw badField('day', 'That day is still to come.');
    await keepWeight(tx, asker, params.id, body.day, body.kg);
    const [newest] = await tx
      .select({ kg: weighing.kg })
      .from(weighing)
      .where(eq(weighing.dogId, params.id))
      .orderBy(desc(weighing.day))
      .limit(1);
    const [changed] = await tx
      .update(dog)
      .set({
        profile: { ...known.profile, weightKg: newest?.kg ?? body.kg },
        version: sql`${dog.version} + 1`,
      })
      .where(eq(dog.id, params.id))
      .returning({ version: dog.version });
    if (!changed) throw notFound('dog');
    return changed;
  });
}
