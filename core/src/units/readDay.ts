import { addDays, daysBetween, isDay, type Day } from './day';

/** How dates are written where the business is. */
export type DateOrder = 'day first' | 'month first';

export interface ReadDay {
  readonly today: Day;
  readonly order: DateOrder;
  /** Where no year was typed: the next such day, or the last one. */
  readonly near: 'ahead' | 'behind';
}

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const WEEKDAYS = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'];
const NAMED: Readonly<Record<string, number>> = { today: 0, tomorrow: 1, yesterday: -1 };

/**
 * The day that somebody typed: "3 dec", "3/12", "3.12.26", "thu", "tomorrow", "+14", "5w", "2026-12-03". Null where it is
 * none, or could be two things.
 * @example
 * readDay('3 dec', { today: day('2026-11-25'), order: 'day first', near: 'ahead' }) // '2026-12-03'
 */
export function readDay(typed: string, how: ReadDay): Day | null {
  const text = typed.trim().toLowerCase().replaceAll(',', ' ');
  if (isDay(text)) return text;
  return relative(text, how) ?? written(text, how);
}

function relative(text: string, { today, near }: ReadDay): Day | null {
  if (text in NAMED) return addDays(today, NAMED[text] ?? 0);
  const on = /^([+-])\s*(\d{1,3})$/.exec(text);
  if (on) return addDays(today, (on[1] === '-' ? -1 : 1) * Number(on[2]));
  const weeks = /^\+?\s*(\d{1,2})\s*w(eeks?)?$/.exec(text);
  if (weeks) return addDays(today, 7 * Number(weeks[1]));
  const weekday = text.length < 3 ? -1 : WEEKDAYS.findIndex((name) => isWordOf(text, name, WEEKDAY_ENDS));
  if (weekday < 0) return null;
  const now = new Date(`${today}T00:00:00Z`).getUTCDay();
  const gap = near === 'ahead' ? (weekday - now + 7) % 7 || 7 : -((now - weekday + 7) % 7 || 7);
  return addDays(today, gap);
}

const WEEKDAY_ENDS = ['', 'day', 's', 'sday', 'nesday', 'rs', 'rsday', 'urday'];
const isWordOf = (text: string, start: string, ends: readonly string[]): boolean =>
  ends.some((end) => text === start + end);

/** Numbers and a name of a month, in either order. */
function written(text: string, how: ReadDay): Day | null {
  const pieces = text.split(/[\s./-]+/).filter((piece) => piece !== '' && !WEEKDAYS.includes(piece));
  const named = pieces.findIndex((piece) => /^[a-z]{3,}$/.test(piece));
  const numbers = pieces.filter((_, i) => i !== named).map((piece) => piece.replace(/(?<=\d)(st|nd|rd|th)$/, ''));
  if (!numbers.every((piece) => /^\d{1,4}$/.test(piece))) return null;
  if (named >= 0) {
    const month = MONTHS.findIndex((name) => pieces[named]?.startsWith(name)) + 1;
    const [day, year] = numbers;
    return month === 0 || numbers.length > 2 ? null : dated(day, month, year, how);
  }
  const [a, b, year] = numbers;
  if (numbers.length < 2 || numbers.length > 3) return null;
  const [day, month] = how.order === 'day first' ? [a, b] : [b, a];
  return dated(day, Number(month), year, how) ?? (Number(month) > 12 ? dated(month, Number(day), year, how) : null);
}

function dated(day: string | undefined, month: number, year: string | undefined, { today, near }: ReadDay): Day | null {
  if (day === undefined) return null;
  const of = (y: number): Day | null => {
    const text = `${y}-${String(month).padStart(2, '0')}-${day.padStart(2, '0')}`;
    return isDay(text) ? text : null;
  };
  if (year !== undefined)
    return year.length === 2 ? of(2000 + Number(year)) : year.length === 4 ? of(Number(year)) : null;
  // 29 February is not in every year.
  const years = [-4, -3, -2, -1, 0, 1, 2, 3, 4].map((by) => of(Number(today.slice(0, 4)) + by));
  const days = years.filter((each) => each !== null);
  return near === 'ahead'
    ? (days.find((each) => daysBetween(today, each) >= 0) ?? null)
    : (days.findLast((each) => daysBetween(today, each) <= 0) ?? null);
}

/**
 * Minutes from midnight that somebody typed: "9", "9:30", "930", "9.30", "2pm", "14:00". Null where it is no time.
 * @example
 * readTime('2.15 pm') // 855
 */
export function readTime(typed: string): number | null {
  const found = /^(\d{1,2})(?:[:.h\s]?(\d{2}))?\s*(a|p|am|pm|a\.m\.|p\.m\.)?$/.exec(typed.trim().toLowerCase());
  if (!found) return null;
  const [, hours = '', minutes = '00', half] = found;
  const hour = Number(hours);
  if (Number(minutes) > 59 || hour > (half ? 12 : 23) || (half && hour === 0)) return null;
  const from = half === undefined ? hour : (hour % 12) + (half.startsWith('p') ? 12 : 0);
  return from * 60 + Number(minutes);
}

/** "9:30", "14:00"; where hours are counted to twelve "9:30 am", "2:00 pm". */
export function showTime(minute: number, twelve: boolean): string {
  const hour = Math.floor(minute / 60);
  const rest = String(minute % 60).padStart(2, '0');
  return twelve ? `${hour % 12 || 12}:${rest} ${hour < 12 ? 'am' : 'pm'}` : `${hour}:${rest}`;
}
