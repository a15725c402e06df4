import type { Book, PlannedVisit } from './book';
import { PLAN_COSTS, type PlanCosts } from './costs';
import { DayPrices, type KeptPrices } from './dayPrices';
import { tablesOf } from './dogTables';
import { OpenPlan } from './openPlan';
import { LargeNeighbourhoods } from './neighbourhoods';
import { randomFrom } from '../seeds';

export interface PlannerOptions {
  readonly costs?: PlanCosts;
  /** The same seed and the same number of rounds give the same plan. */
  readonly seed?: number;
  /** Prices of last time: a good start. */
  readonly kept?: KeptPrices;
}

/** Where planning stands. It may be stopped at any round; what it found so far holds. */
export interface Planning {
  readonly round: number;
  /** What the best plan costs, and what no plan can cost less than. */
  readonly cost: number;
  readonly bound: number;
  /** The best plan, made when asked for. */
  readonly plan: () => PlannedVisit[];
  readonly prices: () => KeptPrices;
}

/** Steps of the day prices before the first plan, and after it while they still rise. */
const FIRST_STEPS = 24;
const LATER_STEPS = 400;
/** Neighbourhoods tried in one round, for each dog. */
const TRIES_PER_DOG = 0.25;

/**
 * Plans a book, anytime: the first value is the first plan, each further one is no worse. Ends by itself when the plan
 * costs what the bound says. Memory grows with dogs × days. Throws `RangeError` on a book that cannot be planned.
 *
 * First the days get prices, then dogs are placed by urgency into the room there is, then parts of the plan are taken out
 * and put in anew.
 */
export function* planBookings(book: Book, options: PlannerOptions = {}): Generator<Planning, void> {
  const { costs = PLAN_COSTS, seed = 1, kept = {} } = options;
  const tables = tablesOf(book, costs);
  const days = new DayPrices(book, tables, kept);
  const isKnown = Object.keys(kept).length > 0;
  if (isKnown) days.step(0);
  else for (let i = 0; i < FIRST_STEPS; i++) days.roughStep();
  const open = new OpenPlan(book, costs, days.prices, tables);
  for (const dog of byUrgency(book)) open.insert(dog, 1);
  const search = new LargeNeighbourhoods(book, open, randomFrom(seed));
  const tries = Math.max(20, Math.round(TRIES_PER_DOG * book.dogs.length));
  for (let round = 0; ; round++) {
    const { bestCost: cost } = search;
    yield { round, cost, bound: days.bound, plan: () => search.best(), prices: () => days.kept() };
    if (cost - days.bound < 1e-6 || book.dogs.length === 0) return;
    if (round < LATER_STEPS) days.step(cost);
    search.run(tries);
  }
}

/** Dogs whose care is late first; of equals, those for which less suits. */
function byUrgency({ dogs }: Book): number[] {
  const latest = dogs.map(({ care }) => Math.min(...care.map((each) => each.last + each.latest)));
  const choices = dogs.map(({ needs, wishes }) => (needs.slot || needs.people || wishes.days ? 0 : 1));
  return [...dogs.keys()].toSorted((a, b) => choices[a]! - choices[b]! || latest[a]! - latest[b]!);
}
