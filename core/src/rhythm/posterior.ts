import type { Grade } from '../places';
import type { RhythmConstants } from './constants';
import { logNormalBetween, normalCdf } from './normal';

/** A belief about ln τ: weights on an even grid, adding up to 1. τ is in days. */
export interface Belief {
  readonly logTau: Float64Array;
  readonly weight: Float64Array;
}

/** One piece of evidence, with how much it still counts (0–1). */
export interface Evidence {
  readonly t: number;
  readonly grade: Grade;
  readonly weight: number;
  /** Found later than the plan's most and too dirty: it only says "above acceptable". */
  readonly onlyAbove: boolean;
}

/** (ln t − ln d_g)/σ: what is left of the model's argument when τ is taken out. Grade 0 always, grade 4 never. */
function standardised(grade: number, t: number, constants: RhythmConstants): number {
  if (grade <= 0) return Infinity;
  const onset = constants.onset[grade - 1];
  return onset === undefined ? -Infinity : (Math.log(t) - Math.log(onset)) / constants.spread;
}

/** P(grade ≥ g | t, τ) = Φ((ln t − ln τ − ln d_g)/σ); 1 for g = 0. */
export const reaches = (grade: number, t: number, logTau: number, constants: RhythmConstants): number =>
  normalCdf(standardised(grade, t, constants) - logTau / constants.spread);

/** A normal prior on ln τ, on the grid. */
export function priorBelief(mean: number, sd: number, constants: RhythmConstants): Belief {
  const half = Math.ceil((constants.gridReach * sd) / constants.gridStep);
  const logTau = Float64Array.from({ length: 2 * half + 1 }, (_, i) => mean + (i - half) * constants.gridStep);
  return normalise(
    logTau,
    logTau.map((x) => -((x - mean) ** 2) / (2 * sd * sd)),
  );
}

/**
 * Bayes: the belief after weighted evidence. A look dirtier than acceptable has a cause of its own with the business's
 * probability of a lapse, any grade alike, so that one odd look never locks an interval; a clean one has no such excuse.
 */
export function update(belief: Belief, evidence: readonly Evidence[], constants: RhythmConstants): Belief {
  const logWeight = logWeights(belief);
  for (const seen of evidence) weighIn(logWeight, belief.logTau, seen, constants);
  return normalise(belief.logTau, logWeight);
}

/** The belief without the newest piece of evidence and with it, each piece weighed once. */
export function updateTwice(
  belief: Belief,
  evidence: readonly Evidence[],
  constants: RhythmConstants,
): { readonly before: Belief; readonly after: Belief } {
  const logWeight = logWeights(belief);
  for (const seen of evidence.slice(0, -1)) weighIn(logWeight, belief.logTau, seen, constants);
  const before = normalise(belief.logTau, logWeight);
  for (const seen of evidence.slice(-1)) weighIn(logWeight, belief.logTau, seen, constants);
  return { before, after: normalise(belief.logTau, logWeight) };
}

const logWeights = ({ weight }: Belief): Float64Array => weight.map((each) => Math.log(each));

/** Adds what one look says of each ln τ to its log weight. */
function weighIn(logWeight: Float64Array, logTau: Float64Array, seen: Evidence, constants: RhythmConstants): void {
  const { acceptable, lapse, spread } = constants;
  const [least, most] = seen.onlyAbove ? [acceptable + 1, 3] : [seen.grade, seen.grade];
  const begins = standardised(least, seen.t, constants);
  const ends = standardised(most + 1, seen.t, constants);
  const odd = least > acceptable ? (lapse * (most - least + 1)) / 4 : 0;
  for (let i = 0; i < logWeight.length; i++) {
    const shift = (logTau[i] ?? 0) / spread;
    const logLikelihood = logNormalBetween(ends - shift, begins - shift);
    const log = odd === 0 ? logLikelihood : Math.log((1 - lapse) * Math.exp(logLikelihood) + odd);
    logWeight[i] = (logWeight[i] ?? 0) + seen.weight * log;
  }
}

/** P(grade ≤ acceptable | t), over the belief. */
export function staysAcceptable(belief: Belief, t: number, constants: RhythmConstants): number {
  const begins = standardised(constants.acceptable + 1, t, constants);
  let sum = 0;
  for (let i = 0; i < belief.weight.length; i++) {
    const weight = belief.weight[i] ?? 0;
    if (weight > 1e-12) sum += weight * (1 - normalCdf(begins - (belief.logTau[i] ?? 0) / constants.spread));
  }
  return sum;
}

/** The τ, in days, below which this share of the belief lies. */
export function quantile(belief: Belief, share: number): number {
  let sum = 0;
  for (const [i, weight] of belief.weight.entries()) {
    if (sum + weight >= share) {
      const within = weight > 0 ? (share - sum) / weight - 0.5 : 0;
      const step = (belief.logTau[1] ?? 0) - (belief.logTau[0] ?? 0);
      return Math.exp((belief.logTau[i] ?? 0) + within * step);
    }
    sum += weight;
  }
  return Math.exp(belief.logTau.at(-1) ?? 0);
}

/** P(ln τ of `a` < ln τ of `b` + ln `share`), the two taken as independent. */
export function probabilityBelow(a: Belief, b: Belief, share: number): number {
  let below = 0;
  let j = 0;
  let cumulative = 0;
  const shift = Math.log(share);
  for (const [i, weight] of b.weight.entries()) {
    const limit = (b.logTau[i] ?? 0) + shift;
    while (j < a.logTau.length && (a.logTau[j] ?? 0) < limit) cumulative += a.weight[j++] ?? 0;
    below += weight * cumulative;
  }
  return below;
}

function normalise(logTau: Float64Array, logWeight: Float64Array): Belief {
  const top = logWeight.reduce((a, b) => Math.max(a, b), -Infinity);
  const weight = logWeight.map((x) => Math.exp(x - top));
  const sum = weight.reduce((a, b) => a + b, 0);
  return { logTau, weight: weight.map((x) => x / sum) };
}
