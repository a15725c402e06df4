import { numbersInUse } from '../../records/shelf/openMixes';
import { calibratePump } from '@dewpond/core/dilution';
import { millilitres } from '@dewpond/core/units';
import { and, eq, isNull } from 'drizzle-orm';
import type { Router } from 'express';
import { bottle, fittedPump, product, pump } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { badField, Refusal } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { contentHash } from '../../platform/http/sameContent';
import { asSeen, insertOnce, updateGuarded } from '../../platform/http/writes';

type Tool = typeof pump | typeof bottle;

/** Pumps and bottles. */
export function toolRoutes(router: Router, services: Services): void {
  route(router, services, 'POST /api/pumps', async ({ tx, body }) => {
    await insertOnce(tx, pump, { ...body, madeFrom: contentHash(body) });
    return { id: body.id };
  });
  route(router, services, 'PUT /api/pumps/:id', async ({ tx, params, body }) =>
    change(tx, pump, params.id, body, { name: body.name }),
  );
  route(router, services, 'PUT /api/pumps/:id/calibration', async ({ tx, asker, params, body, today }) => {
    const made = body.strokes.length > 0 ? calibratePump(body.strokes.map(millilitres)) : null;
    if (made?.kind === 'refused') throw badField('strokes', made.why);
    return change(tx, pump, params.id, body, {
      strokes: body.strokes,
      strokeMl: made?.stroke ?? null,
      calibratedOn: made ? today : null,
      calibratedBy: made ? asker.personName : '',
      personId: made ? asker.personId : null,
    });
  });
  route(router, services, 'PUT /api/pumps/:id/shelf', async ({ tx, params, body, today }) => {
    const [on] = await tx
      .select({ name: product.name })
      .from(fittedPump)
      .innerJoin(product, eq(product.id, fittedPump.productId))
      .where(and(eq(fittedPump.pumpId, params.id), isNull(product.archivedOn)));
    if (body.archived && on)
      throw new Refusal('conflict', `It sits on ${on.name}. Give that another pump, or none, first.`);
    return change(tx, pump, params.id, body, { archivedOn: body.archived ? today : null });
  });

  route(router, services, 'POST /api/bottles', async ({ tx, body }) => {
    await insertOnce(tx, bottle, { ...body, madeFrom: contentHash(body) });
    return { id: body.id };
  });
  route(router, services, 'PUT /api/bottles/:id', async ({ tx, params, body }) => {
    const { version: _, ...shape } = body;
    const numbers = await numbersInUse(tx, params.id);
    if (Math.max(0, ...numbers) > body.count)
      throw badField('count', `Number ${Math.max(...numbers)} of them holds a mix. Empty it first.`);
    return change(tx, bottle, params.id, body, shape);
  });
  route(router, services, 'PUT /api/bottles/:id/shelf', async ({ tx, params, body, today }) => {
    if (body.archived && (await numbersInUse(tx, params.id)).length > 0)
      throw new Refusal('conflict', 'A mix stands in one of them. Use it up or pour it away first.');
    return change(tx, bottle, params.id, body, { archivedOn: body.archived ? today : null });
  });
}

async function change<Of extends Tool>(
  tx: Tenant,
  tool: Of,
  id: string,
  sent: { readonly version: number },
  set: Partial<Of['$inferInsert']>,
): Promise<{ version: number }> {
  const from: Tool = tool;
  return updateGuarded(asSeen(tx, tool, { id, version: sent.version }, set), {
    what: from === pump ? 'pump' : 'bottle',
    current: async () => (await tx.select().from(from).where(eq(from.id, id)))[0],
    yours: sent,
  });
}
