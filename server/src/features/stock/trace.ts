import type { TracedDog, Touched } from '@dewpond/contract';
import { showStrength, strengthOf } from '@dewpond/core/dilution';
import { showDay, type Day } from '@dewpond/core/units';
import { group } from 'd3-array';
import { and, asc, desc, eq, inArray, isNull, ne, or, type SQL } from 'drizzle-orm';
import type { Router } from 'express';
import {
  amountUsed,
  bottle,
  client,
  dog,
  lot,
  lotTouched,
  madeMix,
  mixLot,
  mixTaken,
  product,
} from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { bottleWords } from '../../records/shelf/openMixes';

/** So many mixes are offered to start from, newest first. */
const RECENT = 60;

/** From a lot, a bottle or a mix to the dogs that had it, and back. */
export function traceRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/trace', async ({ tx, query }) => {
    if (!query) throw notFound('trace');
    switch (query.of) {
      case 'lot':
        return traceLot(tx, query.id);
      case 'mix':
        return traceMix(tx, query.id);
      case 'bottle':
        return traceBottle(tx, query.id, query.no ?? 1);
    }
  });

  route(router, services, 'GET /api/trace/starts', async ({ tx }) => {
    const lots = await tx
      .select({ id: lot.id, number: lot.number, deliveredOn: lot.deliveredOn, product: product.name })
      .from(lot)
      .innerJoin(product, eq(product.id, lot.productId))
      .orderBy(desc(lot.deliveredOn), asc(lot.number));
    const mixes = await tx
      .select({ mix: madeMix, bottle, product: product.name })
      .from(madeMix)
      .innerJoin(bottle, eq(bottle.id, madeMix.bottleId))
      .innerJoin(product, eq(product.id, madeMix.productId))
      .where(made)
      .orderBy(desc(madeMix.measuredAt))
      .limit(RECENT);
    const bottles = await tx.select().from(bottle).orderBy(asc(bottle.line));
    return {
      lots: lots.map((each) => ({ ...each, deliveredOn: each.deliveredOn as Day })),
      mixes: mixes.map((each) => ({
        id: each.mix.id,
        day: each.mix.day as Day,
        words: `${each.product}, ${bottleWords(each.bottle, each.mix.bottleNo)}`,
      })),
      bottles: bottles.flatMap((each) =>
        Array.from({ length: each.count }, (_, i) => ({ id: each.id, no: i + 1, name: bottleWords(each, i + 1) })),
      ),
    };
  });

  route(router, services, 'GET /api/dogs/:id/touched', async ({ tx, params }) => ({
    items: await touchedDog(tx, params.id),
  }));
}

/** A mix that was really made. */
const made = or(isNull(madeMix.ended), ne(madeMix.ended, 'taken back'));

async function traceLot(tx: Tenant, id: string) {
  const [row] = await tx
    .select({ lot, product: product.name })
    .from(lot)
    .innerJoin(product, eq(product.id, lot.productId))
    .where(eq(lot.id, id));
  if (!row) throw notFound('lot');
  const mixes = await tx
    .select({ id: mixLot.mixId })
    .from(mixLot)
    .innerJoin(madeMix, eq(madeMix.id, mixLot.mixId))
    .where(and(eq(mixLot.lotId, id), made));
  const straight = await dogsOf(tx, lotTouched, eq(lotTouched.lotId, id));
  const mixed = await dogsOfMixes(
    tx,
    mixes.map((each) => each.id),
  );
  const dogs = [
    ...mixed,
    ...straight.map((each) => ({ ...each, what: 'straight from the container', override: null })),
  ];
  return {
    title: `${row.product}, lot ${row.lot.number}`,
    words: `${mixes.length > 0 ? `${count(mixes.length, 'mix', 'mixes')} from it, ` : ''}${count(new Set(dogs.map(({ dogId }) => dogId)).size, 'dog', 'dogs')}. Where two lots stood open at once, either may have been it.`,
    dogs: newestFirst(dogs),
  };
}

async function traceMix(tx: Tenant, id: string) {
  const [row] = await tx
    .select({ mix: madeMix, bottle, product: product.name })
    .from(madeMix)
    .innerJoin(bottle, eq(bottle.id, madeMix.bottleId))
    .innerJoin(product, eq(product.id, madeMix.productId))
    .where(eq(madeMix.id, id));
  if (!row) throw notFound('mix');
  const dogs = await dogsOfMixes(tx, [id]);
  return {
    title: `${row.product} ${showStrength(strengthOf(row.mix.waterParts))}, ${bottleWords(row.bottle, row.mix.bottleNo)}`,
    words: `Made on ${showDay(row.mix.day as Day)} by ${row.mix.by}; ${count(dogs.length, 'dog', 'dogs')} had it.`,
    dogs: newestFirst(dogs),
  };
}

async function traceBottle(tx: Tenant, id: string, no: number) {
  const [its] = await tx.select().from(bottle).where(eq(bottle.id, id));
  if (!its) throw notFound('bottle');
  const mixes = await tx
    .select({ id: madeMix.id })
    .from(madeMix)
    .where(and(eq(madeMix.bottleId, id), eq(madeMix.bottleNo, no), made));
  const dogs = await dogsOfMixes(
    tx,
    mixes.map((each) => each.id),
  );
  return {
    title: bottleWords(its, no),
    words: `${count(mixes.length, 'mix', 'mixes')} stood in it, ${count(new Set(dogs.map(({ dogId }) => dogId)).size, 'dog', 'dogs')} had of them.`,
    dogs: newestFirst(dogs),
  };
}

const count = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;
const newestFirst = (dogs: readonly TracedDog[]): TracedDog[] =>
  dogs.toSorted((a, b) => b.day.localeCompare(a.day) || a.dog.localeCompare(b.dog));

async function dogsOfMixes(tx: Tenant, mixIds: readonly string[]): Promise<TracedDog[]> {
  if (mixIds.length === 0) return [];
  const rows = await dogsOf(tx, mixTaken, inArray(mixTaken.mixId, [...mixIds]));
  const details = await tx
    .select({ visitId: mixTaken.visitId, override: mixTaken.override, day: madeMix.day, bottle, no: madeMix.bottleNo })
    .from(mixTaken)
    .innerJoin(madeMix, eq(madeMix.id, mixTaken.mixId))
    .innerJoin(bottle, eq(bottle.id, madeMix.bottleId))
    .where(inArray(mixTaken.mixId, [...mixIds]));
  return rows.map((row): TracedDog => {
    const its = details.filter(({ visitId }) => visitId === row.visitId);
    return {
      ...row,
      what: its.map((each) => `${bottleWords(each.bottle, each.no)} of ${showDay(each.day as Day)}`).join(', '),
      override: its.find(({ override }) => override !== null)?.override ?? null,
    };
  });
}

/** Dogs of visits, once a visit, with whom to ring. */
async function dogsOf(tx: Tenant, table: typeof mixTaken | typeof lotTouched, where: SQL) {
  const rows = await tx
    .selectDistinct({
      dogId: table.dogId,
      visitId: table.visitId,
      day: table.day,
      dog: dog.name,
      ownerId: client.id,
      owner: client.name,
      card: client.card,
    })
    .from(table)
    .innerJoin(dog, eq(dog.id, table.dogId))
    .innerJoin(client, eq(client.id, dog.clientId))
    .where(where);
  return rows.map(({ card, day, ...row }) => ({ ...row, day: day as Day, phone: card.phones[0]?.number ?? '' }));
}

/** What touched a dog, newest visit first: each product with its mix and lots. */
async function touchedDog(tx: Tenant, dogId: string): Promise<Touched[]> {
  const [known] = await tx.select({ id: dog.id }).from(dog).where(eq(dog.id, dogId));
  if (!known) throw notFound('dog');
  const used = await tx
    .select({ visitId: amountUsed.visitId, day: amountUsed.day, productId: product.id, product: product.name })
    .from(amountUsed)
    .innerJoin(product, eq(product.id, amountUsed.productId))
    .where(eq(amountUsed.dogId, dogId))
    .orderBy(desc(amountUsed.day), asc(product.name));
  const mixes = await tx
    .select({ taken: mixTaken, mix: madeMix, bottle })
    .from(mixTaken)
    .innerJoin(madeMix, eq(madeMix.id, mixTaken.mixId))
    .innerJoin(bottle, eq(bottle.id, madeMix.bottleId))
    .where(eq(mixTaken.dogId, dogId));
  const mixLots = await lotsOfMixes(
    tx,
    mixes.map(({ mix }) => mix.id),
  );
  const straight = await tx
    .select({ visitId: lotTouched.visitId, productId: lot.productId, id: lot.id, number: lot.number })
    .from(lotTouched)
    .innerJoin(lot, eq(lot.id, lotTouched.lotId))
    .where(eq(lotTouched.dogId, dogId));
  return used.flatMap(({ productId, ...each }): Touched[] => {
    const its = mixes.filter(({ taken, mix }) => taken.visitId === each.visitId && mix.productId === productId);
    const base = { visitId: each.visitId, day: each.day as Day, product: each.product };
    if (its.length === 0) {
      const lots = straight.filter((row) => row.visitId === each.visitId && row.productId === productId);
      const open = lots.map(({ id, number }) => ({ id, number }));
      return [{ ...base, strength: null, bottle: null, mixId: null, lots: open, override: null }];
    }
    return its.map(({ taken, mix, bottle: stood }) => ({
      ...base,
      strength: showStrength(strengthOf(mix.waterParts)),
      bottle: bottleWords(stood, mix.bottleNo),
      mixId: mix.id,
      lots: (mixLots.get(mix.id) ?? []).map(({ id, number }) => ({ id, number })),
      override: taken.override,
    }));
  });
}

async function lotsOfMixes(tx: Tenant, mixIds: readonly string[]) {
  if (mixIds.length === 0) return new Map<string, { mixId: string; id: string; number: string }[]>();
  const rows = await tx
    .select({ mixId: mixLot.mixId, id: lot.id, number: lot.number })
    .from(mixLot)
    .innerJoin(lot, eq(lot.id, mixLot.lotId))
    .where(inArray(mixLot.mixId, [...mixIds]));
  return group(rows, ({ mixId }) => mixId);
}
