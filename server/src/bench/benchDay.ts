import type { AsItIsView, BatchView, BenchTrouble, BenchView, LotChoice, MixAtHand, PourView } from '@dewpond/contract';
import {
  hazardLine,
  showStrength,
  type Batch,
  type DayPlan,
  type DogNeed,
  type Pour,
  type Product,
} from '@dewpond/core/dilution';
import { millilitres, type Day } from '@dewpond/core/units';
import { mostWaste } from '@dewpond/core/ways';
import { group } from 'd3-array';
import { asc, inArray, isNull } from 'drizzle-orm';
import type { Router } from 'express';
import { appointmentsBetween } from '../appointments/queries';
import { amountUsed, lot } from '../db/schema';
import type { Tenant } from '../db/tenant';
import { planFor } from '../dogs/facts';
import { needsOfVisit } from '../dogs/mixes';
import { loadDogs } from '../dogs/records';
import type { Services } from '../http/context';
import { route } from '../http/route';
import { loadHouse, type House } from '../house/house';
import { dayIn, spanOf } from '../house/zone';
import { heavily } from '../heavy/pool';
import { asBenchMix, madeMixView, mixAtHand, standingMixes } from './standingMixes';

export function benchRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/bench', async ({ tx, query, now }): Promise<BenchView> => {
    const house = await loadHouse(tx);
    const day = query?.day ?? dayIn(house.zone, now);
    const { plan, standing, trouble } = await planOfDay(tx, house, day, now);
    const lots = await lotChoices(
      tx,
      plan.batches.map(({ product }) => product.id),
      day,
    );
    return {
      day,
      zone: house.zone,
      serverNow: now,
      batches: plan.batches.map((batch) => batchView(batch, house, lots.get(batch.product.id) ?? [])),
      asItIs: plan.asItIs.map(asItIsView),
      standing: standing.map((each) => madeMixView(each, house)),
      trouble,
    };
  });
}

/** The day's plan with what it was made from. */
async function planOfDay(tx: Tenant, house: House, day: Day, now: number) {
  const { needs, trouble } = await needsOfDay(tx, house, day);
  const standing = await standingMixes(tx);
  const plan = await heavily('plan day', {
    needs,
    standing: standing.map(asBenchMix),
    bottles: house.shelved,
    now,
    mostWaste: mostWaste(house.ways),
  });
  return { plan, standing, trouble };
}

/** Mixes of these products that a dog might have, those the day's plan pours over it first; another dog's are not among them. */
export type BenchHand = (productIds: readonly string[], dogId: string, day: Day) => Promise<MixAtHand[]>;

/**
 * The bench as it stands, for as many visits as are asked about. A day is planned once, and only where there is a
 * bottle to choose: most visits are opened without one.
 */
export async function benchHand(tx: Tenant, house: House, now: number): Promise<BenchHand> {
  const standing = await standingMixes(tx);
  const plans = new Map<Day, ReturnType<typeof planOfDay>>();
  return async (productIds, dogId, day) => {
    const fitting = standing.filter(
      ({ row }) => productIds.includes(row.productId) && (row.dogId === null || row.dogId === dogId),
    );
    if (fitting.length === 0) return [];
    const planning = plans.get(day) ?? planOfDay(tx, house, day, now);
    plans.set(day, planning);
    const { plan } = await planning;
    const meant = new Set(
      plan.batches.flatMap((batch) =>
        batch.standing.filter(({ pours: its }) => its.some((pour) => pour.dogId === dogId)).map(({ mix }) => mix),
      ),
    );
    return fitting
      .map((each) => mixAtHand(each, meant.has(each.row.id)))
      .toSorted((a, b) => Number(b.meant) - Number(a.meant));
  };
}

/** What the day's dogs still need; a visit that told what it used needs no more of that. */
async function needsOfDay(
  tx: Tenant,
  house: House,
  day: Day,
): Promise<{ readonly needs: DogNeed[]; readonly trouble: BenchTrouble[] }> {
  const { start, end } = spanOf(house.zone, day);
  const booked = (await appointmentsBetween(tx, start, end)).filter(({ state }) => state === 'booked');
  const records = await loadDogs(tx, { ids: [...new Set(booked.map(({ dogId }) => dogId))] });
  const used = await usedIn(
    tx,
    booked.flatMap(({ visitId }) => visitId ?? []),
  );
  const needs: DogNeed[] = [];
  const trouble: BenchTrouble[] = [];
  for (const appointment of booked) {
    const record = records.find(({ dog }) => dog.id === appointment.dogId);
    if (!record) continue;
    const { facts, plan } = planFor(record, house, day);
    const asked = needsOfVisit(appointment.kind, facts, plan, house, record.amountFactor);
    trouble.push(...asked.trouble.map((words) => ({ dog: record.dog.name, words })));
    for (const { product, ml } of asked.needs) {
      if (used.has(`${appointment.visitId} ${product.id}`)) continue;
      needs.push({
        visit: appointment.id,
        dogId: record.dog.id,
        dog: record.dog.name,
        at: Date.parse(appointment.startsAt),
        product,
        stroke: product.strokeMl === null ? null : millilitres(product.strokeMl),
        ml,
      });
    }
  }
  return { needs, trouble };
}

/** "visit product" of what was told as used. */
async function usedIn(tx: Tenant, visitIds: readonly string[]): Promise<Set<string>> {
  if (visitIds.length === 0) return new Set();
  const rows = await tx
    .select({ visitId: amountUsed.visitId, productId: amountUsed.productId })
    .from(amountUsed)
    .where(inArray(amountUsed.visitId, [...visitIds]));
  return new Set(rows.map(({ visitId, productId }) => `${visitId} ${productId}`));
}

async function lotChoices(tx: Tenant, productIds: readonly string[], day: Day): Promise<Map<string, LotChoice[]>> {
  if (productIds.length === 0) return new Map();
  const rows = await tx.select().from(lot).where(isNull(lot.emptiedOn)).orderBy(asc(lot.deliveredOn), asc(lot.id));
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

function batchView(batch: Batch, house: House, lots: readonly LotChoice[]): BatchView {
  const { product, strength } = batch;
  return {
    product: named(product),
    strength: showStrength(strength),
    waterParts: strength.water.toFraction(),
    strokeMl: house.products.find(({ id }) => id === product.id)?.strokeMl ?? null,
    forDog: batch.forDog,
    need: batch.need,
    wanted: batch.wanted,
    unbottled: batch.unbottled,
    atMostAbove: batch.atMostAbove,
    unserved: pours(batch.unserved),
    draws: batch.draws,
    cost: product.costPerMl === null ? null : batch.draws * product.costPerMl,
    standing: batch.standing.map(({ mix, pours: its }) => ({ mix, pours: pours(its) })),
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
