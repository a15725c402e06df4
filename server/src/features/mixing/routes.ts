import type { Shelf } from '../../records/shelf/shelf';
import type { AsItIsView, BatchView, MixingView, LotChoice, PourView } from '@dewpond/contract';
import { hazardLine, showStrength, type Batch, type DayPlan, type Pour, type Product } from '@dewpond/core/dilution';
import { type Day } from '@dewpond/core/units';
import { group } from 'd3-array';
import { and, asc, isNull } from 'drizzle-orm';
import type { Router } from 'express';
import { planOfDay } from '../../records/mixing/dayPlan';
import { isHere } from '../../platform/db/branch';
import { lot } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { route } from '../../platform/http/route';
import { loadStockedBusiness } from '../../records/business/business';
import { madeMixView } from '../../records/shelf/openMixes';

export function mixingRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/mixing', async ({ tx, query, now, today }): Promise<MixingView> => {
    const business = await loadStockedBusiness(tx);
    const day = query?.day ?? today;
    const { plan, openMixes, trouble } = await planOfDay(tx, business, day, now);
    const lots = await lotChoices(
      tx,
      plan.batches.map(({ product }) => product.id),
      day,
    );
    return {
      day,
      zone: business.zone,
      serverNow: now,
      batches: plan.batches.map((batch) => batchView(batch, business, lots.get(batch.product.id) ?? [])),
      asItIs: plan.asItIs.map(asItIsView),
      openMixes: openMixes.map((each) => madeMixView(each, business)),
      trouble,
    };
  });
}

async function lotChoices(tx: Tenant, productIds: readonly string[], day: Day): Promise<Map<string, LotChoice[]>> {
  if (productIds.length === 0) return new Map();
  const rows = await tx
    .select()
    .from(lot)
    .where(and(isNull(lot.emptiedOn), isHere(lot.branchId)))
    .orderBy(asc(lot.deliveredOn), asc(lot.id));
  const choices = rows
    .filter(({ productId }) => productIds.includes(productId))
    .map(({ id, number, productId, expires, openedOn }) => ({
      productId,
      choice: { id, number, expires, expired: expires !== null && expires < day, open: openedOn !== null },
    }));
  return new Map(
    [...group(choices, ({ productId }) => productId)].map(([id, list]) => [id, list.map(({ choice }) => choice)]),
  );
}

const pours = (list: readonly Pour[]): PourView[] => list.map(({ dogId, dog, ml }) => ({ dogId, dog, ml }));

const named = ({ id, name, kind, label, cautions }: Product): BatchView['product'] => ({
  id,
  name,
  kind,
  label,
  hazard: hazardLine(cautions),
});

function batchView(batch: Batch, shelf: Shelf, lots: readonly LotChoice[]): BatchView {
  const { product, strength } = batch;
  return {
    product: named(product),
    strength: showStrength(strength),
    waterParts: strength.water.toFraction(),
    strokeMl: shelf.products.find(({ id }) => id === product.id)?.strokeMl ?? null,
    forDog: batch.forDog,
    need: batch.need,
    wanted: batch.wanted,
    unbottled: batch.unbottled,
    atMostAbove: batch.atMostAbove,
    unserved: pours(batch.unserved),
    draws: batch.draws,
    cost: product.costPerMl === null ? null : batch.draws * product.costPerMl,
    openMixes: batch.openMixes.map(({ mix, pours: its }) => ({ mix, pours: pours(its) })),
    bottles: batch.bottles.map(({ bottle, how, pours: its }) => ({
      bottle,
      by: how.by,
      strokes: how.by === 'millilitres' ? null : how.strokes,
      product: how.product,
      water: how.water,
      total: how.total,
      realised: showStrength(how.realised),
      error: how.error,
      pours: pours(its),
    })),
    lots,
  };
}

const asItIsView = ({ product, need, dogs }: DayPlan['asItIs'][number]): AsItIsView => ({
  product: named(product),
  need,
  dogs: pours(dogs),
});
