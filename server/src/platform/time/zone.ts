import { TZDate } from '@date-fns/tz';
import type { Day } from '@dewpond/core/units';
import { addDays as addCalendarDays, format, startOfDay } from 'date-fns';

/** The calendar day of an instant in a business's zone. */
export const dayIn = (zone: string, instant: number | Date): Day =>
  format(new TZDate(Number(instant), zone), 'yyyy-MM-dd') as Day;

/** So many minutes after midnight by the wall clock of a zone; a text would be read in the zone of this machine. */
export function onTheWall(zone: string, day: Day, minute: number): TZDate {
  const [year = 0, month = 0, date = 0] = day.split('-').map(Number);
  return new TZDate(year, month - 1, date, Math.floor(minute / 60), minute % 60, 0, zone);
}
const NOON = 12 * 60;

/** First instant of a day in a zone, and of the day after: right across clock changes. */
export function spanOf(zone: string, from: Day, to: Day = from): { readonly start: Date; readonly end: Date } {
  const start = startOfDay(onTheWall(zone, from, NOON));
  const end = addCalendarDays(startOfDay(onTheWall(zone, to, NOON)), 1);
  return { start: new Date(Number(start)), end: new Date(Number(end)) };
}

/** The instant at which a clock on the wall shows so many minutes of a day. */
export const atMinute = (zone: string, day: Day, minute: number): Date =>
  new Date(Number(onTheWall(zone, day, minute)));

/** The instant of a wall-clock time such as "09:30" in a zone. */
export function instantIn(zone: string, day: Day, time: string): Date {
  const [hours = 0, minutes = 0] = time.split(':').map(Number);
  return atMinute(zone, day, hours * 60 + minutes);
}

/** Minutes from midnight that a clock on the wall shows. */
export function minuteIn(zone: string, instant: Date): number {
  const at = new TZDate(Number(instant), zone);
  return at.getHours() * 60 + at.getMinutes();
}
