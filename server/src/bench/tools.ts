import { calibratePump } from '@dewpond/core/dilution';
import { millilitres } from '@dewpond/core/units';
import { and, eq, isNull, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { bottle, madeMix, pump } from '../db/schema';
import type { Tenant } from '../db/tenant';
import type { Services } from '../http/context';
import { badField, conflict, notFound, Refusal } from '../http/problem';
import { route } from '../http/route';
import { contentHash, sameOrRefuse } from '../http/sameContent';
import { loadHouse } from '../house/house';
import { dayIn } from '../house/zone';

type Tool = typeof pump | typeof bottle;

/** Pumps and bottles. */
export function toolRoutes(router: Router, services: Services): void {
  route(router, services, 'POST /api/pumps', async ({ tx, asker, body }) => {
    const madeFrom = contentHash(body);
    await once(tx, pump, body.id, madeFrom, () =>
      tx.insert(pump).values({ businessId: asker.businessId, ...body, madeFrom }),
    );
    return { id: body.id };
  });
  route(router, services, 'PUT /api/pumps/:id', async ({ tx, params, body }) =>
    changed(tx, pump, params.id, body, () =>
      tx
        .update(pump)
        .set({ name: body.name, version: sql`${pump.version} + 1` })
        .where(and(eq(pump.id, params.id), eq(pump.version, body.version)))
        .returning({ version: pump.version }),
    ),
  );
  route(router, services, 'PUT /api/pumps/:id/calibration', async ({ tx, asker, params, body, now }) => {
    const { zone } = await loadHouse(tx);
    const made = body.strokes.length > 0 ? calibratePump(body.strokes.map(millilitres)) : null;
    if (made?.kind === 'refused') throw badField('strokes', made.why);
    return changed(tx, pump, params.id, body, () =>
      tx
        .update(pump)
        .set({
          strokes: body.strokes,
          strokeMl: made?.stroke ?? null,
          calibratedOn: made ? dayIn(zone, now) : null,
          calibratedBy: made ? asker.personName : '',
          version: sql`${pump.version} + 1`,
        })
        .where(and(eq(pump.id, params.id), eq(pump.version, body.version)))
        .returning({ version: pump.version }),
    );
  });
  route(router, services, 'PUT /api/pumps/:id/shelf', async ({ tx, params, body, now }) => {
    const house = await loadHouse(tx);
    const on = house.products.find(({ row }) => row.pumpId === params.id);
    if (body.archived && on)
      throw new Refusal('conflict', `It sits on ${on.name}. Give that another pump, or none, first.`);
    return changed(tx, pump, params.id, body, () => shelve(tx, pump, params.id, body, dayIn(house.zone, now)));
  });

  route(router, services, 'POST /api/bottles', async ({ tx, asker, body }) => {
    const madeFrom = contentHash(body);
    await once(tx, bottle, body.id, madeFrom, () =>
      tx.insert(bottle).values({ businessId: asker.businessId, ...body, madeFrom }),
    );
    return { id: body.id };
  });
  route(router, services, 'PUT /api/bottles/:id', async ({ tx, params, body }) => {
    const { version, ...shape } = body;
    const numbers = await numbersInUse(tx, params.id);
    if (Math.max(0, ...numbers) > body.count)
      throw badField('count', `Number ${Math.max(...numbers)} of them holds a mix. Empty it first.`);
    return changed(tx, bottle, params.id, body, () =>
      tx
        .update(bottle)
        .set({ ...shape, version: sql`${bottle.version} + 1` })
        .where(and(eq(bottle.id, params.id), eq(bottle.version, version)))
        .returning({ version: bottle.version }),
    );
  });
  route(router, services, 'PUT /api/bottles/:id/shelf', async ({ tx, params, body, now }) => {
    const { zone } = await loadHouse(tx);
    if (body.archived && (await numbersInUse(tx, params.id)).length > 0)
      throw new Refusal('conflict', 'A mix stands in one of them. Use it up or pour it away first.');
    return changed(tx, bottle, params.id, body, () => shelve(tx, bottle, params.id, body, dayIn(zone, now)));
  });
}

/** Which bottles of a kind hold a mix, by number. */
export async function numbersInUse(tx: Tenant, bottleId: string): Promise<number[]> {
  const rows = await tx
    .select({ no: madeMix.bottleNo })
    .from(madeMix)
    .where(and(eq(madeMix.bottleId, bottleId), isNull(madeMix.ended)));
  return rows.map(({ no }) => no);
}

const shelve = (tx: Tenant, tool: Tool, id: string, body: { version: number; archived: boolean }, today: string) =>
  tx
    .update(tool)
    .set({ archivedOn: body.archived ? today : null, version: sql`${tool.version} + 1` })
    .where(and(eq(tool.id, id), eq(tool.version, body.version)))
    .returning({ version: tool.version });

/** The same id with the same content is acknowledged. */
async function once(
  tx: Tenant,
  tool: Tool,
  id: string,
  madeFrom: string,
  insert: () => Promise<unknown>,
): Promise<void> {
  const [known] = await tx.select({ madeFrom: tool.madeFrom }).from(tool).where(eq(tool.id, id));
  if (known) sameOrRefuse(known.madeFrom, madeFrom);
  else await insert();
}

async function changed(
  tx: Tenant,
  tool: Tool,
  id: string,
  yours: unknown,
  update: () => Promise<{ version: number }[]>,
): Promise<{ version: number }> {
  const [done] = await update();
  if (done) return done;
  const [current] = await tx.select().from(tool).where(eq(tool.id, id));
  if (!current) throw notFound(tool === pump ? 'pump' : 'bottle');
  throw conflict('Someone else changed this meanwhile.', current, yours);
}
