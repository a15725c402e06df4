import { millilitres, type Millilitres } from '../units';
import type { Bottle } from './bottle';
import { concentration, type Strength } from './strength';
import { LABEL_TOLERANCE, MEDICATED_TOLERANCE, wholeStrokes } from './strokes';

/** A bottle the house owns, and how many of them stand free; null: as many as one wants. */
export interface FreeBottle {
  readonly bottle: Bottle;
  readonly count: number | null;
}

/** One bottle and the mark it is filled to, ml. */
export interface FillTo {
  readonly bottle: Bottle;
  readonly total: Millilitres;
}

export type BottleChoice =
  | {
      readonly kind: 'chosen';
      /** Fullest first. */
      readonly fills: readonly FillTo[];
      /** Mix beyond what is wanted, ml. */
      readonly leftOver: Millilitres;
      /** Room left in the chosen bottles, ml. */
      readonly spare: Millilitres;
    }
  /** All bottles together do not hold it: `holds` is what they take. */
  | { readonly kind: 'too few bottles'; readonly holds: Millilitres };

/** So much left over is borne, as a share of the need, for the sake of fewer bottles [house value]. */
export const MOST_LEFT_OVER = 0.05;

export interface Pumped {
  readonly strength: Strength;
  /** Ml of one stroke; null: the product is measured in ml, and every mark will do. */
  readonly stroke: Millilitres | null;
  readonly medicated: boolean;
}

/**
 * Volumes a bottle may be filled to: its marks up to its line, or without marks the line alone; of these only such as
 * come out in whole strokes within the limits.
 */
export function fillMarks(bottle: Bottle, { strength, stroke, medicated }: Pumped): Millilitres[] {
  const { line, graduation } = bottle;
  const marks =
    graduation === null
      ? [line]
      : Array.from({ length: Math.floor(line / graduation + 1e-9) }, (_, i) => millilitres((i + 1) * graduation));
  if (stroke === null) return marks;
  const wanted = concentration(strength);
  const limits = medicated ? MEDICATED_TOLERANCE : LABEL_TOLERANCE;
  return marks.filter((mark) => wholeStrokes(mark, wanted, stroke, limits) !== null);
}

/**
 * Which bottles to fill, and how far, for `wanted` ml: fewest bottles among those that leave at most 5 % over (where
 * none does, among those that leave least), then least left over, then least room to spare. Exact, by dynamic
 * programming over sums of fills. Throws `RangeError` unless `wanted` is over 0 ml.
 * @param need what 5 % are reckoned of, where part of it stands made already: a bottle that was worth filling at first
 * is worth it still when the others are ticked off.
 */
export function chooseBottles(
  wanted: Millilitres,
  free: readonly FreeBottle[],
  pumped: Pumped,
  need: Millilitres = wanted,
): BottleChoice {
  if (!(wanted > 0)) throw new RangeError('Nothing to fill: 0 ml wanted.');
  const kinds = free
    .map(({ bottle, count }) => ({ bottle, count: count ?? Infinity, fills: fillMarks(bottle, pumped).map(micro) }))
    .filter(({ fills, count }) => fills.length > 0 && count > 0);
  const target = micro(wanted);
  const largest = kinds
    .flatMap(({ fills, count }) => Array<number>(Math.min(count, 1000)).fill(fills.at(-1) ?? 0))
    .toSorted((a, b) => b - a);
  const holds = largest.reduce((sum, each) => sum + each, 0);
  if (holds < target) return { kind: 'too few bottles', holds: ml(holds) };
  const borne = target + Math.round(micro(need) * MOST_LEFT_OVER);
  const smallest = Math.min(...kinds.map(({ fills }) => fills[0] ?? Infinity));
  // A choice with a bottle one could leave out is never best, so no more bottles than the smallest fills would take.
  const most = Math.min(Math.ceil(target / smallest), largest.length);
  let best: State | null = null;
  for (let bottles = fewest(largest, target); bottles <= most; bottles++) {
    best = better(best, bestWithin(kinds, target, bottles));
    if (best && best.sum <= borne) break;
  }
  if (!best) return { kind: 'too few bottles', holds: ml(holds) };
  const fills = fillsOf(best, kinds).toSorted((a, b) => b.total - a.total);
  return { kind: 'chosen', fills, leftOver: ml(best.sum - target), spare: ml(best.spare) };
}

/** Sums are whole microlitres: marks in fluid ounces add up as exactly as millilitres. */
const micro = (volume: number): number => Math.round(volume * 1000);
const ml = (microlitres: number): Millilitres => millilitres(microlitres / 1000);

interface Kind {
  readonly bottle: Bottle;
  readonly count: number;
  /** Microlitres, rising. */
  readonly fills: readonly number[];
}

/** Bottles chosen so far, as a list from the last one back. Microlitres. */
interface State {
  readonly sum: number;
  readonly bottles: number;
  readonly spare: number;
  readonly last: { readonly kind: number; readonly fill: number; readonly before: State } | null;
}

const NOTHING: State = { sum: 0, bottles: 0, spare: 0, last: null };

/** The fewest bottles that could hold it at all. */
function fewest(largestFirst: readonly number[], target: number): number {
  let sum = 0;
  return largestFirst.findIndex((each) => (sum += each) >= target) + 1;
}

/** Least left over, then fewest bottles, then least spare room. */
const better = (a: State | null, b: State | null): State | null => {
  if (!a || !b) return a ?? b;
  return (b.sum - a.sum || b.bottles - a.bottles || b.spare - a.spare) < 0 ? b : a;
};

/**
 * The best full choice of at most `most` bottles. States that hold enough are finished; the others are kept by
 * (bottles, sum), of equals the one with less spare room. Within one kind of bottle layer j holds those with j of it.
 */
function bestWithin(kinds: readonly Kind[], target: number, most: number): State | null {
  let open = new Map<number, State>([[0, NOTHING]]);
  let best: State | null = null;
  kinds.forEach(({ bottle, count, fills }, kind) => {
    const line = micro(bottle.line);
    const reached = new Map(open);
    let layer = open;
    for (let taken = 1; taken <= Math.min(count, most) && layer.size > 0; taken++) {
      const next = new Map<number, State>();
      for (const state of layer.values()) {
        if (state.bottles >= most) continue;
        for (const fill of fills) {
          const sum = state.sum + fill;
          const spare = state.spare + line - fill;
          const grown: State = { sum, bottles: state.bottles + 1, spare, last: { kind, fill, before: state } };
          if (sum >= target) {
            best = better(best, grown);
            // Fills rise: the next would leave only more over.
            break;
          }
          const key = sum * (most + 1) + grown.bottles;
          const known = next.get(key);
          if (!known || spare < known.spare) next.set(key, grown);
        }
      }
      for (const [key, state] of next) {
        const known = reached.get(key);
        if (!known || state.spare < known.spare) reached.set(key, state);
      }
      layer = next;
    }
    open = reached;
  });
  return best;
}

function fillsOf(state: State, kinds: readonly Kind[]): FillTo[] {
  const fills: FillTo[] = [];
  for (let at = state.last; at; at = at.before.last) {
    const bottle = kinds[at.kind]?.bottle;
    if (bottle) fills.push({ bottle, total: ml(at.fill) });
  }
  return fills;
}
