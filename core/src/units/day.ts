import type { Brand } from './brand';

/** A calendar day of the business's own zone, `YYYY-MM-DD`. Not an instant. */
export type Day = Brand<string, 'day'>;

const MS_PER_DAY = 86_400_000;

/** Whether the text is a real calendar day between 1900 and 2200 (30 February is not). */
export function isDay(text: string): text is Day {
  if (!/^(19|20|21)\d\d-\d\d-\d\d$/.test(text)) return false;
  const ms = Date.parse(`${text}T00:00:00Z`);
  return !Number.isNaN(ms) && new Date(ms).toISOString().startsWith(text);
}

/** Throws `RangeError` when the text is not a calendar day. */
export function day(text: string): Day {
  if (!isDay(text)) throw new RangeError(`"${text}" is not a calendar day.`);
  return text;
}

/** Whole days from `from` to `to`; negative when `to` is earlier. */
export function daysBetween(from: Day, to: Day): number {
  return Math.round((Date.parse(to) - Date.parse(from)) / MS_PER_DAY);
}

/** The day `count` whole days later. */
export function addDays(from: Day, count: number): Day {
  return new Date(Date.parse(from) + count * MS_PER_DAY).toISOString().slice(0, 10) as Day;
}

/**
 * The same day of the month so many months later; the last of the month where it has no such day (31 May + 1: 30 June).
 * @example
 * addMonths(day('2026-01-31'), 1) // '2026-02-28'
 */
export function addMonths(from: Day, count: number): Day {
  const months = Number(from.slice(0, 4)) * 12 + Number(from.slice(5, 7)) - 1 + count;
  const first = `${Math.floor(months / 12)}-${String((months % 12) + 1).padStart(2, '0')}`;
  const last = new Date(Date.UTC(Math.floor(months / 12), (months % 12) + 1, 0)).getUTCDate();
  return `${first}-${String(Math.min(last, Number(from.slice(8)))).padStart(2, '0')}` as Day;
}

/** Age in whole years on `on`, as people count it; −1 before birth. */
export function yearsOld(born: Day, on: Day): number {
  const birthdayPassed = on.slice(5) >= born.slice(5);
  return Number(on.slice(0, 4)) - Number(born.slice(0, 4)) - (birthdayPassed ? 0 : 1);
}

/** Month number 1–12. */
export const monthOf = (on: Day): number => Number(on.slice(5, 7));

/** Making a format is slow, and there are only so many languages. */
function formatsOf(options: Intl.DateTimeFormatOptions): (language: string) => Intl.DateTimeFormat {
  const made = new Map<string, Intl.DateTimeFormat>();
  return (language) => {
    const format = made.get(language) ?? new Intl.DateTimeFormat(language, { ...options, timeZone: 'UTC' });
    made.set(language, format);
    return format;
  };
}
const dayFormat = formatsOf({ weekday: 'short', day: 'numeric', month: 'short' });
const monthFormat = formatsOf({ month: 'long' });

/** "Thu, 3 Dec" without the comma: "Thu 3 Dec"; in another language as that language writes it (BCP 47). */
export const showDay = (on: Day, language = 'en-GB'): string =>
  dayFormat(language)
    .format(new Date(`${on}T00:00:00Z`))
    .replace(',', '');

const yearFormat = formatsOf({ day: 'numeric', month: 'short', year: 'numeric' });

/** "3 Dec 2026", in another language as that language writes it: "Dec 3, 2026". */
export const showDayOfYear = (on: Day, language = 'en-GB'): string =>
  yearFormat(language).format(new Date(`${on}T00:00:00Z`));

/** "September"; with its year where that is not the year of `seenFrom`: "September 2025". */
export function showMonth(on: Day, seenFrom: Day, language = 'en-GB'): string {
  const year = on.slice(0, 4);
  const month = monthFormat(language).format(new Date(`${on}T00:00:00Z`));
  return year === seenFrom.slice(0, 4) ? month : `${month} ${year}`;
}

/**
 * "3 times a day", "every day", "once a week", "every 3 days"
 * @example
 * everyWords(28) // 'every 28 days'
 */
export function everyWords(days: number): string {
  if (days < 1) return timesADay(days) === 2 ? 'twice a day' : `${timesADay(days)} times a day`;
  return days === 1 ? 'every day' : days === 7 ? 'once a week' : `every ${days} days`;
}

/** How often on each of its days: once, but for what is done every half or third of a day. */
export const timesADay = (everyDays: number): number => Math.max(1, Math.round(1 / everyDays));

/** From one of its days to the next, whole days: what is done several times a day comes every day. */
export const daysApart = (everyDays: number): number => Math.max(1, everyDays);
