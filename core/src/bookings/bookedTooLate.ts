import { addDays, daysBetween, type Day } from '../units';
import { visitChoice } from './book';
import type { BookedVisit, Weeks } from './weeks';

/** A booking that comes after the window of something that it is for. */
export interface LateBooking {
  readonly booking: BookedVisit;
  /** The care that waits longest beyond its window. */
  readonly key: string;
  /** The day its window closes, or today where that is past. */
  readonly closes: Day;
  /** Days between the two. */
  readonly lateBy: number;
}

/** So many days beyond its window are worth a call; fewer where it is delicate, or was found above acceptable [house values]. */
const LATE = { ordinary: 7, delicate: 3 } as const;
const DELICATE_FROM = 1.5;

/**
 * The next booking of each dog, where what was found since has made it too late: the care it is for is due at least so many
 * days sooner. A series is booked by the calendar; this is how it is moved by what is found. The latest first.
 */
export function bookedTooLate(weeks: Weeks): LateBooking[] {
  const dogs = new Map(weeks.dogs.map((dog) => [dog.id, dog.its]));
  const next = new Map<string, BookedVisit>();
  for (const each of weeks.booked.toSorted((a, b) => a.day.localeCompare(b.day)))
    if (each.choice !== null && each.day > weeks.first && !next.has(each.dog)) next.set(each.dog, each);
  return [...next.values()]
    .flatMap((booking): LateBooking[] => {
      const its = dogs.get(booking.dog);
      if (!its || booking.choice === null) return [];
      const { covers } = visitChoice(its, booking.choice);
      const late = its.care
        .filter(({ key }) => covers.includes(key))
        .map(({ key, last, latest, weight }) => {
          const window = addDays(last, latest);
          const closes = window > weeks.first ? window : weeks.first;
          return { key, closes, weight, lateBy: daysBetween(closes, booking.day) };
        })
        .filter(({ weight, lateBy }) => lateBy >= (weight >= DELICATE_FROM ? LATE.delicate : LATE.ordinary))
        .toSorted((a, b) => b.weight * b.lateBy - a.weight * a.lateBy);
      const [worst] = late;
      return worst ? [{ booking, key: worst.key, closes: worst.closes, lateBy: worst.lateBy }] : [];
    })
    .toSorted((a, b) => b.lateBy - a.lateBy);
}
