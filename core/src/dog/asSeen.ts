import { composeTraits, earOdds, lifeStage, nameBreeds, type Catalogue, type Traits } from '../catalogue';
import { daysBetween, kilograms, showWeight, yearsOld, type Day, type UnitSystem } from '../units';
import type { Side } from '../places';
import { NO_HAIR_RECORD } from './earHair';
import { waysOfDog, type OwnSchools } from './ownWays';
import { NOTHING_KNOWN, type DogFacts, type EarHistory } from './facts';

/** What an ear's card says: when its hair was taken out last, as far as anybody knows. */
export type EarCard = Pick<EarHistory, 'conditions' | 'ownerForbidsPlucking'> & {
  readonly plucked: Day | 'never' | 'not known';
};

/** What is seen and told of a dog, without anything of an earlier visit: its card. */
export type DogAsSeen = Pick<
  DogFacts,
  | 'canStandThroughBath'
  | 'skin'
  | 'coatCondition'
  | 'swims'
  | 'grassSeedMonths'
  | 'hayFeverMonths'
  | 'dirtyWork'
  | 'hardGround'
  | 'whiteCoat'
  | 'stiffJoints'
  | 'tightBreathing'
  | 'tearingSeenByVet'
  | 'earTrouble'
  | 'pluckingConsent'
  | 'pluckingStress'
  | 'nailsOvergrown'
  | 'nailBled'
  | 'reactions'
  | 'hazeKnown'
  | 'handling'
  | 'ownBath'
> & {
  readonly breeds: readonly string[];
  readonly weightKg: number;
  readonly born: Day | null;
  /** Traits a groomer saw; the rest are the breed's. */
  readonly seen: Partial<Traits>;
  readonly ears: Readonly<Record<Side, EarCard>>;
  readonly ownWays: OwnSchools;
};

/** What of the business a plan depends on. */
export type BusinessOfPlans = Pick<
  DogFacts,
  'services' | 'liftAloneKg' | 'ways' | 'mixPerSquareMetre' | 'washKinds' | 'intervals'
>;

/** A dog of which nothing but its card is known, on a day: what a first visit stands on, at the server and without a network. */
export function factsAsSeen(card: DogAsSeen, business: BusinessOfPlans, today: Day, catalogue?: Catalogue): DogFacts {
  const { traits, breeds, handling } = composeTraits(card.breeds, card.seen, catalogue);
  const weight = kilograms(card.weightKg);
  return {
    ...NOTHING_KNOWN,
    today,
    traits,
    breedHandling: handling,
    weight,
    lifeStage: lifeStage(card.born === null ? null : yearsOld(card.born, today), weight),
    canStandThroughBath: card.canStandThroughBath,
    skin: card.skin,
    coatCondition: card.coatCondition,
    swims: card.swims,
    grassSeedMonths: card.grassSeedMonths,
    hayFeverMonths: card.hayFeverMonths,
    dirtyWork: card.dirtyWork,
    hardGround: card.hardGround,
    whiteCoat: card.whiteCoat,
    stiffJoints: card.stiffJoints,
    tightBreathing: card.tightBreathing,
    tearingSeenByVet: card.tearingSeenByVet,
    earTrouble: card.earTrouble,
    earOdds: earOdds(breeds),
    ears: { left: earAsSeen(card.ears.left, today), right: earAsSeen(card.ears.right, today) },
    pluckingConsent: card.pluckingConsent,
    pluckingStress: card.pluckingStress,
    nailsOvergrown: card.nailsOvergrown,
    nailBled: card.nailBled,
    reactions: card.reactions,
    hazeKnown: card.hazeKnown,
    handling: card.handling,
    services: business.services,
    liftAloneKg: business.liftAloneKg,
    ...waysOfDog(business.ways, card.ownWays),
    mixPerSquareMetre: business.mixPerSquareMetre,
    washKinds: business.washKinds,
    intervals: business.intervals,
    ownBath: card.ownBath,
  };
}

const earAsSeen = ({ plucked, conditions, ownerForbidsPlucking }: EarCard, today: Day): EarHistory => ({
  ...NO_HAIR_RECORD,
  conditions,
  ownerForbidsPlucking,
  plucked: plucked === 'never' ? 'never' : { daysAgo: plucked === 'not known' ? null : daysBetween(plucked, today) },
});

/** How a dog is told in a line: breed, weight, coat, age. */
export function describeDog(
  { traits: { coat, coatLength }, weight, today }: Pick<DogFacts, 'traits' | 'weight' | 'today'>,
  { breeds, born }: Pick<DogAsSeen, 'breeds' | 'born'>,
  units: UnitSystem,
  catalogue?: Catalogue,
): string {
  const length = coatLength === 'half' ? 'half-length' : coatLength === 'full' ? 'full-length' : coatLength;
  const coatWords = coat.startsWith(length) ? `${coat} coat` : `${length} ${coat} coat`;
  const years = born === null ? null : yearsOld(born, today);
  const age = years === null ? 'age not known' : years < 1 ? 'under a year' : years === 1 ? '1 year' : `${years} years`;
  return [nameBreeds(breeds, catalogue), showWeight(weight, units), coatWords, age].join(', ');
}
