import { evaluatePlan } from './evaluatePlan';
import type { PlanCosts } from './costs';
import type { KeptPrices } from './dayPrices';
import { planBookings, type Planning } from './planner';
import { proposedWeeks, type ProposedVisit, type ProposedWeeks } from './proposals';
import { slotWords } from './slotWords';
import { bookOf, type Weeks } from './weeks';

/** Weeks to be planned, for so many seconds at the most. */
export interface PlanQuestion {
  readonly weeks: Weeks;
  readonly costs: PlanCosts;
  readonly kept: KeptPrices;
  readonly seconds: number;
}

export type ToldProposal = Omit<ProposedVisit, 'why'> & { readonly why: readonly string[] };

/** How far planning is, with the best plan so far. */
export interface PlanAnswer extends Omit<ProposedWeeks, 'proposals'> {
  readonly proposals: readonly ToldProposal[];
  readonly cost: number;
  /** No plan costs less; below nothing while that is not known. */
  readonly bound: number;
  /** What the days are worth. */
  readonly prices: KeptPrices;
  /** Share of the time that is used up, 1 when it has ended. */
  readonly progress: number;
}

/** Whoever waits is told so often, ms. */
const TELL_EVERY = 400;
/** Nearer to the bound than this it is no use going on. */
const NEAR_ENOUGH = 0.002;

/**
 * Plans weeks for as long as it may, and tells the best plan so far from time to time, the last one with progress 1. `now` is a
 * clock, ms. A plan of its first round is always told, however little time there is.
 */
export function planInTime(
  { weeks, costs, kept, seconds }: PlanQuestion,
  now: () => number,
  tell: (answer: PlanAnswer) => void,
): void {
  const began = now();
  let told = -TELL_EVERY;
  let last: Planning | null = null;
  for (const at of planBookings(bookOf(weeks), { costs, kept })) {
    last = at;
    const passed = now() - began;
    if (passed >= 1000 * seconds || at.cost - at.bound < NEAR_ENOUGH * Math.abs(at.cost)) break;
    if (passed - told < TELL_EVERY) continue;
    told = passed;
    tell(answerOf(weeks, costs, at, passed / (1000 * seconds)));
  }
  if (last) tell(answerOf(weeks, costs, last, 1));
}

function answerOf(weeks: Weeks, costs: PlanCosts, at: Planning, progress: number): PlanAnswer {
  const { proposals, gaveWay, ...rest } = proposedWeeks(weeks, at.plan(), costs, at.prices());
  return {
    ...rest,
    proposals: proposals.map((each) => ({ ...each, why: each.why.map(slotWords) })),
    cost: gaveWay ? evaluatePlan(bookOf(weeks), gaveWay, costs).total : at.cost,
    bound: at.bound,
    prices: at.prices(),
    progress,
  };
}
