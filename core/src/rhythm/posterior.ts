import type { Grade } from '../places';
import type { RhythmConstants } from './constants';
import { addAlong, curvesOf, sumAlong, type Grid } from './curves';
import { normalCdf } from './normal';

/** A belief about ln τ on an even grid; τ is in days. */
export interface Belief {
  readonly grid: Grid;
  /** Adding up to 1. */
  readonly weight: Float64Array;
  /** The log of the weights, but for one summand. */
  readonly logWeight: Float64Array;
}

/** One piece of evidence, with how much it still counts (0–1). */
export interface Evidence {
  readonly t: number;
  readonly grade: Grade;
  readonly weight: number;
  /** Found later than the plan's most and too dirty: it only says "above acceptable". */
  readonly onlyAbove: boolean;
}

/** P(grade ≥ g | t, τ) = Φ((ln t − ln τ − ln d_g)/σ); 1 for g = 0, 0 for g = 4. */
export function reaches(grade: number, t: number, logTau: number, constants: RhythmConstants): number {
  if (grade <= 0) return 1;
  const onset = constants.onset[grade - 1];
  return onset === undefined ? 0 : normalCdf((Math.log(t) - Math.log(onset) - logTau) / constants.spread);
}

/** A normal prior on ln τ, on the grid. */
export function priorBelief(mean: number, sd: number, constants: RhythmConstants): Belief {
  const { gridReach, gridStep: step } = constants;
  const half = Math.ceil((gridReach * sd) / step);
  const logWeight = new Float64Array(2 * half + 1);
  for (let i = 0; i < logWeight.length; i++) logWeight[i] = -(((i - half) * step) ** 2) / (2 * sd * sd);
  return normalise({ from: mean - half * step, step, length: logWeight.length }, logWeight);
}

/**
 * Bayes: the belief after weighted evidence. A look dirtier than acceptable has a cause of its own with the business's
 * probability of a lapse, any grade alike, so that one odd look never locks an interval; a clean one has no such excuse.
 */
export function update(belief: Belief, evidence: readonly Evidence[], constants: RhythmConstants): Belief {
  const curves = curvesOf(constants);
  const logWeight = belief.logWeight.slice();
  for (const { t, grade, weight, onlyAbove } of evidence) {
    addAlong(logWeight, onlyAbove ? curves.above : curves.looks[grade]!, t, weight, belief.grid, curves);
  }
  return normalise(belief.grid, logWeight);
}

/** P(grade ≤ acceptable | t) over the belief, as a function of t in days. */
export function acceptableAfter(belief: Belief, constants: RhythmConstants): (t: number) => number {
  const { weight, grid } = belief;
  const curves = curvesOf(constants);
  let [from, to] = [0, weight.length - 1];
  while ((weight[from] as number) <= NEGLIGIBLE) from++;
  while ((weight[to] as number) <= NEGLIGIBLE) to--;
  return (t) => sumAlong(weight, curves.acceptable, t, grid, { from, to }, curves);
}

/** Grid points that weigh less than this are left out of a sum. */
const NEGLIGIBLE = 1e-12;

/** The τ, in days, below which each of these rising shares of the belief lies. */
export function quantiles({ weight, grid }: Belief, shares: readonly number[]): number[] {
  const found: number[] = [];
  let sum = 0;
  for (let i = 0; i < weight.length && found.length < shares.length; i++) {
    const here = weight[i] as number;
    for (let share = shares[found.length]; share !== undefined && sum + here >= share; share = shares[found.length]) {
      const within = here > 0 ? (share - sum) / here - 0.5 : 0;
      found.push(Math.exp(grid.from + (i + within) * grid.step));
    }
    sum += here;
  }
  while (found.length < shares.length) found.push(Math.exp(grid.from + (grid.length - 1) * grid.step));
  return found;
}

/** P(ln τ of `a` < ln τ of `b` + ln `share`), the two taken as independent. */
export function probabilityBelow(a: Belief, b: Belief, share: number): number {
  let below = 0;
  let j = 0;
  let cumulative = 0;
  const shift = Math.log(share);
  for (let i = 0; i < b.weight.length; i++) {
    const limit = b.grid.from + i * b.grid.step + shift;
    while (j < a.weight.length && a.grid.from + j * a.grid.step < limit) cumulative += a.weight[j++] as number;
    below += (b.weight[i] as number) * cumulative;
  }
  return below;
}

function normalise(grid: Grid, logWeight: Float64Array): Belief {
  let top = -Infinity;
  for (let i = 0; i < logWeight.length; i++) if ((logWeight[i] as number) > top) top = logWeight[i] as number;
  const weight = new Float64Array(logWeight.length);
  let sum = 0;
  for (let i = 0; i < weight.length; i++) sum += weight[i] = Math.exp((logWeight[i] as number) - top);
  for (let i = 0; i < weight.length; i++) weight[i] = (weight[i] as number) / sum;
  return { grid, weight, logWeight };
}
