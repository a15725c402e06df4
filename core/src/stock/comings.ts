import { daysBetween, type Day } from '../units';

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
  /** Days between visits, this dog's own where they are known; null: does not recur. */
  readonly every: number | null;
  readonly uses: readonly UsePerVisit[];
}

/**
 * How dogs come, against when they are due [house values]. Most come a little late; some stay away long and come again; some
 * leave after a visit and never do.
 */
export const COMING = {
  /** A booked dog that does not come, and then comes so many days later. */
  noShow: 0.05,
  comesAfter: 7,
  leaves: 0.03,
  /** Share of gaps between visits, their middle as a share of the usual gap, and their spread in log time. */
  gaps: [
    { share: 0.85, middle: 1.03, spread: 0.18 },
    { share: 0.15, middle: 1.6, spread: 0.5 },
  ],
} as const;

/** How often a dog has come by the end of a day, today first: expected, and the expected square. */
export interface Comings {
  readonly mean: Float64Array;
  readonly square: Float64Array;
  /** Chance that it still is a client at all; 1 with a booking. */
  readonly stillComes: number;
}

/** Gaps are reckoned as far as this many usual ones; who stays away longer has left. */
const LONGEST = 12;

/**
 * Reckons when a dog comes through so many days: a chain of visits, each a random gap after the one before. A dog that is
 * due and has not come is expected as its gap, longer than so far, lets one expect; the longer it stays away the less
 * likely that it comes at all.
 */
export function comings({ booked, due, every }: Omit<Coming, 'uses'>, today: Day, days: number): Comings {
  const ahead = booked.map((day) => daysBetween(today, day)).filter((at) => at >= 0);
  const last = Math.max(...ahead);
  const { first, stillComes } =
    ahead.length > 0
      ? { first: bookedOn(last, days), stillComes: 1 }
      : due === null
        ? { first: new Float64Array(days + 1), stillComes: 1 }
        : firstUnbooked(daysBetween(today, due), every, days);
  const mean = new Float64Array(days + 1);
  const square = new Float64Array(days + 1);
  const gap = every === null ? null : gapOf(every);
  for (let visit = 1, at: Float64Array | null = first; at; visit++) {
    let soFar = 0;
    for (let day = 0; day <= days; day++) {
      soFar += at[day] ?? 0;
      mean[day] = (mean[day] ?? 0) + soFar;
      // The n-th visit is there by that day: the count is n or more, and its square grows by 2n − 1.
      square[day] = (square[day] ?? 0) + (2 * visit - 1) * soFar;
    }
    at = gap && soFar > 1e-4 ? after(at, gap) : null;
  }
  for (const at of ahead) if (at !== last) addBooking(mean, square, at);
  return { mean, square, stillComes };
}

/** Visits that must lie between before a dog's own gap counts for more than the plan's interval [house value]. */
const OWN_GAPS = 2;
/** Its latest gaps only: habits change. */
const LATEST = 6;

/**
 * How often a dog comes, days: the middle of its own latest gaps, oldest visit first; null with fewer than three visits. Two
 * visits of one day are one.
 */
export function ownGap(visits: readonly Day[]): number | null {
  const days = [...new Set(visits)];
  const gaps = days.slice(1).map((day, i) => daysBetween(days[i] ?? day, day));
  const latest = gaps.slice(-LATEST).toSorted((a, b) => a - b);
  const middle = latest[Math.floor((latest.length - 1) / 2)];
  return latest.length < OWN_GAPS || middle === undefined ? null : middle;
}

/** Whether a dog is overdue by more than its interval, with nothing booked. */
export const isLongAway = ({ booked, due, every }: Omit<Coming, 'uses'>, today: Day): boolean =>
  due !== null && every !== null && daysBetween(due, today) > every && !booked.some((day) => day >= today);

/** One more booking, on its own: it moves no other visit. */
function addBooking(mean: Float64Array, square: Float64Array, at: number): void {
  const comes = 1 - COMING.noShow;
  for (let day = at; day < mean.length; day++) {
    const before = mean[day] ?? 0;
    square[day] = (square[day] ?? 0) + comes + 2 * comes * before;
    mean[day] = before + comes;
  }
}

function bookedOn(at: number, days: number): Float64Array {
  const first = new Float64Array(days + 1);
  if (at <= days) first[at] = 1 - COMING.noShow;
  if (at + COMING.comesAfter <= days) first[at + COMING.comesAfter] = COMING.noShow;
  return first;
}

/** The next visit of a dog that is due in `due` days (less than 0: overdue) and has not come since the one before. */
function firstUnbooked(
  due: number,
  every: number | null,
  days: number,
): Pick<Comings, 'stillComes'> & { first: Float64Array } {
  const first = new Float64Array(days + 1);
  if (every === null) {
    if (due <= days) first[Math.max(0, due)] = 1;
    return { first, stillComes: 1 };
  }
  const gap = gapOf(every);
  const elapsed = Math.max(1, Math.max(1, every) - due);
  const wait = Math.max(0, due - Math.max(1, every) + 1);
  let longer = 0;
  for (let d = elapsed; d < gap.length; d++) longer += gap[d] ?? 0;
  const stays = (1 - COMING.leaves) * longer;
  const stillComes = stays / (stays + COMING.leaves);
  if (longer > 0)
    for (let day = wait; day <= days; day++) first[day] = (stillComes * (gap[elapsed + day - wait] ?? 0)) / longer;
  return { first, stillComes };
}

/** The visit after: a gap later, unless the dog has left. */
function after(before: Float64Array, gap: Float64Array): Float64Array {
  const next = new Float64Array(before.length);
  for (let day = 0; day < before.length; day++) {
    const chance = (before[day] ?? 0) * (1 - COMING.leaves);
    if (chance < 1e-9) continue;
    for (let d = 1; day + d < next.length; d++) next[day + d] = (next[day + d] ?? 0) + chance * (gap[d] ?? 0);
  }
  return next;
}

/** Chance of a gap of so many days, for a dog that usually comes every so many; kept, for many dogs share theirs. */
export function gapOf(every: number): Float64Array {
  const usual = Math.max(1, Math.round(every));
  const known = GAPS.get(usual);
  if (known) return known;
  const gap = new Float64Array(LONGEST * usual + 2);
  for (const { share, middle, spread } of COMING.gaps) {
    const each = Float64Array.from(gap, (_, d) =>
      d < 1 ? 0 : Math.exp(-(Math.log(d / (middle * usual)) ** 2) / (2 * spread * spread)) / d,
    );
    const whole = each.reduce((a, b) => a + b, 0);
    for (const [d, chance] of each.entries()) gap[d] = (gap[d] ?? 0) + (share * chance) / whole;
  }
  GAPS.set(usual, gap);
  return gap;
}
const GAPS = new Map<number, Float64Array>();
