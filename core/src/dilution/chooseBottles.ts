import { millilitres, type Millilitres } from '../units';
import type { Bottle } from './bottle';
import { fillsOf, fullestFirst, leanest, type FillKind, type FillTo } from './fillSearch';
import { concentration, type Strength } from './strength';
import { LABEL_TOLERANCE, MEDICATED_TOLERANCE, wholeStrokes } from './strokes';

/** A bottle the business owns, and how many of them stand free; null: as many as one wants. */
export interface FreeBottle {
  readonly bottle: Bottle;
  readonly count: number | null;
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
      /** 0: none is better. Else the search did not end in its bound, and the best there is makes at most this share less. */
      readonly atMostAbove: number;
    }
  /** All bottles together do not hold it: `holds` is what they take. */
  | { readonly kind: 'too few bottles'; readonly holds: Millilitres };

/** So much left over is borne, as a share of the need, for the sake of fewer bottles [house value]. */
export const MOST_LEFT_OVER = 0.05;
/** Nobody fills to a finer mark, ml [house value]. */
export const FINEST_MARK = 1;
/** Nor tells more marks apart on one bottle [house value]. */
export const MOST_MARKS = 200;
/** More bottles of one kind no salon has. */
export const MOST_OF_A_KIND = 200;

export interface Pumped {
  readonly strength: Strength;
  /** Ml of one stroke; null: the product is measured in ml, and every mark will do. */
  readonly stroke: Millilitres | null;
  readonly medicated: boolean;
}

/**
 * How many of its marks a bottle is read by: 1, every mark; 2, every second. Marks finer than 1 ml, or more than 200 of them,
 * are not read one by one.
 */
export const everyMark = ({ line, graduation }: Pick<Bottle, 'line' | 'graduation'>): number =>
  graduation === null
    ? 1
    : Math.max(1, Math.ceil(FINEST_MARK / graduation - 1e-9), Math.ceil(line / graduation / MOST_MARKS - 1e-9));

/** The most a bottle may be filled to: its last mark that is read, which may stand below its line; 0: none can be read. */
export function topMark(bottle: Bottle): Millilitres {
  const { line, graduation } = bottle;
  if (graduation === null) return line;
  const step = graduation * everyMark(bottle);
  return millilitres(Math.min(line, Math.floor(line / step + 1e-9) * step));
}

/**
 * Volumes a bottle may be filled to: its marks up to its line, or without marks the line alone; of these only such as
 * come out in whole strokes within the limits. Never above the line, in fluid ounces either.
 */
export function fillMarks(bottle: Bottle, { strength, stroke, medicated }: Pumped): Millilitres[] {
  const { line, graduation } = bottle;
  const step = graduation === null ? line : graduation * everyMark(bottle);
  const marks = Array.from({ length: Math.floor(line / step + 1e-9) }, (_, i) =>
    millilitres(Math.min(line, (i + 1) * step)),
  );
  if (stroke === null) return marks;
  const wanted = concentration(strength);
  const limits = medicated ? MEDICATED_TOLERANCE : LABEL_TOLERANCE;
  return marks.filter((mark) => wholeStrokes(mark, wanted, stroke, limits) !== null);
}

/**
 * Which bottles to fill, and how far, for `wanted` ml: fewest bottles among those that leave at most 5 % over (where
 * none does, among those that leave least), then least left over, then least room to spare. Exact where the search
 * ends in its bound, as on every ordinary day; else the best found, and how far from the best it may be. The bound counts
 * steps, not time, so that the answer is the same everywhere. Throws `RangeError` unless `wanted` is over 0 ml.
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
    .map(({ bottle, count }) => kindOf(bottle, count ?? MOST_OF_A_KIND, pumped))
    .filter(({ fills, count }) => fills.length > 0 && count > 0)
    .toSorted((a, b) => (b.fills.at(-1) ?? 0) - (a.fills.at(-1) ?? 0));
  const target = micro(wanted);
  const holds = fullestFirst(kinds).reduce((sum, each) => sum + each, 0);
  if (holds < target) return { kind: 'too few bottles', holds: ml(holds) };
  const borne = target + Math.floor(micro(need) * MOST_LEFT_OVER);
  const { best, exact } = leanest(kinds, target, borne);
  const fills = fillsOf(best, kinds).toSorted((a, b) => b.total - a.total);
  return {
    kind: 'chosen',
    fills,
    leftOver: ml(Math.max(0, best.sum - target)),
    spare: ml(best.spare),
    atMostAbove: exact ? 0 : (best.sum - target) / target,
  };
}

/**
 * Sums are whole microlitres, rounded down: marks in fluid ounces add up as exactly as millilitres, and what is wanted is
 * rounded with them. The speck keeps 500 ml, reckoned as 499.99999999999994, at 500.
 */
const micro = (volume: number): number => Math.floor(volume * 1000 + 1e-6);
const ml = (microlitres: number): Millilitres => millilitres(microlitres / 1000);

function kindOf(bottle: Bottle, count: number, pumped: Pumped): FillKind {
  const totals = fillMarks(bottle, pumped);
  return { bottle, count: Math.min(count, MOST_OF_A_KIND), totals, fills: totals.map(micro), line: micro(bottle.line) };
}
