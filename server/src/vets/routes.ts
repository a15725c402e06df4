import type { VetView } from '@dewpond/contract';
import type { Day } from '@dewpond/core/units';
import { and, asc, count, eq, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { dog, vet } from '../db/schema';
import type { Services } from '../http/context';
import { conflict, notFound } from '../http/problem';
import { route } from '../http/route';
import { contentHash, sameOrRefuse } from '../http/sameContent';
import { loadHouse } from '../house/house';
import { dayIn } from '../house/zone';

const shown = (
  { id, version, name, practice, phone, email, address, note, archivedOn }: typeof vet.$inferSelect,
  dogs: number,
): VetView => ({
  id,
  version,
  name,
  practice,
  phone,
  email,
  address,
  note,
  archivedOn: archivedOn as Day | null,
  dogs,
});

export function vetRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/vets', async ({ tx }) => {
    const rows = await tx
      .select({ vet, dogs: count(dog.id) })
      .from(vet)
      .leftJoin(dog, eq(dog.vetId, vet.id))
      .groupBy(vet.businessId, vet.id)
      .orderBy(asc(vet.name));
    return { items: rows.map((row) => shown(row.vet, row.dogs)) };
  });

  route(router, services, 'POST /api/vets', async ({ tx, asker, body }) => {
    const madeFrom = contentHash(body);
    const inserted = await tx
      .insert(vet)
      .values({ businessId: asker.businessId, ...body, madeFrom })
      .onConflictDoNothing()
      .returning({ id: vet.id });
    if (inserted.length === 0) {
      const [known] = await tx.select().from(vet).where(eq(vet.id, body.id));
      sameOrRefuse(known?.madeFrom ?? '', madeFrom);
    }
    return { id: body.id };
  });

  route(router, services, 'PUT /api/vets/:id', async ({ tx, params, body, now }) => {
    const { version, archived, ...fields } = body;
    const archivedOn = archived ? dayIn((await loadHouse(tx)).zone, now) : null;
    const [changed] = await tx
      .update(vet)
      .set({ ...fields, archivedOn, version: sql`${vet.version} + 1` })
      .where(and(eq(vet.id, params.id), eq(vet.version, version)))
      .returning({ version: vet.version });
    if (changed) return changed;
    const [current] = await tx.select().from(vet).where(eq(vet.id, params.id));
    if (!current) throw notFound('vet');
    throw conflict('Someone else changed this vet meanwhile.', shown(current, 0), body);
  });
}
