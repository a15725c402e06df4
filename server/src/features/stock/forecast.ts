import type { StockLine, StockView } from '@dewpond/contract';
import {
  HORIZON_WEEKS,
  comings,
  expectDraws,
  forecastStock,
  isLongAway,
  noDraw,
  orderState,
  type Coming,
  type Draw,
} from '@dewpond/core/stock';
import { addDays, daysBetween, type Day } from '@dewpond/core/units';
import { group, rollup, sum } from 'd3-array';
import { and, asc, eq, gte, isNull, lt } from 'drizzle-orm';
import { leftIn, loadOpenMixes } from '../../records/shelf/openMixes';
import { isHere } from '../../platform/db/branch';
import { appointment, dog, dogDue, lot } from '../../platform/db/schema';
import type { Asker } from '../../platform/asker';
import type { Tenant } from '../../platform/db/tenant';
import { inPieces } from '../../platform/db/together';
import { dueSince } from '../../records/due/bookDue';
import { type StockedBusiness, type Business } from '../../records/business/business';
import type { StockedProduct } from '../../records/shelf/shelf';
import { dayIn, spanOf } from '../../platform/time/zone';
import { stockByProduct } from '../../records/shelf/ledger';

/** Stock of every product through the coming weeks, from booked and due visits. */
export async function stockView(
  tx: Tenant,
  asker: Pick<Asker, 'businessId'>,
  business: StockedBusiness,
  today: Day,
  now: number,
): Promise<StockView> {
  const { due, left: waiting } = await dueSince(tx, asker, today);
  const until = addDays(today, HORIZON_WEEKS * 7);
  const dogs = await comingDogs(tx, business, today, until, due);
  const draws = expectDraws(dogs, today);
  const stock = await stockByProduct(tx);
  const inOpenMixes = await productInMix(tx, now);
  const lots = await tx
    .select()
    .from(lot)
    .where(and(isNull(lot.emptiedOn), isHere(lot.branchId)))
    .orderBy(asc(lot.deliveredOn));
  const lines = business.products.map((product) =>
    stockLine(product, stock.get(product.id) ?? null, draws.get(product.id) ?? noDraw(), today, {
      inOpenMixes: inOpenMixes.get(product.id) ?? 0,
      expired: lots
        .filter(({ productId, expires }) => productId === product.id && expires !== null && expires < today)
        .map(({ number }) => number),
    }),
  );
  return {
    today,
    currency: business.currency,
    lines: lines.toSorted(byUrgency),
    waiting,
    dogs: dogs.length,
    longAway: longAway(dogs, today),
  };
}

function stockLine(
  { id, name, row, costPerMl }: StockedProduct,
  stock: number | null,
  draw: Draw,
  today: Day,
  { expired, inOpenMixes }: Pick<StockLine, 'expired' | 'inOpenMixes'>,
): StockLine {
  const { containerMl, leadDays, safetyMl, supplier } = row;
  const seen = forecastStock({
    stock: (stock ?? 0) + inOpenMixes,
    draw,
    today,
    leadDays,
    safety: safetyMl,
    container: containerMl,
  });
  const known = stock !== null;
  return {
    productId: id,
    name,
    stock,
    inOpenMixes,
    containerMl,
    price: costPerMl === null || containerMl === null ? null : Math.round(costPerMl * containerMl * 100) / 100,
    leadDays,
    safetyMl,
    supplier,
    runsOut: known ? seen.runsOut : null,
    runsOutAtWorst: known ? seen.runsOutAtWorst : null,
    orderBy: known ? seen.orderBy : null,
    state: known ? orderState(seen, today) : 'not counted',
    takes: seen.takes,
    containers: known ? seen.containers : 0,
    points: known ? seen.points.filter((_, i) => i % 7 === 0) : [],
    expired,
  };
}

/** Dogs overdue by more than their interval with nothing booked, the likeliest to come first. */
const longAway = (dogs: readonly NamedComing[], today: Day): StockView['longAway'] =>
  dogs
    .filter((dog) => isLongAway(dog, today))
    .map((dog) => ({
      dogId: dog.dogId,
      dog: dog.dog,
      overdueDays: dog.due === null ? 0 : daysBetween(dog.due, today),
      chance: comings(dog, today, 0).stillComes,
    }))
    .toSorted((a, b) => b.chance - a.chance || a.dog.localeCompare(b.dog));

/** Product in fresh mixes at the bench, ml by product: what today's dogs take of it is not drawn again. */
async function productInMix(tx: Tenant, now: number): Promise<Map<string, number>> {
  const fresh = (await loadOpenMixes(tx)).filter(({ row }) => row.discardAt.getTime() > now);
  return rollup(
    fresh,
    (list) => sum(list, (mix) => (leftIn(mix) / mix.row.totalMl) * mix.row.productMl),
    ({ row }) => row.productId,
  );
}

const URGENCY: readonly StockLine['state'][] = ['late', 'this week', 'later', 'not counted', 'enough'];
const byUrgency = (a: StockLine, b: StockLine): number =>
  URGENCY.indexOf(a.state) - URGENCY.indexOf(b.state) ||
  (a.orderBy ?? '9').localeCompare(b.orderBy ?? '9') ||
  a.name.localeCompare(b.name);

type NamedComing = Coming & { readonly dogId: string; readonly dog: string };

/** Dogs that are there, with their bookings ahead and what was kept of their due visits. */
async function comingDogs(
  tx: Tenant,
  { zone }: Business,
  today: Day,
  until: Day,
  since: Awaited<ReturnType<typeof dueSince>>['due'],
): Promise<NamedComing[]> {
  const { start } = spanOf(zone, today);
  const { end } = spanOf(zone, until);
  const booked = await tx
    .select({ dogId: appointment.dogId, at: appointment.startsAt })
    .from(appointment)
    .where(and(gte(appointment.startsAt, start), lt(appointment.startsAt, end), eq(appointment.state, 'booked')));
  const bookedOf = group(booked, ({ dogId }) => dogId);
  const pieces = inPieces(tx, (from) =>
    from
      .select({ id: dog.id, name: dog.name, stored: dogDue.takes, madeOn: dogDue.madeOn })
      .from(dog)
      .leftJoin(dogDue, eq(dogDue.dogId, dog.id))
      .where(and(isNull(dog.archivedOn), isHere(dog.branchId))),
  );
  const dogs: NamedComing[] = [];
  for await (const rows of pieces)
    for (const { id, name, stored, madeOn } of rows) {
      const takes = since.get(id)?.takes ?? (madeOn === today ? stored : null);
      if (takes === null) continue;
      const booked = (bookedOf.get(id) ?? []).map(({ at }) => dayIn(zone, at));
      dogs.push({ ...takes, dogId: id, dog: name, booked });
    }
  return dogs;
}
