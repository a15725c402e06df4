import { FULL, SHORT, type CareClock, type DogTables, type Kind } from './dogTables';

/** What a visit costs by day, full and short: prices, wishes, trip. Infinite where none may be. */
export interface DayCosts {
  readonly full: Float64Array;
  readonly short: Float64Array;
}

export interface PathVisit {
  readonly day: number;
  readonly kind: Kind;
}

export interface Path {
  readonly cost: number;
  /** In order of days. */
  readonly visits: readonly PathVisit[];
}

/** The shared beginning of both clocks: nothing was visited yet. */
const START = -1;

/**
 * The cheapest visits of one dog over the horizon, exactly, by dynamic programming over days: care by gap, what the end
 * leaves due, and what each day costs. Bookings that are fixed are on every path. `known` visits that hold make it quicker.
 *
 * Two clocks: between one full visit and the next only the quick clock runs, so that the paths of short visits from each
 * full visit are worked out once.
 *
 * What care costs is convex in its gap: once a later visit is the better one to come from, it stays so for all days after.
 * So the search for each day begins where that of the day before ended.
 */
export function cheapestPath(dog: DogTables, on: DayCosts, known: readonly PathVisit[] = []): Path {
  const found =
    dog.slow === null
      ? oneClock(dog.quick, dog.forced, on.full)
      : TWO_CLOCKS.path(dog, dog.slow, on, costAlong(dog, on, known));
  return { cost: found.cost + dog.movedBase, visits: found.visits };
}

/** What given visits cost, bookings moved apart. Infinite where one of them may not be. */
export function costAlong({ slow, quick, forced }: DogTables, on: DayCosts, visits: readonly PathVisit[]): number {
  // Nothing at all is no way past a fixed booking.
  if (visits.length < forced.length) return Infinity;
  let cost = 0;
  let [last, lastFull] = [START, START];
  for (const { day, kind } of visits) {
    cost += (kind === FULL ? on.full : on.short)[day]!;
    cost += last === START ? quick.first[day]! : quick.care[day - last]!;
    if (slow && kind === FULL) {
      cost += lastFull === START ? slow.first[day]! : slow.care[day - lastFull]!;
      lastFull = day;
    }
    last = day;
  }
  cost += last === START ? quick.endNever : quick.end[last]!;
  return cost + (slow ? (lastFull === START ? slow.endNever : slow.end[lastFull]!) : 0);
}

/** The same where only full visits are made: quicker, and no cheaper. */
export function fullVisitsOnly(dog: DogTables, on: Float64Array): Path {
  const found = oneClock(dog.whole, dog.forced, on);
  return { cost: found.cost + dog.movedBase, visits: found.visits };
}

/** By day: the last fixed visit before it, which no step may pass over; `START` where there is none. */
function lastForced(days: number, forced: DogTables['forced']): Int32Array {
  const before = new Int32Array(days + 1).fill(START);
  for (const { day } of forced) for (let t = day + 1; t <= days; t++) before[t] = Math.max(before[t] ?? START, day);
  return before;
}

function oneClock(clock: CareClock, forced: DogTables['forced'], on: Float64Array): Path {
  const days = on.length;
  const { care, first, end } = clock;
  const floor = forced.length > 0 ? lastForced(days, forced) : null;
  const best = new Float64Array(days);
  const from = new Int32Array(days);
  let [cost, last] = (floor?.[days] ?? START) === START ? [clock.endNever, START] : [Infinity, START];
  let nearest = START;
  for (let t = 0; t < days; t++) {
    const here = on[t]!;
    best[t] = Infinity;
    if (here === Infinity) continue;
    if (floor) nearest = Math.max(nearest, floor[t]!);
    let least = Infinity;
    let origin = nearest;
    if (nearest === START) least = first[t]!;
    for (let s = Math.max(0, nearest); s < t; s++) {
      const reached = best[s]! + care[t - s]!;
      if (reached < least) {
        least = reached;
        origin = s;
      }
    }
    nearest = origin;
    best[t] = least + here;
    from[t] = origin;
    const ended = best[t]! + end[t]!;
    if (ended < cost && (floor?.[days] ?? START) <= t) [cost, last] = [ended, t];
  }
  const visits: PathVisit[] = [];
  for (let t = last; t !== START; t = from[t]!) visits.push({ day: t, kind: FULL });
  return { cost, visits: visits.reverse() };
}

/** Two clocks, worked on days on which something may be; kept from dog to dog, so that nothing is made anew inside. */
class TwoClocks {
  /** The days on which a visit may be, in order, and how many they are. */
  private open = new Int32Array(0);
  private count = 0;
  /** By place in `open`: the cheapest way to a full visit from the one that is walked from, and the last stop before it. */
  private reach = new Float64Array(0);
  private reachFrom = new Int32Array(0);
  /** The cheapest way to be at a short visit. */
  private at = new Float64Array(0);
  /** The cheapest way to be at a full visit, and the full visit before. */
  private best = new Float64Array(0);
  private from = new Int32Array(0);

  /** Finds a path that costs no more than `cap`; there must be one. */
  path(dog: DogTables, slow: CareClock, on: DayCosts, cap: number): Path {
    this.begin(on);
    const { quick, forced, movedBase } = dog;
    // What is left costs nothing at the least, but for bookings that are kept.
    const most = cap + movedBase + 1e-6;
    const any = this.fixedBefore(forced);
    const full = this.fixedBefore(forced.filter(({ isFull }) => isFull));
    const { open, count, best, from, at, reach } = this;
    let end = { cost: Infinity, full: START, last: START };
    for (let i = START; i < count; i++) {
      const base = i === START ? 0 : best[i]!;
      if (base > Math.min(most, end.cost + movedBase)) continue;
      const slowEnd = base + (i === START ? slow.endNever : slow.end[open[i]!]!);
      const mayEnd = full[count]! <= i && slowEnd <= most;
      const upTo = mayEnd ? count : this.furthest(i, slow, most - base);
      this.walk(i, upTo, quick, on.short, any);
      if (mayEnd)
        for (let k = Math.max(i, any[count]!); k < count; k++) {
          const cost = slowEnd + (k === START ? quick.endNever : at[k]! + quick.end[open[k]!]!);
          if (cost < end.cost) end = { cost, full: i, last: k };
        }
      for (let j = i + 1; j < upTo && full[j]! <= i; j++) {
        const day = open[j]!;
        const care = i === START ? slow.first[day]! : slow.care[day - open[i]!]!;
        const cost = base + reach[j]! + on.full[day]! + care;
        if (cost < best[j]!) {
          best[j] = cost;
          from[j] = i;
        }
      }
    }
    return { cost: end.cost, visits: this.walkBack(end, (i) => this.walk(i, count, quick, on.short, any)) };
  }

  /** The first place too late for a full visit after the one at place `i`: the slow clock alone costs too much. */
  private furthest(i: number, slow: CareClock, most: number): number {
    const { open, count } = this;
    let k = count;
    for (; k > i + 1; k--) {
      const day = open[k - 1]!;
      if ((i === START ? slow.first[day]! : slow.care[day - open[i]!]!) <= most) break;
    }
    return k;
  }

  private begin({ full, short }: DayCosts): void {
    const days = full.length;
    if (this.open.length !== days) {
      this.open = new Int32Array(days);
      this.reach = new Float64Array(days);
      this.reachFrom = new Int32Array(days);
      this.at = new Float64Array(days);
      this.best = new Float64Array(days);
      this.from = new Int32Array(days);
    }
    this.best.fill(Infinity);
    this.count = 0;
    for (let t = 0; t < days; t++) if (full[t] !== Infinity || short[t] !== Infinity) this.open[this.count++] = t;
  }

  /** By place in `open`: the last fixed visit before it, which no step may pass over; `START` where there is none. */
  private fixedBefore(forced: DogTables['forced']): Int32Array {
    const before = new Int32Array(this.count + 1).fill(START);
    for (const { day } of forced) {
      const here = this.open.indexOf(day);
      for (let k = here + 1; k <= this.count; k++) before[k] = Math.max(before[k]!, here);
    }
    return before;
  }

  /** Short visits from the full visit at place `from`, or from the start. */
  private walk(from: number, upTo: number, { care, first }: CareClock, short: Float64Array, any: Int32Array): void {
    const { open, reach, reachFrom, at } = this;
    if (from !== START) at[from] = 0;
    let nearest = from;
    for (let k = from + 1; k < upTo; k++) {
      const day = open[k]!;
      if (any[k]! > nearest) nearest = any[k]!;
      let origin = nearest;
      let least = nearest === START ? first[day]! : at[nearest]! + care[day - open[nearest]!]!;
      for (let s = nearest + 1; s < k; s++) {
        const reached = at[s]! + care[day - open[s]!]!;
        if (reached < least) {
          least = reached;
          origin = s;
        }
      }
      nearest = origin;
      reach[k] = least;
      reachFrom[k] = origin;
      at[k] = least + short[day]!;
    }
  }

  private walkBack(
    end: { readonly full: number; readonly last: number },
    walkFrom: (full: number) => void,
  ): PathVisit[] {
    const visits: PathVisit[] = [];
    let { full, last: stop } = end;
    let kind: Kind = SHORT;
    for (;;) {
      walkFrom(full);
      for (let k = stop; k !== full; k = this.reachFrom[k]!) {
        visits.push({ day: this.open[k]!, kind });
        kind = SHORT;
      }
      if (full === START) return visits.reverse();
      [stop, full, kind] = [full, this.from[full]!, FULL];
    }
  }
}
const TWO_CLOCKS = new TwoClocks();
