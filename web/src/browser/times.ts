import { showDay, type Day } from '@dewpond/core/units';

/** "9:40" in the business's zone. */
export const clock = (instant: string | number, zone: string): string =>
  new Intl.DateTimeFormat('en-GB', { hour: 'numeric', minute: '2-digit', timeZone: zone })
    .format(new Date(instant))
    .replace(/^0(?=\d:)/, '');

/** Calendar day of an instant in a zone, `YYYY-MM-DD`. */
export const dayOf = (instant: string | number, zone: string): string =>
  new Intl.DateTimeFormat('en-CA', { timeZone: zone }).format(new Date(instant));

/** "2 h 20", "45 min". */
export const duration = (minutes: number): string =>
  minutes < 60
    ? `${Math.round(minutes)} min`
    : `${Math.floor(minutes / 60)} h ${String(Math.round(minutes % 60)).padStart(2, '0')}`;

/** "Wed 25 Nov, 9:40" in the business's zone, as a language (BCP 47) writes it. */
export const moment = (instant: string | number, zone: string, language?: string): string =>
  `${showDay(dayOf(instant, zone) as Day, language)}, ${clock(instant, zone)}`;
