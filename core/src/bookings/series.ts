import { addDays, type Day } from '../units';
import type { Span } from './hours';

export interface SeriesQuestion {
  readonly first: Day;
  readonly everyWeeks: number;
  /** The last day that may be booked. */
  readonly until: Day;
  readonly time: Span;
  /** Whether this person is free then. */
  readonly isFree: (day: Day, time: Span) => boolean;
}

export interface SeriesDay {
  /** The day that the pattern asks for. */
  readonly asked: Day;
  /** The nearest day within three on which the same time is free; null where there is none. */
  readonly day: Day | null;
}

/** A series ends after so many visits, whatever was typed. */
export const LONGEST_SERIES = 60;
/** How far a visit of a series may be from the day that was asked for. */
export const NEAR_DAYS = 3;
/** The day itself, then one before, one after… */
const NEAREST = [0, -1, 1, -2, 2, -NEAR_DAYS, NEAR_DAYS] as const;

/**
 * "Every five weeks until March": the days after the first, each on the same weekday at the same time, or as near as that
 * time is free. Throws `RangeError` unless `everyWeeks` is a whole number of at least 1.
 */
export function seriesDays({ first, everyWeeks, until, time, isFree }: SeriesQuestion): SeriesDay[] {
  if (!Number.isInteger(everyWeeks) || everyWeeks < 1) throw new RangeError(`Every ${everyWeeks} weeks.`);
  const days: SeriesDay[] = [];
  for (let i = 1; i < LONGEST_SERIES; i++) {
    const asked = addDays(first, 7 * everyWeeks * i);
    if (asked > until) break;
    const near = NEAREST.map((by) => addDays(asked, by)).find((day) => isFree(day, time));
    days.push({ asked, day: near ?? null });
  }
  return days;
}
