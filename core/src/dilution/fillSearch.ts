import type { Millilitres } from '../units';
import type { Bottle } from './bottle';

/** One bottle and the mark it is filled to, ml; never above its line. */
export interface FillTo {
  readonly bottle: Bottle;
  readonly total: Millilitres;
}

/** A kind of bottle as the search takes it. Volumes in whole microlitres but `totals`, which are the marks as they are. */
export interface FillKind {
  readonly bottle: Bottle;
  readonly count: number;
  readonly totals: readonly Millilitres[];
  /** Rising. */
  readonly fills: readonly number[];
  readonly line: number;
}

/** Bottles chosen so far, as a list from the last one back. */
export interface FilledSoFar {
  readonly sum: number;
  readonly bottles: number;
  readonly spare: number;
  readonly last: { readonly kind: number; readonly fill: number; readonly before: FilledSoFar } | null;
}

/** Steps of the search before it takes the best it has; some tens of milliseconds [house value, chosen by `npm run bench`]. */
const STEPS = 400_000;

const NOTHING: FilledSoFar = { sum: 0, bottles: 0, spare: 0, last: null };

/** The largest fill of each bottle there is, largest first. Kinds come with the largest first. */
export const fullestFirst = (kinds: readonly FillKind[]): number[] =>
  kinds.flatMap(({ fills, count }) => Array<number>(count).fill(fills.at(-1) ?? 0));

/**
 * The best full choice: fewest bottles among those that reach no further than `borne`, else least over `target`. Dynamic
 * programming over sums, one number of bottles after the other, kinds with the largest fill first.
 */
export function leanest(
  kinds: readonly FillKind[],
  target: number,
  borne: number,
): { readonly best: FilledSoFar; readonly exact: boolean } {
  const largest = fullestFirst(kinds);
  const few = fewest(largest, target);
  const smallest = Math.min(...kinds.map(({ fills }) => fills[0] ?? Infinity));
  // A choice with a bottle one could leave out is never best, so no more bottles than the smallest fills would take.
  const most = Math.min(Math.ceil(target / smallest), largest.length);
  let best = byHand(kinds, target, few);
  let steps = STEPS;
  for (let bottles = few; bottles <= most; bottles++) {
    const found = exactly(bottles, kinds, target, steps);
    best = better(best, found.best);
    steps -= found.steps;
    if (steps <= 0) return { best, exact: false };
    if (best.sum <= borne) break;
  }
  return { best, exact: true };
}

/** The fewest bottles that could hold it at all. */
function fewest(largestFirst: readonly number[], target: number): number {
  let sum = 0;
  return largestFirst.findIndex((each) => (sum += each) >= target) + 1;
}

/** Least left over, then fewest bottles, then least spare room. */
const better = (a: FilledSoFar, b: FilledSoFar | null): FilledSoFar =>
  b && (b.sum - a.sum || b.bottles - a.bottles || b.spare - a.spare) < 0 ? b : a;

/** As one would by hand: the largest bottles full, then each, from the last one back, as far down as the rest allows. */
function byHand(kinds: readonly FillKind[], target: number, bottles: number): FilledSoFar {
  const taken = kinds.flatMap((kind, at) => Array.from({ length: kind.count }, () => at)).slice(0, bottles);
  const fillAt = (at: number, i: number) => kinds[at]?.fills[i] ?? 0;
  const marks = taken.map((at) => (kinds[at]?.fills.length ?? 1) - 1);
  let over = taken.reduce((sum, at, i) => sum + fillAt(at, marks[i] ?? 0), 0) - target;
  for (let i = taken.length - 1; i >= 0; i--) {
    const at = taken[i] ?? 0;
    const full = fillAt(at, marks[i] ?? 0);
    const lowest = kinds[at]?.fills.findIndex((fill) => full - fill <= over) ?? 0;
    over -= full - fillAt(at, lowest);
    marks[i] = lowest;
  }
  return taken.reduce<FilledSoFar>((before, kind, i) => {
    const fill = fillAt(kind, marks[i] ?? 0);
    const spare = before.spare + (kinds[kind]?.line ?? fill) - fill;
    return { sum: before.sum + fill, bottles: before.bottles + 1, spare, last: { kind, fill: marks[i] ?? 0, before } };
  }, NOTHING);
}

/**
 * The best of exactly so many bottles, within so many steps. States are kept by (bottles, sum), of equals the one with
 * less spare room; one that the largest bottles left could not bring to the target is dropped. Within one kind layer j
 * holds those with j of it.
 */
function exactly(
  bottles: number,
  kinds: readonly FillKind[],
  target: number,
  budget: number,
): { readonly best: FilledSoFar | null; readonly steps: number } {
  let steps = 0;
  let best: FilledSoFar | null = null;
  let open = new Map<number, FilledSoFar>([[0, NOTHING]]);
  const key = (state: FilledSoFar) => state.sum * (bottles + 1) + state.bottles;
  for (const [at, { count, fills, line }] of kinds.entries()) {
    const here = roomOf(kinds.slice(at), bottles);
    const later = roomOf(kinds.slice(at + 1), bottles);
    const reached = new Map([...open].filter(([, state]) => mayReach(state, later)));
    let layer = open;
    for (let taken = 1; taken <= Math.min(count, bottles) && layer.size > 0; taken++) {
      const next = new Map<number, FilledSoFar>();
      for (const state of layer.values()) {
        if (state.bottles >= bottles || !mayReach(state, here)) continue;
        for (let i = fills.length - 1; i >= 0; i--) {
          steps += 1;
          const fill = fills[i] ?? 0;
          const grown: FilledSoFar = {
            sum: state.sum + fill,
            bottles: state.bottles + 1,
            spare: state.spare + line - fill,
            last: { kind: at, fill: i, before: state },
          };
          // Fills fall: with less in this one it reaches the target even less.
          if (!mayReach(grown, here)) break;
          if (grown.bottles === bottles) best = best ? better(best, grown) : grown;
          else if (grown.sum < target) {
            const known = next.get(key(grown));
            if (!known || grown.spare < known.spare) next.set(key(grown), grown);
          }
        }
        if (steps > budget) return { best, steps };
      }
      for (const [id, state] of next) {
        const known = reached.get(id);
        if (mayReach(state, later) && (!known || state.spare < known.spare)) reached.set(id, state);
      }
      layer = next;
    }
    open = reached;
  }
  return { best, steps };

  function mayReach(state: FilledSoFar, room: readonly number[]): boolean {
    return state.sum + (room[bottles - state.bottles] ?? 0) >= target;
  }
}

/** What the n largest bottles of these kinds hold, n from 0 to `most`. */
function roomOf(kinds: readonly FillKind[], most: number): number[] {
  const room = [0];
  for (const fill of fullestFirst(kinds).slice(0, most)) room.push((room.at(-1) ?? 0) + fill);
  while (room.length <= most) room.push(room.at(-1) ?? 0);
  return room;
}

/** A choice as bottles and marks. */
export function fillsOf(state: FilledSoFar, kinds: readonly FillKind[]): FillTo[] {
  const fills: FillTo[] = [];
  for (let at = state.last; at; at = at.before.last) {
    const kind = kinds[at.kind];
    const total = kind?.totals[at.fill];
    if (kind && total !== undefined) fills.push({ bottle: kind.bottle, total });
  }
  return fills;
}
