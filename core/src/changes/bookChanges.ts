import { comparePlans } from './comparePlans';
import type { DogFacts } from '../dog';
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
    ({ facts, plan }) =>
      // A dog with a way of its own keeps it.
      facts.ownWays[question] === undefined &&
      facts.ways[question] !== school &&
      comparePlans(plan, makePlan({ ...facts, ways: { ...facts.ways, [question]: school } })).length > 0,
  ).length;
