import type { Handling, Traits } from '../catalogue';
import { FOLD_SITES, type FoldSite } from '../places';
import { monthOf } from '../units';
import type { LifeStage } from '../catalogue';
import type { CoatCondition, DogFacts, Skin } from '../dog';
import type { HouseQuestion, HouseWays } from '../ways';
import { waysFor } from '../work';
import type { Condition } from './rule';

/** Small readable tests that the rule table is made of. */

export const always: Condition = { words: 'every dog', holds: () => true };

const joined = (parts: readonly Condition[]) =>
  parts.some(({ ofPlace }) => ofPlace) ? { ofPlace: true as const } : {};

export const all = (...needs: readonly Condition[]): Condition => ({
  words: needs.map((need) => need.words).join(', '),
  holds: (facts, place) => needs.every((need) => need.holds(facts, place)),
  ...joined(needs),
});

export const either = (...ways: readonly Condition[]): Condition => ({
  words: ways.map((way) => way.words).join(' or '),
  holds: (facts, place) => ways.some((way) => way.holds(facts, place)),
  ...joined(ways),
});

export const not = (need: Condition): Condition => ({
  words: `not: ${need.words}`,
  holds: (facts, place) => !need.holds(facts, place),
  ...joined([need]),
});

type PlainTrait = Exclude<keyof Traits, 'folds'>;

/** The trait is one of these. */
export const trait = <K extends PlainTrait>(key: K, ...values: readonly Traits[K][]): Condition => ({
  words: `${values.join(' or ')} ${TRAIT_NAMES[key]}`,
  holds: ({ traits }) => values.includes(traits[key]),
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

export const stage = (value: LifeStage): Condition => ({ words: value, holds: (facts) => facts.lifeStage === value });
export const skin = (...values: readonly Skin[]): Condition => ({
  words: `${values.join(' or ')} skin`,
  holds: (facts) => values.includes(facts.skin),
});

/** The coat as it is now. */
export const coatIs = (condition: CoatCondition): Condition => ({
  words: `${condition} coat now`,
  holds: ({ coatCondition }) => coatCondition === condition,
});

export const way = <Q extends HouseQuestion>(question: Q, ...schools: readonly HouseWays[Q][]): Condition => ({
  words: `house way: ${schools.join(' or ')}`,
  holds: (facts) => schools.includes(waysFor(facts)[question]),
});

export const fact = (words: string, holds: (facts: DogFacts) => boolean): Condition => ({ words, holds });

/** Most dogs of this breed bring it along. */
export const minds = (matter: Handling): Condition => ({
  words: matter,
  holds: ({ breedHandling }) => breedHandling.includes(matter),
});

/** Today lies in these months; null: in the dog's own grass-seed months. */
export const inMonths = (words: string, months: readonly number[] | null): Condition => ({
  words,
  holds: ({ today, grassSeedMonths }) => (months ?? grassSeedMonths).includes(monthOf(today)),
});

/** The fold at hand has this depth. */
export const foldIs = (depth: 'light' | 'deep'): Condition => ({
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
