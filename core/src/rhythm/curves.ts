import type { Grade } from '../places';
import type { RhythmConstants } from './constants';
import { logNormalBetween, normalCdf } from './normal';

/**
 * The model asks the same few functions of x = (ln t − ln τ)/σ for every point of the grid of ln τ: how likely each
 * grade is. They are kept here as values and slopes at even steps of x, joined by cubic Hermite pieces. A step of the
 * grid is a whole number of steps here, so that one look meets every grid point at the same place between two nodes.
 */
const PER_GRID_STEP = 8;
/** How far in x the nodes reach. A look farther off is taken from the function itself. */
const REACH = 48;

interface Curve {
  readonly values: Float64Array;
  /** Slope × distance of nodes. */
  readonly slopes: Float64Array;
  /** The function itself, for what lies beyond the nodes. */
  readonly exact: (x: number) => number;
}

interface Curves {
  /** Distance of two nodes in x. */
  readonly step: number;
  readonly spread: number;
  /** ln P(a look shows this grade), lapses included, at place `grade`. */
  readonly looks: readonly Curve[];
  /** ln P(a look shows more than acceptable). */
  readonly above: Curve;
  /** P(no worse than acceptable). */
  readonly acceptable: Curve;
}

/** What is known of τ before a piece of evidence: the even grid, begin and step in ln τ. */
export interface Grid {
  readonly from: number;
  readonly step: number;
  readonly length: number;
}

/** Where grade `g` begins in x: at infinity for 0 and 4. */
function onsetOf(grade: number, { onset, spread }: RhythmConstants): number {
  if (grade <= 0) return -Infinity;
  const share = onset[grade - 1];
  return share === undefined ? Infinity : Math.log(share) / spread;
}

function curve(exact: (x: number) => number, slope: (x: number, value: number) => number, step: number): Curve {
  const length = Math.ceil((2 * REACH) / step) + 2;
  const values = new Float64Array(length);
  const slopes = new Float64Array(length);
  for (let i = 0; i < length; i++) {
    const x = i * step - REACH;
    const value = exact(x);
    values[i] = value;
    slopes[i] = slope(x, value) * step;
  }
  return { values, slopes, exact };
}

const LOG_ROOT_TWO_PI = Math.log(2 * Math.PI) / 2;
const logDensity = (x: number): number => -(x * x) / 2 - LOG_ROOT_TWO_PI;

/** ln P(least ≤ grade ≤ most), with the share of lapses where all of these are above acceptable. */
function logGrades(least: Grade, most: Grade, constants: RhythmConstants, step: number): Curve {
  const [begins, ends] = [onsetOf(least, constants), onsetOf(most + 1, constants)];
  const { acceptable, lapse } = constants;
  const odd = least > acceptable ? (lapse * (most - least + 1)) / 4 : 0;
  const plain = (x: number): number => logNormalBetween(x - ends, x - begins);
  const slopeOfPlain = (x: number, log: number): number =>
    (begins === -Infinity ? 0 : Math.exp(logDensity(x - begins) - log)) -
    (ends === Infinity ? 0 : Math.exp(logDensity(x - ends) - log));
  if (odd === 0) return curve(plain, slopeOfPlain, step);
  const share = (log: number): number => (1 - lapse) * Math.exp(log);
  return curve(
    (x) => Math.log(share(plain(x)) + odd),
    (x) => {
      const log = plain(x);
      return (share(log) / (share(log) + odd)) * slopeOfPlain(x, log);
    },
    step,
  );
}

function makeCurves(constants: RhythmConstants): Curves {
  const { spread, gridStep, acceptable } = constants;
  const step = gridStep / spread / PER_GRID_STEP;
  const tooDirty = onsetOf(acceptable + 1, constants);
  return {
    step,
    spread,
    looks: ([0, 1, 2, 3] as const).map((grade) => logGrades(grade, grade, constants, step)),
    above: logGrades((acceptable + 1) as Grade, 3, constants, step),
    acceptable: curve(
      (x) => normalCdf(tooDirty - x),
      (x) => -Math.exp(logDensity(x - tooDirty)),
      step,
    ),
  };
}

const made = new WeakMap<RhythmConstants, Curves>();

/** Made once for each set of constants. */
export function curvesOf(constants: RhythmConstants): Curves {
  let curves = made.get(constants);
  if (curves === undefined) made.set(constants, (curves = makeCurves(constants)));
  return curves;
}

/** How a look meets the nodes of a curve, from one grid point on; null: it reaches beyond them. */
interface Meeting {
  /** Node before the first point; each further point is met `PER_GRID_STEP` nodes earlier. */
  readonly node: number;
  /** Weights of the values at that node and the next, and of their slopes. */
  readonly values: readonly [number, number];
  readonly slopes: readonly [number, number];
}

function meet({ values }: Curve, x: number, points: number, step: number): Meeting | null {
  const position = (x + REACH) / step;
  const node = Math.floor(position);
  if (node + 1 >= values.length || node - PER_GRID_STEP * (points - 1) < 0) return null;
  const u = position - node;
  const v = 1 - u;
  return { node, values: [(1 + 2 * u) * v * v, u * u * (3 - 2 * u)], slopes: [u * v * v, -u * u * v] };
}

/** Adds `weight` × the curve, for a look after `t` days, to each point of the grid. */
export function addAlong(into: Float64Array, curve: Curve, t: number, weight: number, grid: Grid, at: Curves): void {
  const first = (Math.log(t) - grid.from) / at.spread;
  const met = meet(curve, first, grid.length, at.step);
  if (met === null) {
    const pace = grid.step / at.spread;
    for (let i = 0; i < grid.length; i++) into[i] = (into[i] as number) + weight * curve.exact(first - i * pace);
    return;
  }
  const { values, slopes } = curve;
  const [v0, v1, s0, s1] = [...met.values, ...met.slopes].map((each) => weight * each) as [
    number,
    number,
    number,
    number,
  ];
  for (let i = 0, node = met.node; i < grid.length; i++, node -= PER_GRID_STEP)
    into[i] =
      (into[i] as number) +
      v0 * (values[node] as number) +
      v1 * (values[node + 1] as number) +
      s0 * (slopes[node] as number) +
      s1 * (slopes[node + 1] as number);
}

/** Σ weight × the curve for a look after `t` days, over grid points `from` to `to`. */
export function sumAlong(
  weights: Float64Array,
  curve: Curve,
  t: number,
  grid: Grid,
  { from, to }: { readonly from: number; readonly to: number },
  at: Curves,
): number {
  const pace = grid.step / at.spread;
  const first = (Math.log(t) - grid.from) / at.spread - from * pace;
  const met = meet(curve, first, to - from + 1, at.step);
  let sum = 0;
  if (met === null) {
    for (let i = from; i <= to; i++) sum += (weights[i] as number) * curve.exact(first - (i - from) * pace);
    return sum;
  }
  const { values, slopes } = curve;
  const [v0, v1, s0, s1] = [...met.values, ...met.slopes] as [number, number, number, number];
  for (let i = from, node = met.node; i <= to; i++, node -= PER_GRID_STEP)
    sum +=
      (weights[i] as number) *
      (v0 * (values[node] as number) +
        v1 * (values[node + 1] as number) +
        s0 * (slopes[node] as number) +
        s1 * (slopes[node + 1] as number));
  return sum;
}
