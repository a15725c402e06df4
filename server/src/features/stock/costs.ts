import type { CostsView } from '@dewpond/contract';
import { wasteByMonth } from '@dewpond/core/stock';
import type { Day } from '@dewpond/core/units';
import { rollup, sum } from 'd3-array';
import { and, asc, eq, gte, inArray, lte } from 'drizzle-orm';
import { amountUsed, dog, madeMix, product } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Business } from '../../records/business/business';

/** Cost of product by visit, dog, product and month, and what was mixed and thrown away, between two days. */
export async function costsView(tx: Tenant, business: Business, from: Day, to: Day): Promise<CostsView> {
  const uses = await tx
    .select({
      visitId: amountUsed.visitId,
      dogId: amountUsed.dogId,
      dog: dog.name,
      productId: amountUsed.productId,
      product: product.name,
      day: amountUsed.day,
      ml: amountUsed.productMl,
      cost: amountUsed.cost,
    })
    .from(amountUsed)
    .innerJoin(dog, eq(dog.id, amountUsed.dogId))
    .innerJoin(product, eq(product.id, amountUsed.productId))
    .where(and(gte(amountUsed.day, from), lte(amountUsed.day, to)))
    .orderBy(asc(amountUsed.day));
  const cost = (list: typeof uses) => sum(list, (each) => each.cost ?? 0);
  const visits = (list: typeof uses) => new Set(list.map(({ visitId }) => visitId)).size;
  const by = <T>(key: (use: (typeof uses)[number]) => string, view: (list: typeof uses) => T): [string, T][] => [
    ...rollup(uses, view, key),
  ];
  const dearest = <T extends { cost: number }>(list: T[]): T[] => list.toSorted((a, b) => b.cost - a.cost);
  return {
    currency: business.currency,
    months: by(
      ({ day }) => day.slice(0, 7),
      (list) => ({ cost: cost(list), visits: visits(list) }),
    ).map(([month, each]) => ({ month, ...each })),
    products: dearest(
      by(
        ({ productId }) => productId,
        (list) => ({ name: list[0]?.product ?? '', cost: cost(list), ml: sum(list, ({ ml }) => ml) }),
      ).map(([id, each]) => ({ id, ...each })),
    ),
    dogs: dearest(
      by(
        ({ dogId }) => dogId,
        (list) => ({ name: list[0]?.dog ?? '', cost: cost(list), visits: visits(list) }),
      ).map(([id, each]) => ({ id, ...each })),
    ),
    visits: by(
      ({ visitId }) => visitId,
      (list) => ({
        dogId: list[0]?.dogId ?? '',
        dog: list[0]?.dog ?? '',
        day: (list[0]?.day ?? from) as Day,
        cost: cost(list),
      }),
    )
      .map(([visitId, each]) => ({ visitId, ...each }))
      .toReversed(),
    waste: wasteByMonth(await endedMixes(tx, from, to)),
    unpriced: uses.filter(({ cost: paid }) => paid === null).length,
  };
}

/** Mixes whose bottle was emptied in that time: what they held, and what went down the drain. */
async function endedMixes(tx: Tenant, from: Day, to: Day) {
  const rows = await tx
    .select()
    .from(madeMix)
    .where(
      and(gte(madeMix.endedOn, from), lte(madeMix.endedOn, to), inArray(madeMix.ended, ['used up', 'poured away'])),
    );
  return rows.map(({ productId, endedOn, productMl, totalMl, leftMl, costPerMl }) => {
    const thrown = ((leftMl ?? 0) / totalMl) * productMl;
    return {
      productId,
      day: (endedOn ?? from) as Day,
      mixed: productMl,
      thrown,
      cost: costPerMl === null ? null : thrown * costPerMl,
    };
  });
}
