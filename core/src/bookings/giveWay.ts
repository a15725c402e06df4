import type { PlannedVisit } from './book';
import { groupBy } from './groupBy';
import type { TimedVisit } from './packTimes';
import { daysBetween } from '../units';
import type { BookedVisit, Weeks } from './weeks';

/** A visit of a plan that holds, with the booking that it moves, or that stands there already. */
export interface VisitThatHolds extends TimedVisit {
  readonly booking: BookedVisit | null;
}

export interface PlanThatHolds {
  readonly visits: readonly VisitThatHolds[];
  /** Bookings that the plan had no other day for: they stand. */
  readonly stays: readonly BookedVisit[];
}

/**
 * A plan beside what is booked. It may want the time of a booking for which it has no other day; but what is booked gets
 * another day or stands. So whatever would need that time has no place, and neither has what would need the time of a booking
 * that then stands as well.
 */
export function holding(weeks: Weeks, timed: readonly TimedVisit[]): PlanThatHolds {
  const movable = weeks.booked.filter(({ mayMove, choice }) => mayMove && choice !== null);
  const booked = groupBy(movable, ({ dog }) => dog);
  const moves = new Map<TimedVisit, BookedVisit>();
  for (const [dog, visits] of groupBy(timed, (each) => each.dog))
    for (const [visit, booking] of matched(weeks, visits, booked.get(dog) ?? [])) moves.set(visit, booking);
  const dogs = new Set(weeks.dogs.map(({ id }) => id));
  const taken = new Set(moves.values());
  // Of a dog that is not planned for, a booking is as good as fixed: its time is nowhere on offer.
  const stays = movable.filter((each) => dogs.has(each.dog) && !taken.has(each));
  const left = new Set(timed);
  // A list is walked through to what is added meanwhile.
  for (const standing of stays)
    for (const visit of left) {
      if (!isAtTimeOf(weeks, visit, standing)) continue;
      left.delete(visit);
      const booking = moves.get(visit);
      if (booking) stays.push(booking);
    }
  return { visits: [...left].map((visit) => ({ ...visit, booking: moves.get(visit) ?? null })), stays };
}

/** A plan as it holds: fixed bookings, what has its time, and what stands. */
export const heldPlan = (
  weeks: Weeks,
  plan: readonly PlannedVisit[],
  { visits, stays }: PlanThatHolds,
): PlannedVisit[] => [
  ...plan.filter(({ block }) => block === null),
  ...visits.map(({ dog, choice, day, block }) => ({ dog, choice, day, block })),
  ...stays.flatMap(({ dog, day, choice }): PlannedVisit[] => {
    const on = indexOf(weeks, day);
    return choice === null || on < 0 || on >= weeks.days ? [] : [{ dog, choice, day: on, block: null }];
  }),
];

/** Which visit of a dog stands for which of its bookings: one of the same day, then the nearest, each once. */
function matched(
  weeks: Weeks,
  visits: readonly TimedVisit[],
  bookings: readonly BookedVisit[],
): [TimedVisit, BookedVisit][] {
  const pairs = visits.flatMap((visit) =>
    bookings.map((booking) => ({ visit, booking, apart: Math.abs(visit.day - indexOf(weeks, booking.day)) })),
  );
  const found: [TimedVisit, BookedVisit][] = [];
  for (const { visit, booking } of pairs.toSorted((a, b) => a.apart - b.apart))
    if (!found.some(([a, b]) => a === visit || b === booking)) found.push([visit, booking]);
  return found;
}

const indexOf = ({ first }: Weeks, day: BookedVisit['day']): number => daysBetween(first, day);

const isAtTimeOf = (weeks: Weeks, visit: TimedVisit, { person, day, from, to }: BookedVisit): boolean =>
  visit.person === person && visit.day === indexOf(weeks, day) && visit.from < to && from < visit.to;
