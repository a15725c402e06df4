import { addDays, day, type Day } from '../units';

/** What a house may let go of by itself, and after which times, in months. Until it chooses, everything is kept. */
export const RETENTION = {
  pictures: {
    name: 'Pictures',
    says: 'Pictures of visits and from home. What was seen stays written down.',
    after: [6, 12, 24, 36, 60],
  },
  messages: {
    name: 'Messages',
    says: 'The words of messages, and to whom they went. That one was sent stays.',
    after: [6, 12, 24, 36, 60],
  },
  // A year at least: who looked into a client's card is asked late [house value].
  log: { name: 'Who did what', says: 'Lines of the log of who saw and changed what.', after: [12, 24, 36, 60, 84] },
  // A dog that is put away may come back [house value].
  'dogs gone': {
    name: 'Visits of dogs long gone',
    says: 'Words, sheets and pictures of visits of dogs that are put away, so long after their last visit. What was found and done stays.',
    after: [24, 36, 60, 84, 120],
  },
} as const satisfies Readonly<
  Record<string, { readonly name: string; readonly says: string; readonly after: readonly number[] }>
>;

export type KeptKind = keyof typeof RETENTION;
export const KEPT_KINDS = Object.keys(RETENTION) as [KeptKind, ...KeptKind[]];
/** By kind, months after which it goes; a kind that is not there is kept for good. */
export type Retention = Readonly<Partial<Record<KeptKind, number>>>;

/** Whether a house may choose that. */
export const isRetention = (kind: KeptKind, months: number): boolean =>
  (RETENTION[kind].after as readonly number[]).includes(months);

/**
 * The first day that is still kept: the same day of the month so many months before, or the last of that month where it has
 * no such day.
 */
export function keptFrom(today: Day, months: number): Day {
  const [year, month, date] = today.split('-').map(Number) as [number, number, number];
  const index = year * 12 + (month - 1) - months;
  const first = (at: number): Day =>
    day(`${String(Math.floor(at / 12)).padStart(4, '0')}-${String((at % 12) + 1).padStart(2, '0')}-01`);
  const last = addDays(first(index + 1), -1);
  const same = addDays(first(index), date - 1);
  return same < last ? same : last;
}
