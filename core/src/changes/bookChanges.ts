import { comparePlans } from './comparePlans';
import type { DogFacts } from '../dog';
import type { Interval } from '../rhythm';
import type { HouseQuestion } from '../ways';
import { makePlan, type CarePlan } from '../careplan';

/** A dog of the book with the plan it has now. */
export interface BookEntry {
  readonly facts: DogFacts;
  readonly plan: CarePlan;
}

export const openBook = (book: readonly DogFacts[]): BookEntry[] =>
  book.map((facts) => ({ facts, plan: makePlan(facts) }));

/** How many dogs' plans would change if the business followed another school. Pure. */
export const plansThatChange = (book: readonly BookEntry[], question: HouseQuestion, school: string): number =>
  book.filter(
    (dog) =>
      // A dog with a way of its own keeps it.
      dog.facts.ownWays[question] === undefined &&
      dog.facts.ways[question] !== school &&
      changes(dog, { ways: { ...dog.facts.ways, [question]: school } }),
  ).length;

/** How many dogs' plans would change if the business set other days for a row of the rules; null: as it ships. Pure. */
export function plansThatMove(book: readonly BookEntry[], row: string, set: Interval | null): number {
  return book.filter((dog) => {
    const { [row]: _, ...others } = dog.facts.intervals;
    return changes(dog, { intervals: set === null ? others : { ...others, [row]: set } });
  }).length;
}

const changes = ({ facts, plan }: BookEntry, otherwise: Partial<DogFacts>): boolean =>
  comparePlans(plan, makePlan({ ...facts, ...otherwise })).length > 0;

/** How many dogs have their interval from each row of the rules. Pure. */
export function dogsByRow(book: readonly BookEntry[]): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const { plan } of book) {
    const rows = plan.lines.flatMap(({ interval, settled }) => (interval && settled ? settled.won : []));
    for (const id of new Set(rows.map(({ ruleId }) => ruleId))) counts.set(id, (counts.get(id) ?? 0) + 1);
  }
  return counts;
}
