import type { CoatCondition, LifeStage, Traits } from '../catalogue';
import type { HandlingNotes } from '../handling';
import type { HouseQuestion, HouseWays } from '../ways';

/** All of a dog and its business that decides which pieces of work there are, and what they touch. */
export interface DogAtWork {
  readonly traits: Traits;
  readonly lifeStage: LifeStage;
  readonly coatCondition: CoatCondition;
  readonly ways: HouseWays;
  readonly handling: Pick<HandlingNotes, 'dryer'>;
  /** The business wipes the outside of an ear and puts nothing in. */
  readonly outerEarOnly: boolean;
  /** A wash that a vet or owner prescribed stands in for the business's. */
  readonly isPrescribed: boolean;
  /** The prescribed wash comes second, after a plain one. */
  readonly plainFirst: boolean;
  /** A fold is cleaned with a product, not with water or a plain wipe. */
  readonly foldProduct: boolean;
}

/** What an override looks at. */
type Overridden = Pick<DogAtWork, 'lifeStage' | 'coatCondition'>;

/** A school of the business that gives way to another for some dogs, and why. */
interface Override<Q extends HouseQuestion = HouseQuestion> {
  readonly question: Q;
  readonly school: HouseWays[Q];
  readonly insteadOf: HouseWays[Q];
  readonly when: (dog: Overridden) => boolean;
  readonly because: string;
}

/** Age and coat go before a business's habit. docs/trade.md: schools of cleaning, bath. Common practice, no source. */
const OVERRIDES: readonly Override[] = [
  {
    question: 'earCleaning',
    insteadOf: 'fill',
    school: 'few drops',
    when: ({ lifeStage }) => lifeStage === 'puppy',
    because: 'A pup’s ear is not filled: a few drops.',
  },
  {
    question: 'washes',
    insteadOf: 'one',
    school: 'two',
    when: ({ coatCondition }) => coatCondition === 'oily',
    because: 'An oily coat takes two washes: the first only loosens the grease.',
  },
];

/** Overrides that hold for this dog. */
export const overridesFor = (dog: Overridden & Pick<DogAtWork, 'ways'>): readonly Override[] =>
  OVERRIDES.filter(({ question, insteadOf, when }) => dog.ways[question] === insteadOf && when(dog));

/** The business's ways as they are for this dog. */
export function waysFor(dog: Overridden & Pick<DogAtWork, 'ways'>): HouseWays {
  // Asked for every rule of a plan: most dogs have nothing overridden.
  if (!OVERRIDES.some(({ question, insteadOf, when }) => dog.ways[question] === insteadOf && when(dog)))
    return dog.ways;
  const changed = overridesFor(dog);
  return { ...dog.ways, ...Object.fromEntries(changed.map(({ question, school }) => [question, school])) };
}
