import { TZDate } from '@date-fns/tz';
import type { Day } from '@dewpond/core/units';
import { addDays as addCalendarDays, format, startOfDay } from 'date-fns';

/** The calendar day of an instant in a business's zone. */
export const dayIn = (zone: string, instant: number | Date): Day =>
  format(new TZDate(Number(instant), zone), 'yyyy-MM-dd') as Day;

/** First instant of a day in a zone, and of the day after: right across clock changes. */
export function spanOf(zone: string, from: Day, to: Day = from): { readonly start: Date; readonly end: Date } {
  const start = startOfDay(new TZDate(`${from}T12:00:00`, zone));
  const end = addCalendarDays(startOfDay(new TZDate(`${to}T12:00:00`, zone)), 1);
  return { start: new Date(Number(start)), end: new Date(Number(end)) };
}

/** The instant of a wall-clock time in a zone. */
export const instantIn = (zone: string, day: Day, time: string): Date =>
  new Date(Number(new TZDate(`${day}T${time}:00`, zone)));
