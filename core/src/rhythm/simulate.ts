import type { Grade } from '../places';
import { addDays, type Day } from '../units';
import { RHYTHM, type RhythmConstants } from './constants';
import { learnRhythm, type Interval } from './learnRhythm';
import type { Observation } from './observations';
import { reaches } from './posterior';

/** A made-up dog whose true τ, in days, is known: for the demo world, the tests and the benchmarks. */
export interface HiddenDog {
  /** τ at each visit, so that it may drift. */
  readonly tau: (visit: number) => number;
  readonly plan: Interval;
  readonly visits: number;
  readonly start: Day;
  /** Uniform numbers in [0, 1); pass a seeded generator. */
  readonly random: () => number;
}

/** Draws a grade from the model at true τ. */
export function drawGrade(t: number, tau: number, random: () => number, constants: RhythmConstants = RHYTHM): Grade {
  const u = random();
  const logTau = Math.log(tau);
  return ([3, 2, 1] as const).find((grade) => u < reaches(grade, t, logTau, constants)) ?? 0;
}

/** Visits at the intervals the rhythm itself proposes, each with a drawn grade. */
export function simulateVisits(dog: HiddenDog, constants: RhythmConstants = RHYTHM): Observation[] {
  const observations: Observation[] = [];
  let today = dog.start;
  for (let visit = 0; visit < dog.visits; visit++) {
    const t = learnRhythm(
      { observations, plan: dog.plan, today, homeCareChangedOn: null, schoolChangedOn: null },
      constants,
    ).interval;
    today = addDays(today, t);
    const lookGrade = drawGrade(t, dog.tau(visit), dog.random, constants);
    observations.push({ day: today, t, padGrade: null, lookGrade });
  }
  return observations;
}
