import type { DogFacts } from '../dog';
import type { HouseWays } from '../ways';

/** What a dog that tires has of the business's patience, in minutes; null: no limit, or no such dog. */
export interface TiringBudget {
  readonly standing: number | null;
  readonly dryer: number | null;
  /** Why this dog has one, within a sentence. */
  readonly because: string;
}

const STANDING: Readonly<Record<HouseWays['standingMinutes'], number | null>> = {
  '45 min': 45,
  '30 min': 30,
  '60 min': 60,
  'no limit': null,
};
const DRYER: Readonly<Record<HouseWays['dryerMinutes'], number | null>> = {
  '15 min': 15,
  '10 min': 10,
  '25 min': 25,
  'no limit': null,
};

/** Old, blind, flat-faced dogs and those that cannot stand tire: they have a budget of minutes, set by the business. */
export function tiringBudget(facts: DogFacts): TiringBudget | null {
  const why = [
    ...(facts.lifeStage === 'senior' ? ['old'] : []),
    ...(facts.handling.sight === 'blind' ? ['blind'] : []),
    ...(facts.traits.muzzle === 'flat' ? ['flat-faced'] : []),
    ...(facts.canStandThroughBath ? [] : ['it cannot stand through a bath']),
  ];
  if (why.length === 0) return null;
  return {
    standing: STANDING[facts.ways.standingMinutes],
    dryer: DRYER[facts.ways.dryerMinutes],
    because: why.join(', '),
  };
}
