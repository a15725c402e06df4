import { addDays, type Day } from '../units';

/** What one visit of a dog takes of one product as bought, ml. */
export interface UsePerVisit {
  readonly productId: string;
  readonly ml: number;
}

/** When a dog comes: what is booked, and from when and how often it is due. */
export interface Coming {
  readonly booked: readonly Day[];
  /** First due day, whether booked or not; null: nothing recurring. */
  readonly due: Day | null;
  /** Days between visits; null: does not recur. */
  readonly every: number | null;
  readonly uses: readonly UsePerVisit[];
}

export interface ExpectedUse {
  readonly productId: string;
  readonly day: Day;
  readonly ml: number;
  /** Standard deviation as a share of `ml`. */
  readonly spread: number;
}

/**
 * How far a visit's use strays from what is reckoned, as a share [house values]: a booked one by the amount alone, one
 * that is only due also by whether and when the dog comes.
 */
export const SPREAD = { booked: 0.25, due: 0.6 } as const;

/** Uses from `today` to `until`: booked days, then every interval after the last of them; what is late is due today. */
export function expectUses(dogs: Iterable<Coming>, today: Day, until: Day): ExpectedUse[] {
  const uses: ExpectedUse[] = [];
  for (const { booked, due, every, uses: takes } of dogs) {
    const ahead = booked.filter((day) => day >= today).toSorted();
    for (const day of ahead)
      if (day <= until) for (const { productId, ml } of takes) uses.push({ productId, day, ml, spread: SPREAD.booked });
    for (const day of dueDays(ahead.at(-1), due, every, today, until))
      for (const { productId, ml } of takes) uses.push({ productId, day, ml, spread: SPREAD.due });
  }
  return uses;
}

function dueDays(lastBooked: Day | undefined, due: Day | null, every: number | null, today: Day, until: Day): Day[] {
  const step = every === null ? null : Math.max(1, every);
  const days: Day[] = [];
  let next: Day | null;
  if (lastBooked === undefined) next = due !== null && due < today ? today : due;
  else next = step === null ? null : addDays(lastBooked, step);
  while (next !== null && next <= until) {
    days.push(next);
    next = step === null ? null : addDays(next, step);
  }
  return days;
}
