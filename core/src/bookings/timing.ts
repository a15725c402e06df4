import { visitChoice, type CareDue, type DayIndex, type DogToBook } from './book';

/** How a day lies to the care that is due first on it, and to all that is done. */
export type TimingReason =
  | {
      readonly about: 'care';
      readonly key: string;
      readonly is: 'best' | 'sooner' | 'later' | 'late';
      /** Between the best day of that care and this one. */
      readonly days: number;
    }
  /** How much of what is done is inside its due windows then. */
  | { readonly about: 'whole'; readonly inside: number; readonly of: number };

interface VisitOnDay {
  readonly day: DayIndex;
  readonly choice: 'full' | 'short';
}

/** The care that a visit does, each counted from the last of the other visits before it that does it, or as it was. */
export function careThen(dog: DogToBook, visit: VisitOnDay, others: readonly VisitOnDay[]): CareDue[] {
  const { covers } = visitChoice(dog, visit.choice);
  const before = others.filter(({ day }) => day < visit.day);
  return dog.care
    .filter(({ key }) => covers.includes(key))
    .map((each) => {
      const done = before.filter(({ choice }) => visitChoice(dog, choice).covers.includes(each.key));
      return { ...each, last: Math.max(each.last, ...done.map(({ day }) => day)) };
    });
}

/** The care that is due first; there is some. */
export const driverOf = (care: readonly CareDue[]): CareDue =>
  care.reduce((first, each) => (each.last + each.ideal < first.last + first.ideal ? each : first));

/** Why a day: against the care that is due first, and, where that is not on its best day, how much is inside its windows. */
export function timingOf(care: readonly CareDue[], day: DayIndex): TimingReason[] {
  const { key, last, ideal, latest } = driverOf(care);
  const days = day - (last + ideal);
  if (days === 0) return [{ about: 'care', key, is: 'best', days }];
  const is = days < 0 ? 'sooner' : day > last + latest ? 'late' : 'later';
  const inside = care.filter((each) => each.earliest <= day - each.last && day - each.last <= each.latest).length;
  return [
    { about: 'care', key, is, days: Math.abs(days) },
    { about: 'whole', inside, of: care.length },
  ];
}
