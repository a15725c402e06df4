import type { Handling, Traits } from '../catalogue';
import type { EarCondition, VetLift } from '../findings';
import type { PlaceKey, Side } from '../places';
import type { Day, Kilograms } from '../units';
import type { HouseWays } from './houseWays';
import type { Instruction } from './instructions';

export const SKIN = ['healthy', 'sensitive', 'allergic', 'under treatment'] as const;
export type Skin = (typeof SKIN)[number];
export type LifeStage = 'puppy' | 'adult' | 'senior';

export interface EarHistory {
  readonly conditions: readonly EarCondition[];
  /** Ever plucked, and how many weeks ago the last time was; null weeks = not known. */
  readonly plucked: 'never' | { readonly weeksAgo: number | null };
  readonly ownerForbidsPlucking: boolean;
}

/** What is asked at each handover, with the last answers. */
export interface Fitness {
  /** Day of the last spot-on the owner knows of. */
  readonly spotOn: Day | null;
  readonly stitches: boolean;
  readonly fits: boolean;
  readonly heart: boolean;
  readonly inSeason: boolean;
}
export const FIT: Fitness = { spotOn: null, stitches: false, fits: false, heart: false, inSeason: false };

/** Everything the plan of one dog depends on. Made by the server or a worker; the rules read nothing else. */
export interface DogFacts {
  readonly traits: Traits;
  /** Matters of handling that the breed or its parents bring along. */
  readonly breedHandling: readonly Handling[];
  readonly weight: Kilograms;
  readonly lifeStage: LifeStage;
  readonly canStandThroughBath: boolean;
  readonly skin: Skin;
  readonly fitness: Fitness;
  readonly swims: boolean;
  readonly grassSeedMonths: readonly number[];
  /** A vet has seen why the eyes tear. */
  readonly tearingSeenByVet: boolean;
  readonly earTrouble: 'none' | 'in the past, no word from a vet' | 'in the past, vet knows';
  readonly earOdds: number | null;
  readonly ears: Readonly<Record<Side, EarHistory>>;
  readonly pluckingConsent: boolean;
  readonly pluckingStress: 'none' | 'slight' | 'plain' | 'bad' | 'broke off';
  readonly nailsOvergrown: boolean;
  /** Law or house keeps plucking for vets. */
  readonly pluckingByVetsOnly: boolean;
  readonly ways: HouseWays;
  readonly instructions: readonly Instruction[];
  readonly lifts: readonly VetLift[];
  /** Places under a stop that no vet has answered: what was found there. */
  readonly suspended: Readonly<Partial<Record<PlaceKey, string>>>;
  /** What the last look-over said of an ear, for the hair decision: any redness, damp or smell. */
  readonly earUnsettled: Readonly<Record<Side, string | null>>;
  readonly today: Day;
}

/** Senior by size, in whole years [house values]: small dogs age later. */
const SENIOR_FROM: readonly (readonly [uptoKg: number, years: number])[] = [
  [10, 11],
  [25, 9],
  [45, 8],
  [Infinity, 6],
];

/** Life stage from age in years (null = not known, taken as adult) and weight. Puppy under one year. */
export function lifeStage(years: number | null, weight: Kilograms): LifeStage {
  if (years === null) return 'adult';
  if (years < 1) return 'puppy';
  const senior = SENIOR_FROM.find(([uptoKg]) => weight <= uptoKg)?.[1] ?? 6;
  return years >= senior ? 'senior' : 'adult';
}
