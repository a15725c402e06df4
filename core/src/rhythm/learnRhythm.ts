import { daysBetween, type Day } from '../units';
import { CERTAINTY_SLACK, RHYTHM, type RhythmConstants } from './constants';
import { normalQuantile } from './normal';
import { gradeOf, type Observation } from './observations';
import { acceptableAfter, priorBelief, quantiles, update, type Belief, type Evidence } from './posterior';

/** Whole days; least ≤ usual ≤ most. */
export interface Interval {
  readonly least: number;
  readonly usual: number;
  readonly most: number;
}

export interface RhythmQuestion {
  /** Of one place, oldest first. */
  readonly observations: readonly Observation[];
  readonly plan: Interval;
  readonly today: Day;
  /** The latest change of what the owner does at home, if any. */
  readonly homeCareChangedOn: Day | null;
  /** The latest change of cleaning school: pad counts from before are not pooled. */
  readonly schoolChangedOn: Day | null;
}

export interface RhythmAnswer {
  /** Whole days, within the plan's least and most. */
  readonly interval: number;
  /** What the evidence alone says, before the plan's bounds; 0 when not even one day stays acceptable. */
  readonly unbounded: number;
  /** The same without the newest finding: what it moved. Null while there is none. */
  readonly beforeNewest: number | null;
  readonly clippedBy: 'least' | 'most' | null;
  /** Getting dirty faster than care can follow: tell the owner. */
  readonly fasterThanCare: boolean;
  /** τ in days: median and the middle 80 %, before and after the evidence. */
  readonly prior: Spread;
  readonly posterior: Spread;
  readonly evidence: readonly (Evidence & { readonly day: Day })[];
}

export interface Spread {
  readonly low: number;
  readonly median: number;
  readonly high: number;
}

/**
 * How long this place stays acceptable: an ordered probit in log time (docs/formulas.md, "Rhythm"). With no evidence the answer
 * is exactly `plan.usual`; an acceptable newest finding never shortens it, one above acceptable never lengthens it.
 * Throws `RangeError` unless 1 ≤ least ≤ usual ≤ most.
 */
export function learnRhythm(question: RhythmQuestion, constants: RhythmConstants = RHYTHM): RhythmAnswer {
  const { plan } = question;
  if (!(1 <= plan.least && plan.least <= plan.usual && plan.usual <= plan.most)) {
    throw new RangeError(`Bounds ${plan.least}–${plan.usual}–${plan.most} days are out of order.`);
  }
  const prior = priorBelief(priorMean(plan.usual, constants), constants.priorSpread, constants);
  const evidence = weigh(question, constants);
  const before = evidence.length > 1 ? update(prior, evidence.slice(0, -1), constants) : prior;
  const posterior = update(before, evidence.slice(-1), constants);
  let unbounded = longest(posterior, plan.most, constants);
  let beforeNewest: number | null = null;
  const newest = evidence.at(-1);
  if (newest) {
    beforeNewest = longest(before, plan.most, constants);
    unbounded =
      newest.grade <= constants.acceptable ? Math.max(unbounded, beforeNewest) : Math.min(unbounded, beforeNewest);
  }
  const interval = Math.min(plan.most, Math.max(plan.least, unbounded));
  return {
    interval,
    unbounded,
    beforeNewest,
    clippedBy: unbounded < plan.least ? 'least' : unbounded >= plan.most ? 'most' : null,
    fasterThanCare: unbounded < plan.least,
    prior: spread(prior),
    posterior: spread(posterior),
    evidence,
  };
}

/** μ₀, chosen so that with no evidence `usual` is kept with exactly the business's certainty. */
export function priorMean(usual: number, constants: RhythmConstants): number {
  const z = normalQuantile(constants.certainty);
  const onset = constants.onset[constants.acceptable] ?? 1;
  return Math.log(usual) - Math.log(onset) + z * Math.hypot(constants.spread, constants.priorSpread);
}

/** Evidence with its weights: age, the latest change of home care (once), another school's pads dropped. */
export function weigh(question: RhythmQuestion, constants: RhythmConstants): (Evidence & { day: Day })[] {
  return question.observations
    .filter((seen) => seen.t >= 1)
    .map((seen) => {
      const otherSchool = question.schoolChangedOn !== null && seen.day < question.schoolChangedOn;
      const grade = gradeOf(otherSchool ? { ...seen, padGrade: null } : seen);
      const age = Math.max(0, daysBetween(seen.day, question.today));
      const beforeChange = question.homeCareChangedOn !== null && seen.day < question.homeCareChangedOn;
      return {
        day: seen.day,
        t: seen.t,
        grade,
        weight: 2 ** (-age / constants.halfLifeDays) * (beforeChange ? constants.beforeHomeCareChange : 1),
        onlyAbove: grade > constants.acceptable && seen.t > question.plan.most,
      };
    });
}

/** The largest whole t from 1 to `most` that stays acceptable with the business's certainty; 0 when none does. */
function longest(belief: Belief, most: number, constants: RhythmConstants): number {
  const enough = constants.certainty - CERTAINTY_SLACK;
  const acceptable = acceptableAfter(belief, constants);
  let good = 0;
  let bad = most + 1;
  while (bad - good > 1) {
    const middle = Math.floor((good + bad) / 2);
    if (acceptable(middle) >= enough) good = middle;
    else bad = middle;
  }
  return good;
}

function spread(belief: Belief): Spread {
  const [low = 0, median = 0, high = 0] = quantiles(belief, [0.1, 0.5, 0.9]);
  return { low, median, high };
}
