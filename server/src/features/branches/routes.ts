import { eq } from 'drizzle-orm';
import type { Router } from 'express';
import { branch, dog, member } from '../../platform/db/schema';
import type { Services } from '../../platform/http/context';
import { notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { contentHash } from '../../platform/http/sameContent';
import { asSeen, insertOnce, updateGuarded } from '../../platform/http/writes';
import { assertFreeName, assertMayClose, assertOpen, branchesNow, renameInWeeks } from './branches';
import { moveStock } from './moveStock';

/** Salons and vans, and what belongs to which (decision 0058). */
export function branchRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/branches', ({ tx }) => branchesNow(tx));

  route(router, services, 'POST /api/branches', async ({ tx, body }) => {
    await assertFreeName(tx, body.id, body.name);
    await insertOnce(tx, branch, { ...body, madeFrom: contentHash(body) });
    return { id: body.id };
  });

  route(router, services, 'PUT /api/branches/:id', async ({ tx, params, body }) => {
    const { version, ...set } = body;
    const current = async () => (await tx.select().from(branch).where(eq(branch.id, params.id)))[0];
    const before = await current();
    await assertFreeName(tx, params.id, set.name);
    const changed = await updateGuarded(asSeen(tx, branch, { id: params.id, version }, set), {
      what: 'branch',
      current,
      yours: body,
    });
    if (before && before.name !== set.name) await renameInWeeks(tx, before.name, set.name);
    return changed;
  });

  route(router, services, 'PUT /api/branches/:id/open', async ({ tx, asker, params, body, today }) => {
    if (!body.open) await assertMayClose(tx, params.id, asker.businessId);
    const current = async () => (await tx.select().from(branch).where(eq(branch.id, params.id)))[0];
    const write = asSeen(tx, branch, { id: params.id, version: body.version }, { closedOn: body.open ? null : today });
    return updateGuarded(write, { what: 'branch', current, yours: body });
  });

  route(router, services, 'PUT /api/dogs/:id/branch', async ({ tx, params, body: { branchId } }) => {
    await assertOpen(tx, branchId, 'branchId');
    const rows = await tx.update(dog).set({ branchId }).where(eq(dog.id, params.id)).returning({ id: dog.id });
    if (rows.length === 0) throw notFound('dog');
    return {};
  });

  route(router, services, 'PUT /api/members/:id/branch', async ({ tx, params, body: { branchId } }) => {
    await assertOpen(tx, branchId, 'branchId');
    const rows = await tx.update(member).set({ branchId }).where(eq(member.id, params.id)).returning({ id: member.id });
    if (rows.length === 0) throw notFound('person');
    return {};
  });

  route(router, services, 'POST /api/stock/moves', async ({ tx, asker, body, today }) => {
    await moveStock(tx, asker, body, today);
    return {};
  });
}
