import { carryOver, type PlanQuestion, type Weeks } from '@dewpond/core/bookings';
import type { AheadView } from '@dewpond/contract';
import { z } from 'zod';
import { isNull } from 'drizzle-orm';
import { isHere, standAt } from '../../platform/db/branch';
import { branch, weekPlan } from '../../platform/db/schema';
import { inTenant, type BusinessId, type Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import type { JobKind } from '../../platform/jobs/jobs';
import { inThread } from '../../platform/threads/pool';
import { dayIn, minuteIn } from '../../platform/time/zone';
import { loadBusiness } from '../../records/business/business';
import { reckonAll } from '../../records/due/bookDue';
import { keptPrices, loadWeeks } from '../../records/weeks/loadWeeks';
import { PLAN_WEEKS } from './planWork';

/** Weeks ahead: eight, where nothing else is asked for. */
export const USUAL_DAYS = 56;
/** Nobody plans by hand before three in the morning [house value]. */
const AFTER = 3 * 60;
/** As long as somebody at the desk would wait, twice, s [house value]. */
const SECONDS = 20;

export const NIGHT_JOB: JobKind<{ businessId: string }> = {
  queue: 'night-plan',
  ids: z.object({ businessId: z.uuid() }),
  everySeconds: 20,
  atOnce: 1,
  oncePer: ({ businessId }) => businessId,
};

/**
 * Plans the weeks of each branch of a business once a day, at the first chance from three o'clock on its own clock, so that who opens Ahead in
 * the morning finds a plan and what the days are worth. Answers whether it planned.
 */
export async function planAtNight(services: Services, businessId: BusinessId): Promise<boolean> {
  const now = services.now();
  const due = await inTenant(services.databases, businessId, async (tx) => {
    const { zone } = await loadBusiness(tx);
    if (minuteIn(zone, new Date(now)) < AFTER) return [];
    const open = await tx.select({ id: branch.id }).from(branch).where(isNull(branch.closedOn));
    const kept = await tx.select({ id: weekPlan.branchId, madeOn: weekPlan.madeOn }).from(weekPlan);
    return open.filter(({ id }) => kept.find((each) => each.id === id)?.madeOn !== dayIn(zone, now));
  });
  if (due.length === 0) return false;
  await reckonAll(services, businessId);
  for (const { id } of due) await planBranch(services, businessId, id);
  return true;
}

async function planBranch(services: Services, businessId: BusinessId, branchId: string): Promise<void> {
  const now = services.now();
  const question = await inTenant(services.databases, businessId, async (tx) => {
    await standAt(tx, branchId);
    return questionOf(tx, now);
  });
  const answer = await inThread(PLAN_WEEKS, question);
  const { first, booked } = question.weeks;
  await inTenant(services.databases, businessId, (tx) => {
    const found = {
      madeOn: first,
      plan: answer && {
        ...{ proposals: answer.proposals, unplaced: answer.unplaced, cost: answer.cost },
        // Nobody knows how far it is from the best where the bound is not known.
        bound: Number.isFinite(answer.bound) ? answer.bound : 0,
        known: booked.map(({ id }) => id),
      },
      firstDay: first,
      prices: answer?.prices ?? question.kept,
    };
    return keepWeeks(tx, { branchId, ...found });
  });
}

/** Keeps what was found for the weeks of a branch; without one, of that in force. */
export const keepWeeks = (tx: Tenant, found: typeof weekPlan.$inferInsert) =>
  tx
    .insert(weekPlan)
    .values(found)
    .onConflictDoUpdate({ target: [weekPlan.businessId, weekPlan.branchId], set: found });

async function questionOf(tx: Tenant, now: number): Promise<PlanQuestion> {
  const { zone, places, planCosts: costs } = await loadBusiness(tx);
  const first = dayIn(zone, now);
  const weeks = await loadWeeks(tx, { zone, now, first, days: USUAL_DAYS, places });
  return { weeks, costs, kept: await keptPrices(tx, first), seconds: SECONDS };
}

/** What of the plan of last night still holds for these weeks; null where none was made for them. */
export async function planOfNight(tx: Tenant, weeks: Weeks): Promise<AheadView['night']> {
  const [row] = await tx
    .select({ madeOn: weekPlan.madeOn, plan: weekPlan.plan })
    .from(weekPlan)
    .where(isHere(weekPlan.branchId));
  if (!row?.plan || row.madeOn !== weeks.first || weeks.days !== USUAL_DAYS) return null;
  const { known, cost, bound, ...plan } = row.plan;
  const holds = carryOver({ ...plan, days: [] }, new Set(known), weeks);
  const isWhole = holds.proposals.length === plan.proposals.length && weeks.booked.length === known.length;
  return { ...holds, cost, bound: isWhole ? bound : 0 };
}
