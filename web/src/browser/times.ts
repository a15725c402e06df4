import { showDay as showDayIn, showTime, type Day } from '@dewpond/core/units';
import { countsToTwelve, locale } from './locale';

/** "Thu 3 Dec", as the business writes it, or as a language (BCP 47) does. */
export const showDay = (on: Day, language: string = locale()): string => showDayIn(on, language);

const walls = new Map<string, Intl.DateTimeFormat>();

/** Minutes from midnight on the wall of a zone. */
export function minuteOf(instant: string | number, zone: string): number {
  const wall =
    walls.get(zone) ??
    new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', hourCycle: 'h23', timeZone: zone });
  walls.set(zone, wall);
  const [hours = 0, minutes = 0] = wall.format(new Date(instant)).split(':').map(Number);
  return hours * 60 + minutes;
}

/** A Monday, to name the days of a week by. */
const MONDAY = Date.UTC(2026, 10, 2);

/** "Mon" for 0 to "Sun" for 6, or the whole word. */
export const weekdayName = (weekday: number, length: 'short' | 'long' = 'short'): string =>
  new Intl.DateTimeFormat(locale(), { weekday: length, timeZone: 'UTC' }).format(MONDAY + weekday * 86_400_000);

/** Minutes from midnight as "9:40", or "9:40 am", as the business writes it. */
export const wallTime = (minute: number): string => showTime(Math.round(minute), countsToTwelve());

/** "9:40" in the business's zone, or "9:40 am", as the business writes it. */
export const clock = (instant: string | number, zone: string): string => wallTime(minuteOf(instant, zone));

/** Minutes from midnight as fields keep a time: "09:40". */
export const fieldTime = (minute: number): string => showTime(minute, false).padStart(5, '0');

/** How long something takes that begins and ends at two instants, min. */
export const minutesOf = ({ startsAt, endsAt }: { readonly startsAt: string; readonly endsAt: string }): number =>
  (Date.parse(endsAt) - Date.parse(startsAt)) / 60_000;

/** Calendar day of an instant in a zone, `YYYY-MM-DD`. */
export const dayOf = (instant: string | number, zone: string): string =>
  new Intl.DateTimeFormat('en-CA', { timeZone: zone }).format(new Date(instant));

/** "2 h 20", "45 min". */
export const duration = (minutes: number): string =>
  minutes < 60
    ? `${Math.round(minutes)} min`
    : `${Math.floor(minutes / 60)} h ${String(Math.round(minutes % 60)).padStart(2, '0')}`;

/** What a clock shows of seconds: "7:05". */
export const minutesSeconds = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

/** "Wed 25 Nov, 9:40" in the business's zone, as a language (BCP 47) writes it. */
export const moment = (instant: string | number, zone: string, language?: string): string =>
  `${showDay(dayOf(instant, zone) as Day, language)}, ${clock(instant, zone)}`;
