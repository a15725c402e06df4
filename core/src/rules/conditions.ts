import type { CanalHair, Handling, PlainTrait, Traits } from '../catalogue';
import { FOLD_SITES, type FoldSite } from '../places';
import { monthOf } from '../units';
import type { LifeStage } from '../catalogue';
import { namedProduct, type CoatCondition, type DogFacts, type Skin } from '../dog';
import type { HouseQuestion, HouseWays } from '../ways';
import type { Task } from '../tasks';
import { waysFor } from '../work';
import type { RuleCondition } from './rule';

/** Small readable tests that the rule table is made of. */

export const always: RuleCondition = { words: 'every dog', holds: () => true };

const joined = (parts: readonly RuleCondition[]) =>
  parts.some(({ ofPlace }) => ofPlace) ? { ofPlace: true as const } : {};

export const all = (...needs: readonly RuleCondition[]): RuleCondition => ({
  words: needs.map((need) => need.words).join(', '),
  holds: (facts, place) => needs.every((need) => need.holds(facts, place)),
  ...joined(needs),
});

export const either = (...ways: readonly RuleCondition[]): RuleCondition => ({
  words: ways.map((way) => way.words).join(' or '),
  holds: (facts, place) => ways.some((way) => way.holds(facts, place)),
  ...joined(ways),
});

export const not = (need: RuleCondition): RuleCondition => ({
  words: `not: ${need.words}`,
  holds: (facts, place) => !need.holds(facts, place),
  ...joined([need]),
});

/** The trait is one of these. */
export const trait = <K extends PlainTrait>(key: K, ...values: readonly Traits[K][]): RuleCondition => ({
  words: `${values.join(' or ')} ${TRAIT_NAMES[key]}`,
  holds: ({ traits }) => values.includes(traits[key]),
});

/** Hair in this ear, as it was seen there, or as the breed lets one expect. */
export const hairInEar = (...values: readonly CanalHair[]): RuleCondition => ({
  words: `${values.join(' or ')} ${TRAIT_NAMES.canalHair}`,
  holds: ({ traits, ears }, place) => {
    const seen = place !== null && place.side !== 'none' ? ears[place.side].hair : null;
    return values.includes(seen ?? traits.canalHair);
  },
  ofPlace: true,
});

const TRAIT_NAMES: Readonly<Record<PlainTrait, string>> = {
  coat: 'coat',
  coatLength: 'coat length',
  coatDensity: 'coat',
  shedding: 'shedding',
  ears: 'ears',
  canalHair: 'hair in the canal',
  muzzle: 'muzzle',
  eyeSet: 'eyes',
  tearing: 'tearing',
};

export const stage = (value: LifeStage): RuleCondition => ({
  words: value,
  holds: (facts) => facts.lifeStage === value,
});
export const skin = (...values: readonly Skin[]): RuleCondition => ({
  words: `${values.join(' or ')} skin`,
  holds: (facts) => values.includes(facts.skin),
});

/** The coat as it is now. */
export const coatIs = (condition: CoatCondition): RuleCondition => ({
  words: `${condition} coat now`,
  holds: ({ coatCondition }) => coatCondition === condition,
});

export const way = <Q extends HouseQuestion>(question: Q, ...schools: readonly HouseWays[Q][]): RuleCondition => ({
  words: `house way: ${schools.join(' or ')}`,
  holds: (facts) => schools.includes(waysFor(facts)[question]),
});

export const fact = (words: string, holds: (facts: DogFacts) => boolean): RuleCondition => ({ words, holds });

/** A vet named a product for this work. */
export const vetNamed = (task: Task): RuleCondition => ({
  words: `a vet named a product for it: ${task}`,
  holds: (facts) => namedProduct(facts, task, null)?.by === 'vet',
});

/** Most dogs of this breed bring it along. */
export const minds = (matter: Handling): RuleCondition => ({
  words: matter,
  holds: ({ breedHandling }) => breedHandling.includes(matter),
});

/** Months in which heavy coats moult [house value]. */
export const MOULTING_MONTHS = [3, 4, 5, 9, 10, 11];

/** Today lies in these months; null: in the dog's own grass-seed months. */
export const inMonths = (words: string, months: readonly number[] | null): RuleCondition => ({
  words,
  holds: ({ today, grassSeedMonths }) => (months ?? grassSeedMonths).includes(monthOf(today)),
});

/** The fold at hand has this depth. */
export const foldIs = (depth: 'light' | 'deep'): RuleCondition => ({
  words: `${depth} fold`,
  holds: ({ traits }, place) => {
    const site = FOLD_SITES.find((each): each is FoldSite => place?.site === `fold ${each}`);
    return site !== undefined && traits.folds[site] === depth;
  },
  ofPlace: true,
});

export const flatFaced = trait('muzzle', 'flat');

/** Young, old or thin-coated: kept warm, and dried at once. */
export const chilly = either(minds('chills'), stage('puppy'), stage('senior'));
