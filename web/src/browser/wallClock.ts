import { TZDate } from '@date-fns/tz';

/** The instant at which a clock on the wall of a zone shows so many minutes of a day; NaN where the day is none. */
export function instantAt(day: string, minute: number, zone: string): number {
  const [year = NaN, month = NaN, date = NaN] = day.split('-').map(Number);
  return Number(new TZDate(year, month - 1, date, Math.floor(minute / 60), minute % 60, 0, zone));
}
