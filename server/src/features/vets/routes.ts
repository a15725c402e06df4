import type { VetView } from '@dewpond/contract';
import type { Day } from '@dewpond/core/units';
import { asc, count, eq } from 'drizzle-orm';
import type { Router } from 'express';
import { dog, vet } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { route } from '../../platform/http/route';
import { contentHash } from '../../platform/http/sameContent';
import { asSeen, insertOnce, updateGuarded } from '../../platform/http/writes';

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
  route(router, services, 'GET /api/vets', async ({ tx }) => ({ items: await vetViews(tx) }));

  route(router, services, 'POST /api/vets', async ({ tx, body }) => {
    await insertOnce(tx, vet, { ...body, madeFrom: contentHash(body) });
    return { id: body.id };
  });

  route(router, services, 'PUT /api/vets/:id', async ({ tx, params, body, today }) => {
    const { version, archived, ...fields } = body;
    const archivedOn = archived ? today : null;
    const current = async () => (await vetViews(tx, params.id))[0];
    const write = asSeen(tx, vet, { id: params.id, version }, { ...fields, archivedOn });
    return updateGuarded(write, { what: 'vet', current, yours: body });
  });
}

async function vetViews(tx: Tenant, id?: string): Promise<VetView[]> {
  const rows = await tx
    .select({ vet, dogs: count(dog.id) })
    .from(vet)
    .leftJoin(dog, eq(dog.vetId, vet.id))
    .where(id === undefined ? undefined : eq(vet.id, id))
    .groupBy(vet.businessId, vet.id)
    .orderBy(asc(vet.name));
  return rows.map((row) => shown(row.vet, row.dogs));
}
