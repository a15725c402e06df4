import { addDays, daysBetween, type Day } from '../units';
import type { WorkBlock, DayIndex } from './book';

/** Minutes from midnight on a business's own clock; `from` is before `to`. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** Work without a break, and where: the salon, or an area the van is in. */
export interface WorkSpan extends Span {
  readonly where: string;
}

export const SALON = 'salon';
export const MINUTES_A_DAY = 24 * 60;

/** A person's week: seven days from Monday on, each in order of time; a break is what lies between two spans. */
export type WeekHours = readonly (readonly WorkSpan[])[];

const day: readonly WorkSpan[] = [
  { from: 9 * 60, to: 12 * 60 + 30, where: SALON },
  { from: 13 * 60 + 15, to: 17 * 60, where: SALON },
];
/** What a person works until it is said: Monday to Friday, with a break at noon [house value]. */
export const USUAL_WEEK: WeekHours = [day, day, day, day, day, [], []];

/** Whole days that somebody, or everybody, is away. */
export interface Away {
  /** Null: the business is closed. */
  readonly person: string | null;
  readonly from: Day;
  readonly to: Day;
}

export interface WorkingWeek {
  readonly id: string;
  readonly week: WeekHours;
  /** What this person is good at, in the business's own words. */
  readonly skills: readonly string[];
}

/** 0 for Monday to 6 for Sunday. */
export const weekdayOf = (on: Day): number => (new Date(`${on}T00:00:00Z`).getUTCDay() + 6) % 7;

/** What is wrong with a week, as a sentence; null where it holds. */
export function weekTrouble(week: WeekHours): string | null {
  if (week.length !== 7) return 'A week has seven days.';
  for (const spans of week)
    for (const [i, { from, to }] of spans.entries()) {
      if (from < 0 || to > MINUTES_A_DAY) return 'Work ends at midnight at the latest.';
      if (from >= to) return 'Work ends before it begins.';
      if (i > 0 && from < (spans[i - 1]?.to ?? 0)) return 'Two pieces of work overlap.';
    }
  return null;
}

/**
 * Everybody's blocks over some days, in order of day, person, time. What is taken is cut out; what is left and shorter
 * than `SHORTEST` is no use to anybody.
 */
export function workBlocks(
  workers: readonly Pick<WorkingWeek, 'id' | 'week'>[],
  away: readonly Away[],
  horizon: { readonly first: Day; readonly days: number },
  taken: readonly TakenTime[] = [],
): WorkBlock[] {
  const busy = new Map<string, TakenTime[]>();
  for (const each of taken) {
    const key = `${each.day} ${each.person}`;
    busy.set(key, [...(busy.get(key) ?? []), each]);
  }
  return Array.from({ length: horizon.days }, (_, index) => index).flatMap((index) => {
    const on = addDays(horizon.first, index);
    const isAway = (id: string) =>
      away.some(({ person, from, to }) => (person === null || person === id) && from <= on && on <= to);
    return workers
      .filter(({ id }) => !isAway(id))
      .flatMap(({ id, week }) => {
        const spans = week[weekdayOf(on)] ?? [];
        const taken = busy.get(`${index} ${id}`) ?? [];
        const [first, last] = [spans[0]?.from, spans.at(-1)?.to];
        return spans
          .flatMap((span) => free(span, taken).map((left) => ({ ...left, where: span.where })))
          .map(({ from, to, where }): WorkBlock => ({
            person: id,
            day: index,
            from,
            to,
            where,
            isFirst: from === first,
            isLast: to === last,
          }));
      });
  });
}

/** Time of a person that is not to be had: a booking that is fixed. */
export interface TakenTime extends Span {
  readonly person: string;
  readonly day: DayIndex;
}

/** Bookings are made in quarters of an hour. */
export const QUARTER = 15;
const SHORTEST = QUARTER;

/** What is left of a span, the longest pieces that nothing touches. */
export function free({ from, to }: Span, taken: readonly Span[]): Span[] {
  const left: Span[] = [];
  let at = from;
  for (const each of taken.toSorted((a, b) => a.from - b.from)) {
    if (each.from > at) left.push({ from: at, to: Math.min(each.from, to) });
    at = Math.max(at, each.to);
  }
  if (at < to) left.push({ from: at, to });
  return left.filter((piece) => piece.to - piece.from >= SHORTEST);
}

/** Days of the horizon on one of these weekdays (0 for Monday). */
export const daysOn = (weekdays: readonly number[], first: Day, days: number): DayIndex[] =>
  Array.from({ length: days }, (_, index) => index).filter((index) =>
    weekdays.includes(weekdayOf(addDays(first, index))),
  );

/** A fixed pattern such as "every fifth Thursday": the days of the horizon that are so many weeks from `from`. */
export function daysOfPattern(from: Day, everyWeeks: number, first: Day, days: number): DayIndex[] {
  const every = 7 * everyWeeks;
  const offset = daysBetween(first, from);
  return Array.from({ length: days }, (_, index) => index).filter((index) => (index - offset) % every === 0);
}

/** What a salon has one or a few of. */
export interface PlacesOfSalon {
  readonly tables: number;
  readonly tubs: number;
  readonly dryers: number;
  readonly crates: number;
}
/** Until it is said [house value]. */
export const USUAL_PLACES: PlacesOfSalon = { tables: 2, tubs: 1, dryers: 2, crates: 4 };

/** The next free times of a length, at or after a moment, one of each piece of free time, the soonest first. */
export function nextFree(
  blocks: readonly WorkBlock[],
  minutes: number,
  after: { readonly day: DayIndex; readonly from: number },
  count: number,
): (Span & { readonly person: string; readonly day: DayIndex })[] {
  return blocks
    .map(({ person, day: on, from, to }) => {
      const soonest = on === after.day ? Math.max(from, after.from) : from;
      return {
        person,
        day: on,
        from: soonest,
        to: soonest + minutes,
        fits: on >= after.day && soonest + minutes <= to,
      };
    })
    .filter(({ fits }) => fits)
    .toSorted((a, b) => a.day - b.day || a.from - b.from || a.person.localeCompare(b.person))
    .slice(0, count)
    .map(({ fits: _, ...slot }) => slot);
}
