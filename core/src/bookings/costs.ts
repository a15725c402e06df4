import type { CareDue, DayIndex } from './book';

/** What planning weighs against each other; each is a house way. The unit is a day of lateness of an ordinary task. */
export interface PlanCosts {
  /** Each day beyond the window; from the eighth day on, twice. */
  readonly late: number;
  /** Each day before the window opens: too often is a fault, too. */
  readonly early: number;
  /** A household's coming, for each day it comes. */
  readonly trip: number;
  /** Each wish that is missed: days, part of the day, person. */
  readonly wish: number;
  /** A booking that is moved to another day, or given up. */
  readonly moved: number;
  /** A booking that stays on its day with another person. */
  readonly otherPerson: number;
  /** A minute of driving. */
  readonly drive: number;
  /** Days that are fuller than others: hours of a day, squared. */
  readonly uneven: number;
}

/** House values. Driving and uneven days cost nothing until a business says so. */
export const PLAN_COSTS: PlanCosts = {
  late: 1,
  early: 0.5,
  trip: 5,
  wish: 2,
  moved: 4,
  otherPerson: 1,
  drive: 0,
  uneven: 0,
};

/** A gap that is not the ideal one costs so much an interval, sooner and later, so that nothing drifts to the window's end. */
const DRIFT = { perInterval: 5, later: 1.5, sooner: 0.5 } as const;
/** After so many days beyond the window each further one counts twice. */
const LATE_TWICE_AFTER = 7;
const over = (days: number): number => Math.max(0, days);

/**
 * What it costs to do this care `gap` days after the last time (docs/formulas.md, "Bookings"). No cost depends on capacity.
 */
export function careCost({ ideal, earliest, latest, weight }: CareDue, gap: number, costs: PlanCosts): number {
  const drift = (DRIFT.perInterval / ideal) * (DRIFT.later * over(gap - ideal) + DRIFT.sooner * over(ideal - gap));
  const late = over(gap - latest);
  return drift + costs.early * over(earliest - gap) + costs.late * weight * (late + over(late - LATE_TWICE_AFTER));
}

/**
 * What the horizon leaves due of this care, last done on `last`: as if it were done soon after. The days it is over
 * already count twice up to a week. Without it the last weeks come out empty.
 */
export function endCost(care: CareDue, last: DayIndex, days: number, costs: PlanCosts): number {
  const overdue = over(days - last - care.ideal);
  return careCost(care, care.ideal + overdue + Math.min(LATE_TWICE_AFTER, overdue), costs);
}

/**
 * The next trip of a dog's household of `together` dogs, as far as its interval is used up at the end. Without it a visit
 * in the last days looks free, and the last weeks come out doubled.
 */
export function owedCost(last: DayIndex, shortest: number, days: number, together: number, trip: number): number {
  return (trip / together) * Math.min(1, (days - last) / shortest);
}
