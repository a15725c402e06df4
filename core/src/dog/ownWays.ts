import { HOUSE_QUESTIONS, type HouseQuestion, type HouseWays } from '../ways';

/** A school that this dog has of its own, and why. */
export interface OwnSchool {
  readonly school: string;
  readonly because: string;
}
export type OwnSchools = Readonly<Partial<Record<HouseQuestion, OwnSchool>>>;

/** Why a question is answered otherwise for this dog, and what the business does for the others. */
export type OwnWays = Readonly<
  Partial<Record<HouseQuestion, { readonly because: string; readonly insteadOf: string }>>
>;

/** Questions about the business and not about a dog: they have one answer for all. */
const OF_THE_BUSINESS: ReadonlySet<HouseQuestion> = new Set<HouseQuestion>(['pumpWaste', 'readsOneTo', 'disinfect']);
export const OWN_QUESTIONS = (Object.keys(HOUSE_QUESTIONS) as HouseQuestion[]).filter(
  (question) => !OF_THE_BUSINESS.has(question),
);

const has = (question: HouseQuestion, school: string): boolean =>
  HOUSE_QUESTIONS[question].schools.some(({ id }) => id === school);

/**
 * The business's ways as they are for one dog: its own schools before the business's. A school that is gone, or that is the
 * business's own by now, is none of its own.
 */
export function waysOfDog(house: HouseWays, own: OwnSchools): { readonly ways: HouseWays; readonly ownWays: OwnWays } {
  const kept = OWN_QUESTIONS.flatMap((question) => {
    const its = own[question];
    return its && has(question, its.school) && its.school !== house[question] ? [{ question, ...its }] : [];
  });
  if (kept.length === 0) return { ways: house, ownWays: {} };
  return {
    ways: { ...house, ...Object.fromEntries(kept.map(({ question, school }) => [question, school])) },
    ownWays: Object.fromEntries(
      kept.map(({ question, because }) => [question, { because, insteadOf: house[question] }]),
    ),
  };
}
