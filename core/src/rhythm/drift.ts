import { RHYTHM, type RhythmConstants } from './constants';
import { priorMean, weigh, type RhythmQuestion } from './learnRhythm';
import { priorBelief, probabilityBelow, update, type Evidence } from './posterior';

/** What counts as worse or as one-sided, and how sure to be before saying so [house values; chosen from `bench/results/drift.json` and `one-sided.json`: a dog has many places, so false alarms weigh more than misses]. */
export const DRIFT = {
  /** Visits that make "now". */
  recent: 3,
  worseShare: 0.75,
  oneSidedShare: 0.6,
  /** A weak prior, in log time: two posteriors must be able to part. */
  priorSpread: 1,
  worseCertainty: 0.9,
  oneSidedCertainty: 0.7,
} as const;

/** P(τ of the last three visits < 0.75 × τ before); null with fewer than three visits on either hand. */
export function gettingWorse(question: RhythmQuestion, constants: RhythmConstants = RHYTHM): number | null {
  const evidence = weigh(question, constants);
  const before = evidence.slice(0, -DRIFT.recent);
  if (before.length < DRIFT.recent) return null;
  const now = evidence.slice(-DRIFT.recent);
  return probabilityBelow(believe(question, now, constants), believe(question, before, constants), DRIFT.worseShare);
}

/** P(τ of `one` < 0.6 × τ of `other`), for the two sides of one site; null with fewer than three visits on either side. */
export function oneSided(
  one: RhythmQuestion,
  other: RhythmQuestion,
  constants: RhythmConstants = RHYTHM,
): number | null {
  if (one.observations.length < DRIFT.recent || other.observations.length < DRIFT.recent) return null;
  const belief = (side: RhythmQuestion) => believe(side, weigh(side, constants), constants);
  return probabilityBelow(belief(one), belief(other), DRIFT.oneSidedShare);
}

function believe(question: RhythmQuestion, evidence: readonly Evidence[], constants: RhythmConstants) {
  const prior = priorBelief(priorMean(question.plan.usual, constants), DRIFT.priorSpread, constants);
  return update(prior, evidence, constants);
}
