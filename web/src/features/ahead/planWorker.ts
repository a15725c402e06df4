import {
  bookOf,
  planBookings,
  proposedWeeks,
  slotWords,
  type KeptPrices,
  type PlanCosts,
  type Planning,
  type ProposedVisit,
  type ProposedWeeks,
  type Weeks,
} from '@dewpond/core/bookings';

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

/** The screen is told so often, ms. */
const TELL_EVERY = 400;
/** Nearer to the bound than this it is no use going on. */
const NEAR_ENOUGH = 0.002;

self.onmessage = ({ data }: MessageEvent<PlanQuestion>) => {
  const { weeks, costs, kept, seconds } = data;
  const began = performance.now();
  let told = -TELL_EVERY;
  const tell = (at: Planning, progress: number) => {
    const { proposals, ...rest } = proposedWeeks(weeks, at.plan(), costs, at.prices());
    const answer: PlanAnswer = {
      ...rest,
      proposals: proposals.map((each) => ({ ...each, why: each.why.map(slotWords) })),
      cost: at.cost,
      bound: at.bound,
      prices: at.prices(),
      progress,
    };
    self.postMessage(answer);
  };
  let last: Planning | null = null;
  for (const at of planBookings(bookOf(weeks), { costs, kept })) {
    last = at;
    const passed = performance.now() - began;
    if (passed >= 1000 * seconds || at.cost - at.bound < NEAR_ENOUGH * Math.abs(at.cost)) break;
    if (passed - told < TELL_EVERY) continue;
    told = passed;
    tell(at, passed / (1000 * seconds));
  }
  if (last) tell(last, 1);
};
