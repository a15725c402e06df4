import type { MixingTrouble, AvailableMix } from '@dewpond/contract';
import type { DogNeed } from '@dewpond/core/dilution';
import { millilitres, type Day } from '@dewpond/core/units';
import { mostWaste } from '@dewpond/core/ways';
import { inArray } from 'drizzle-orm';
import { amountUsed } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { inThread } from '../../platform/threads/pool';
import { spanOf } from '../../platform/time/zone';
import { appointmentsBetween } from '../appointments/appointments';
import type { StockedBusiness } from '../business/business';
import { needsOfVisit } from '../dog/bathNeeds';
import { loadDogs } from '../dog/dogRecord';
import { planFor } from '../dog/facts';
import { DAY_PLAN } from './dayPlanWork';
import { asOpenMix, availableMix, loadOpenMixes } from '../shelf/openMixes';

/** The day's plan with what it was made from. */
export async function planOfDay(tx: Tenant, business: StockedBusiness, day: Day, now: number) {
  const { needs, trouble } = await needsOfDay(tx, business, day);
  const openMixes = await loadOpenMixes(tx);
  const plan = await inThread(DAY_PLAN, {
    needs,
    openMixes: openMixes.map(asOpenMix),
    bottles: business.shelved,
    now,
    mostWaste: mostWaste(business.ways),
  });
  return { plan, openMixes, trouble };
}

/** Mixes of these products that a dog might have, those the day's plan pours over it first; another dog's are not among them. */
export type MixesAvailable = (productIds: readonly string[], dogId: string, day: Day) => Promise<AvailableMix[]>;

/**
 * The bench as it stands, for as many visits as are asked about. A day is planned once, and only where there is a
 * bottle to choose: most visits are opened without one.
 */
export async function mixesAvailable(tx: Tenant, business: StockedBusiness, now: number): Promise<MixesAvailable> {
  const openMixes = await loadOpenMixes(tx);
  const plans = new Map<Day, ReturnType<typeof planOfDay>>();
  return async (productIds, dogId, day) => {
    const fitting = openMixes.filter(
      ({ row }) => productIds.includes(row.productId) && (row.dogId === null || row.dogId === dogId),
    );
    if (fitting.length === 0) return [];
    const planning = plans.get(day) ?? planOfDay(tx, business, day, now);
    plans.set(day, planning);
    const { plan } = await planning;
    const meant = new Set(
      plan.batches.flatMap((batch) =>
        batch.openMixes.filter(({ pours: its }) => its.some((pour) => pour.dogId === dogId)).map(({ mix }) => mix),
      ),
    );
    return fitting
      .map((each) => availableMix(each, meant.has(each.row.id)))
      .toSorted((a, b) => Number(b.meant) - Number(a.meant));
  };
}

/** What the day's dogs still need; a visit that told what it used needs no more of that. */
async function needsOfDay(
  tx: Tenant,
  business: StockedBusiness,
  day: Day,
): Promise<{ readonly needs: DogNeed[]; readonly trouble: MixingTrouble[] }> {
  const { start, end } = spanOf(business.zone, day);
  const booked = (await appointmentsBetween(tx, start, end)).filter(({ state }) => state === 'booked');
  const records = await loadDogs(tx, { ids: [...new Set(booked.map(({ dogId }) => dogId))] });
  const used = await usedIn(
    tx,
    booked.flatMap(({ visitId }) => visitId ?? []),
  );
  const needs: DogNeed[] = [];
  const trouble: MixingTrouble[] = [];
  for (const appointment of booked) {
    const record = records.find(({ dog }) => dog.id === appointment.dogId);
    if (!record) continue;
    const asked = needsOfVisit(appointment, planFor(record, business, day), business, record.amountFactor);
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
