import { gradeOfPads } from '../findings';
import type { Grade } from '../places';
import { daysBetween, type Day } from '../units';

/** One visit as one place, or one task without a place, knows it. */
export interface PlaceVisit {
  readonly day: Day;
  /** Cared for by the salon; a wipe counts, looking does not. */
  readonly cared: boolean;
  /** Looked at by whoever would have cared for it, and it needed nothing. */
  readonly neededNothing: boolean;
  /** A finding barred the place (S1 or S2). */
  readonly barred: boolean;
  /** Whether it was looked at at all. */
  readonly looked: boolean;
  /** Dirty pads used, or null where no pads are counted. */
  readonly dirtyPads: number | null;
  /** Highest grade of dirt seen at the look-over. */
  readonly dirt: Grade;
}

/** What one visit teaches about a place: after `t` whole days it had come to this grade. */
export interface Observation {
  readonly day: Day;
  readonly t: number;
  readonly padGrade: Grade | null;
  readonly lookGrade: Grade;
}

/** The highest of what pads and eyes said. Pads of another cleaning school are dropped by the caller. */
export const gradeOf = (seen: Observation): Grade => Math.max(seen.padGrade ?? 0, seen.lookGrade) as Grade;

/** A look at which nothing was needed. */
export interface SparedLook {
  readonly day: Day;
  /** Whole days since the last care; 0 where there was none, or where its clock stood still. */
  readonly t: number;
  readonly grade: Grade;
}

/** Where the salon's clock of a place, or of a task, stands. */
export interface PlaceRecord {
  readonly observations: readonly Observation[];
  readonly lastCare: Day | null;
  /** The newest look since the last care at which nothing was needed. */
  readonly spared: SparedLook | null;
  /** A stop stands: neither a vet has answered nor was it seen clear since. */
  readonly suspended: boolean;
}

/**
 * Turns a place's visits, oldest first, into observations. A first visit, a second look on the day of the last care,
 * and visits while suspended teach nothing; after a suspension t restarts at the first care. A look at which nothing was
 * needed leaves the clock running: clean after 28 and again after 56 days teaches 56.
 * `vetAnsweredOn` are the days on which a vet answered about this place.
 */
export function placeRecord(visits: readonly PlaceVisit[], vetAnsweredOn: readonly Day[]): PlaceRecord {
  const observations: Observation[] = [];
  let lastCare: Day | null = null;
  let spared: SparedLook | null = null;
  let barredOn: Day | null = null;
  let clockStopped = false;
  for (const visit of visits) {
    const t = lastCare === null || clockStopped ? 0 : daysBetween(lastCare, visit.day);
    if (t >= 1 && (visit.looked || visit.dirtyPads !== null)) {
      observations.push({
        day: visit.day,
        t,
        padGrade: visit.dirtyPads === null ? null : gradeOfPads(visit.dirtyPads),
        lookGrade: visit.dirt,
      });
    }
    if (visit.barred) {
      barredOn = visit.day;
      clockStopped = true;
    } else if (visit.looked) {
      barredOn = null;
    }
    if (visit.cared) {
      lastCare = visit.day;
      spared = null;
      clockStopped = visit.barred;
    } else if (visit.neededNothing) {
      const grade = Math.max(visit.dirt, gradeOfPads(visit.dirtyPads ?? 0)) as Grade;
      spared = { day: visit.day, t, grade };
    }
  }
  const suspended = barredOn !== null && !vetAnsweredOn.some((answer) => barredOn !== null && answer >= barredOn);
  return { observations, lastCare, spared, suspended };
}
