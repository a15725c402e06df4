import { makePlan, type CarePlan, type PlanLine } from '../careplan';
import { BREEDS } from '../catalogue';
import { plainDog } from '../dog';
import { RHYTHM, drawGrade, normalQuantile, placeRecord, priorMean, type Interval, type PlaceVisit } from '../rhythm';
import { placeKey } from '../places';
import { taskKey } from '../tasks';
import { addDays, daysBetween, type Day } from '../units';
import { WINDOW } from './dueWindow';
import { LEARNED, planDue } from './planDue';

/** How care is timed: by the plan's usual interval, by what was learned, or by somebody who knows the truth. */
export type Timing = 'fixed' | 'learned' | 'best';

/** One line of a plan with its hidden truth, over some days. */
export interface HiddenYear {
  readonly line: PlanLine & { readonly interval: Interval };
  /** True days until grade 2 or worse is as likely as not. */
  readonly tau: number;
  readonly start: Day;
  readonly days: number;
  /** Visits after the first care before anything is counted: what is learned in them is the point. */
  readonly skip: number;
  /** Uniform numbers in [0, 1); pass a seeded generator. */
  readonly random: () => number;
}

/** What the counted visits cost: days past what is true, and care given before three quarters of it. */
export interface YearCost {
  readonly lateDays: number;
  readonly overCare: number;
  readonly looks: number;
  readonly cares: number;
  /** Days that were counted. */
  readonly days: number;
}

/** An over-care visit counts as so many late days [house value]. */
const OVER_CARE_COSTS = 7;
export const costOf = ({ lateDays, overCare }: YearCost): number => lateDays + OVER_CARE_COSTS * overCare;

/** How long a place of this truth stays acceptable with the business's certainty, days. */
export const trueInterval = (tau: number): number =>
  tau * (RHYTHM.onset[RHYTHM.acceptable] ?? 1) * Math.exp(-normalQuantile(RHYTHM.certainty) * RHYTHM.spread);

/** Tasks that are learned, of so many invented dogs of any breed, each with a hidden truth. */
export function hiddenLines(
  dogs: number,
  today: Day,
  random: () => number,
): { readonly line: HiddenYear['line']; readonly tau: number }[] {
  return Array.from({ length: dogs }).flatMap(() => {
    const breed = BREEDS[Math.floor(random() * BREEDS.length)];
    const { lines } = makePlan(plainDog(breed ? [breed.id] : [], { today }));
    return lines.filter(isLearned).map((line) => ({ line, tau: drawTau(line.interval.usual, random()) }));
  });
}

const isLearned = (line: PlanLine): line is HiddenYear['line'] => line.interval !== null && LEARNED.includes(line.task);

/** A true τ as the prior expects it: spread around what fits the plan's usual interval. `u` is uniform in (0, 1). */
const drawTau = (usual: number, u: number): number =>
  Math.exp(priorMean(usual, RHYTHM) + normalQuantile(u) * RHYTHM.priorSpread);

/**
 * A line of a plan through a year of visits on the day that is asked for. Each look draws a grade from the truth; with
 * learned timing a clean one is left alone, and everything else is cared for.
 */
export function simulateYear(year: HiddenYear, timing: Timing): YearCost {
  const { line, tau, start, days, skip, random } = year;
  const truth = trueInterval(tau);
  const { least, usual, most } = line.interval;
  const best = Math.min(most, Math.max(least, Math.floor(truth)));
  const visits: PlaceVisit[] = [visitOn(start, 'care', 0)];
  const cost = { lateDays: 0, overCare: 0, looks: 0, cares: 0, days: 0 };
  let [lastCare, today, count] = [start, start, 1];
  for (;;) {
    const due =
      timing === 'learned' ? dueByRecord(line, visits, today) : addDays(lastCare, timing === 'best' ? best : usual);
    const next = due > today ? due : addDays(today, 1);
    const isOver = daysBetween(start, next) > days;
    const on = isOver ? addDays(start, days) : next;
    const gap = daysBetween(lastCare, on);
    const isCounted = count > skip;
    if (isCounted) {
      // Days past the truth since the last visit: those before it were counted then.
      const late = (day: Day) => Math.max(0, daysBetween(lastCare, day) - truth);
      cost.lateDays += late(on) - late(today);
      cost.days += daysBetween(today, on);
    }
    if (isOver) return cost;
    const grade = drawGrade(gap, tau, random);
    const isSpared = timing === 'learned' && grade === 0;
    visits.push(visitOn(next, isSpared ? 'look' : 'care', grade));
    if (isCounted) {
      cost[isSpared ? 'looks' : 'cares'] += 1;
      if (!isSpared && gap < WINDOW.opens * best) cost.overCare += 1;
    }
    [today, count] = [next, count + 1];
    if (!isSpared) lastCare = next;
  }
}

const visitOn = (day: Day, did: 'care' | 'look', dirt: PlaceVisit['dirt']): PlaceVisit => ({
  day,
  cared: did === 'care',
  neededNothing: did === 'look',
  barred: false,
  looked: true,
  dirtyPads: null,
  dirt,
});

/** When the plan asks for it next, by the same code that plans a real dog. */
function dueByRecord(line: PlanLine, visits: readonly PlaceVisit[], today: Day): Day {
  const record = placeRecord(visits, []);
  const plan: CarePlan = { lines: [line], bathProduct: null };
  const [due] = planDue(
    plan,
    {
      places: line.place ? { [placeKey(line.place)]: record } : {},
      tasks: { [taskKey(line)]: record },
      homeCareChangedOn: null,
      schoolChangedOn: null,
    },
    today,
  );
  return due?.window?.ideal ?? today;
}
