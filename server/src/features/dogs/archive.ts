import { and, eq, inArray, isNotNull, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { client, dog } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { route } from '../../platform/http/route';
import { asSeen, updateGuarded } from '../../platform/http/writes';
import { bookedDogs, assertNotBooked } from '../../records/appointments/stillBooked';

const ownerOf = (tx: Tenant, dogId: string) => tx.select({ id: dog.clientId }).from(dog).where(eq(dog.id, dogId));

export function archiveRoutes(router: Router, services: Services): void {
  route(router, services, 'PUT /api/dogs/:id/archive', async ({ tx, asker, params, body, now, today }) => {
    if (body.archived) assertNotBooked(await bookedDogs(tx, [params.id], asker.zone, now));
    const seen = { id: params.id, version: body.version };
    const current = async () => {
      const [now] = await tx
        .select({ version: dog.version, archivedOn: dog.archivedOn })
        .from(dog)
        .where(eq(dog.id, params.id));
      return now;
    };
    const changed = await updateGuarded(asSeen(tx, dog, seen, { archivedOn: body.archived ? today : null }), {
      what: 'dog',
      current,
      yours: body,
    });
    // A dog in the book has an owner in the book.
    if (!body.archived)
      await tx
        .update(client)
        .set({ archivedOn: null, version: sql`${client.version} + 1` })
        .where(and(inArray(client.id, ownerOf(tx, params.id)), isNotNull(client.archivedOn)));
    return changed;
  });
}
