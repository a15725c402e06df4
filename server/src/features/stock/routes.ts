import type { ParsedBodyOf } from '@dewpond/contract';
import type { Movement } from '@dewpond/core/stock';
import type { Day } from '@dewpond/core/units';
import { toAvoid } from '@dewpond/core/dog';
import { clashing } from '@dewpond/core/dilution';
import { group } from 'd3-array';
import { and, asc, desc, eq, isNull } from 'drizzle-orm';
import type { Router } from 'express';
import { bottleWords } from '../../records/shelf/openMixes';
import { assertMay } from '../../platform/auth/mayAsk';
import { isHere } from '../../platform/db/branch';
import { bottle, dog, instruction, lot, madeMix, product, stockEntry, visit } from '../../platform/db/schema';
import { asInstruction } from '../../records/dog/dogRecord';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { badField, notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { contentHash, assertSame } from '../../platform/http/sameContent';
import { asSeen, updateGuarded } from '../../platform/http/writes';
import { loadStockedBusiness, loadBusiness } from '../../records/business/business';
import { costsView } from './costs';
import { stockView } from './forecast';
import { addEntry, lockProducts } from '../../records/shelf/ledger';

/** Entries shown at once, newest first; the export has them all. */
const SHOWN = 200;

export function stockRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/stock', async ({ tx, asker, now, today }) => {
    const business = await loadStockedBusiness(tx);
    return stockView(tx, asker, business, today, now);
  });

  route(router, services, 'POST /api/stock', async ({ tx, asker, body, today }) => {
    if (body.kind === 'correction') assertMay(asker, 'correct stock');
    const madeFrom = contentHash(body);
    const [its] = await tx.select({ id: product.id }).from(product).where(eq(product.id, body.productId));
    if (!its) throw badField('productId', 'There is no such product here.');
    await lockProducts(tx, [body.productId]);
    const [known] = await tx.select().from(stockEntry).where(eq(stockEntry.id, body.id));
    if (known) {
      assertSame(known.madeFrom, madeFrom);
      return { id: known.id, ml: known.ml, afterMl: known.afterMl };
    }
    if (body.lot && body.kind !== 'delivery') throw badField('lot', 'Only a delivery brings a lot.');
    if (body.lot) await deliver(tx, body, today);
    return addEntry(tx, {
      id: body.id,
      productId: body.productId,
      kind: body.kind,
      movement: movementOf(body),
      day: today,
      by: asker.personName,
      personId: asker.personId,
      lotId: body.lot?.id ?? null,
      madeFrom,
    });
  });

  route(router, services, 'GET /api/products/:id/ledger', async ({ tx, params, today }) => {
    const [its] = await tx.select({ ingredients: product.ingredients }).from(product).where(eq(product.id, params.id));
    if (!its) throw notFound('product');
    const rows = await tx
      .select({ entry: stockEntry, lot: lot.number, dog: dog.name, no: madeMix.bottleNo, bottle })
      .from(stockEntry)
      .leftJoin(lot, eq(lot.id, stockEntry.lotId))
      .leftJoin(visit, eq(visit.id, stockEntry.visitId))
      .leftJoin(dog, eq(dog.id, visit.dogId))
      .leftJoin(madeMix, eq(madeMix.id, stockEntry.mixId))
      .leftJoin(bottle, eq(bottle.id, madeMix.bottleId))
      .where(and(eq(stockEntry.productId, params.id), isHere(stockEntry.branchId)))
      .orderBy(desc(stockEntry.number))
      .limit(SHOWN);
    const lots = await tx
      .select()
      .from(lot)
      .where(and(eq(lot.productId, params.id), isHere(lot.branchId)))
      .orderBy(desc(lot.deliveredOn), asc(lot.number));
    return {
      productId: params.id,
      stock: rows[0]?.entry.afterMl ?? null,
      entries: rows.map(({ entry, ...about }) => ({
        id: entry.id,
        kind: entry.kind,
        ml: entry.ml,
        afterMl: entry.afterMl,
        reason: entry.reason,
        day: entry.day as Day,
        by: entry.by,
        lot: about.lot,
        about: about.dog ?? (about.bottle && about.no !== null ? bottleWords(about.bottle, about.no) : ''),
      })),
      lots: lots.map((each) => ({
        id: each.id,
        version: each.version,
        number: each.number,
        expires: each.expires as Day | null,
        deliveredOn: each.deliveredOn as Day,
        openedOn: each.openedOn as Day | null,
        emptiedOn: each.emptiedOn as Day | null,
      })),
      keptFrom: await dogsKeptFrom(tx, its.ingredients, today),
    };
  });

  route(router, services, 'PUT /api/lots/:id', async ({ tx, params, body }) => {
    const { version, ...fields } = body;
    if (body.openedOn !== null && body.emptiedOn !== null && body.emptiedOn < body.openedOn)
      throw badField('emptiedOn', 'It was emptied before it was opened.');
    const current = async () => (await tx.select().from(lot).where(eq(lot.id, params.id)))[0];
    const write = asSeen(tx, lot, { id: params.id, version }, fields);
    return updateGuarded(write, { what: 'lot', current, yours: body });
  });

  route(router, services, 'GET /api/costs', async ({ tx, query }) => {
    if (!query) throw badField('from', 'From which day?');
    if (query.from > query.to) throw badField('to', 'It ends before it begins.');
    return costsView(tx, await loadBusiness(tx), query.from, query.to);
  });
}

/** Dogs whose instructions or past reactions name something the product lists. */
async function dogsKeptFrom(tx: Tenant, ingredients: readonly string[], today: Day) {
  if (ingredients.length === 0) return [];
  const rows = await tx
    .select({ id: dog.id, name: dog.name, profile: dog.profile })
    .from(dog)
    .where(isNull(dog.archivedOn));
  const said = group(await tx.select().from(instruction), ({ dogId }) => dogId);
  return rows.flatMap(({ id, name, profile }) => {
    const instructions = (said.get(id) ?? []).map(asInstruction);
    const lists = clashing(ingredients, toAvoid({ instructions, reactions: profile.reactions }, today));
    return lists.length > 0 ? [{ dogId: id, dog: name, lists: lists.join(', ') }] : [];
  });
}

type StockBody = ParsedBodyOf<'POST /api/stock'>;

function movementOf({ kind, ml, reason }: StockBody): Movement {
  return kind === 'count' ? { kind, counted: ml, reason } : { kind, ml, reason };
}

/** A delivery brings a lot; of one number that is there already it is more of the same. */
async function deliver(tx: Tenant, body: StockBody, today: Day): Promise<void> {
  if (!body.lot) return;
  const { id, number, expires } = body.lot;
  if (expires !== null && expires < today)
    throw badField('lot.expires', 'That expired already: send it back, or correct the date.');
  const [same] = await tx
    .select({ id: lot.id })
    .from(lot)
    .where(and(eq(lot.productId, body.productId), eq(lot.number, number), isHere(lot.branchId)));
  if (same)
    throw badField('lot.number', `Lot ${number} is there already. Enter it without a lot, or give its own number.`);
  await tx.insert(lot).values({
    id,
    productId: body.productId,
    number,
    expires,
    deliveredOn: today,
    madeFrom: contentHash(body.lot),
  });
}
