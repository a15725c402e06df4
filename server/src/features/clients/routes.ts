import type { Client } from '@dewpond/contract';
import { and, eq, inArray, isNull, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { v7 } from 'uuid';
import { client, dog, household } from '../../platform/db/schema';
import { PAGE_OF_LIST, afterLast, byName, lastRow, nextAfter, type LastRow } from '../../platform/db/pages';
import type { Tenant } from '../../platform/db/tenant';
import { together } from '../../platform/db/together';
import { bookedDogs, assertNotBooked } from '../../records/appointments/stillBooked';
import type { Services } from '../../platform/http/context';
import { badField, notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { contentHash } from '../../platform/http/sameContent';
import { asSeen, insertOnce, updateGuarded } from '../../platform/http/writes';
import { loadBusiness } from '../../records/business/business';
import { lastName } from '../../records/client/households';
import { clientShown, householdOf } from '../../records/client/client';
import { clientView } from './clientView';

const listRows = together((select, last: LastRow) => ({
  rows: select
    .select({ client, home: { id: household.id, name: household.name } })
    .from(client)
    .leftJoin(household, eq(household.id, client.householdId))
    .where(afterLast(client, last))
    .orderBy(...byName(client))
    .limit(PAGE_OF_LIST),
}));

export function clientRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/clients', async ({ tx, query }) => {
    const { rows } = await listRows(tx, lastRow(query.after));
    return {
      items: rows.map((row): Client => clientShown(row.client, row.home)),
      after: nextAfter(rows.map((row) => row.client)),
    };
  });

  route(router, services, 'GET /api/clients/:id', async ({ tx, params }) =>
    clientView(tx, await loadBusiness(tx), params.id),
  );

  route(router, services, 'POST /api/clients', async ({ tx, body }) => {
    await insertOnce(tx, client, { ...body, madeFrom: contentHash(body) });
    return { id: body.id };
  });

  route(router, services, 'PUT /api/clients/:id', async ({ tx, params, body, today }) => {
    for (const [consent, word] of Object.entries(body.card.consents))
      if (word.on > today) throw badField(`card.consents.${consent}.on`, 'That day is still to come.');
    return change(tx, { id: params.id, version: body.version }, { name: body.name, card: body.card }, body);
  });

  route(router, services, 'PUT /api/clients/:id/archive', async ({ tx, asker, params, body, now, today }) => {
    const before = await clientOf(tx, params.id);
    const theirs = await tx.select({ id: dog.id }).from(dog).where(eq(dog.clientId, params.id));
    const dogIds = theirs.map(({ id }) => id);
    if (body.archived) {
      assertNotBooked(await bookedDogs(tx, dogIds, asker.zone, now));
      await archiveDogs(tx, dogIds, today);
    } else if (before.archivedOn !== null && dogIds.length > 0) {
      // Dogs that were archived before, or on another day, stay where they are.
      await tx
        .update(dog)
        .set({ archivedOn: null, version: sql`${dog.version} + 1` })
        .where(and(inArray(dog.id, dogIds), eq(dog.archivedOn, before.archivedOn)));
    }
    const seen = { id: params.id, version: body.version };
    return change(tx, seen, { archivedOn: body.archived ? today : null }, body);
  });

  route(router, services, 'PUT /api/clients/:id/household', async ({ tx, params, body }) => {
    const me = await clientOf(tx, params.id);
    if (body.with === null) {
      await tx.update(client).set({ householdId: null }).where(eq(client.id, me.id));
      return {};
    }
    if (body.with === me.id) throw badField('with', 'That is the same person.');
    const other = await clientOf(tx, body.with);
    const shared = other.householdId ?? me.householdId ?? (await makeHousehold(tx, me.name));
    await tx
      .update(client)
      .set({ householdId: shared })
      .where(inArray(client.id, [me.id, other.id]));
    return {};
  });
}

async function clientOf(tx: Tenant, id: string): Promise<typeof client.$inferSelect> {
  const [row] = await tx.select().from(client).where(eq(client.id, id));
  if (!row) throw notFound('client');
  return row;
}

async function makeHousehold(tx: Tenant, of: string): Promise<string> {
  const id = v7();
  await tx.insert(household).values({ id, name: lastName(of) });
  return id;
}

const archiveDogs = (tx: Tenant, ids: readonly string[], today: string) =>
  ids.length === 0
    ? Promise.resolve()
    : tx
        .update(dog)
        .set({ archivedOn: today, version: sql`${dog.version} + 1` })
        .where(and(inArray(dog.id, [...ids]), isNull(dog.archivedOn)));

function change(
  tx: Tenant,
  seen: { readonly id: string; readonly version: number },
  set: Partial<typeof client.$inferInsert>,
  yours: unknown,
): Promise<{ version: number }> {
  const current = async () => {
    const now = await clientOf(tx, seen.id);
    return clientShown(now, await householdOf(tx, now));
  };
  return updateGuarded(asSeen(tx, client, seen, set), { what: 'client', current, yours });
}
