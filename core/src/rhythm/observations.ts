import { gradeOfPads } from '../findings';
import type { Grade } from '../places';
import { daysBetween, type Day } from '../units';

/** One visit as one place knows it. */
export interface PlaceVisit {
  readonly day: Day;
  /** Cared for by the salon; a wipe counts, looking does not. */
  readonly cared: boolean;
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

/** Where the salon's clock of a place stands. */
export interface PlaceRecord {
  readonly observations: readonly Observation[];
  readonly lastCare: Day | null;
  /** A stop stands: neither a vet has answered nor was it seen clear since. */
  readonly suspended: boolean;
}

/**
 * Turns a place's visits, oldest first, into observations. A first visit, a second look on the day of the last care,
 * and visits while suspended teach nothing; after a suspension t restarts at the first care.
 * `vetAnsweredOn` are the days on which a vet answered about this place.
 */
export function placeRecord(visits: readonly PlaceVisit[], vetAnsweredOn: readonly Day[]): PlaceRecord {
  const observations: Observation[] = [];
  let lastCare: Day | null = null;
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
      clockStopped = visit.barred;
    }
  }
  const suspended = barredOn !== null && !vetAnsweredOn.some((answer) => barredOn !== null && answer >= barredOn);
  return { observations, lastCare, suspended };
}
