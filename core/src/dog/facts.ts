import { composeTraits, earOdds, type Catalogue, type CoatCondition, type Handling, type Traits } from '../catalogue';
import type { EarCondition, EyeCondition, Finding, KnownSign } from '../findings';
import type { PlaceKey, Side } from '../places';
import { EASY, type HandlingNotes } from '../handling';
import { HOUSE_AMOUNTS } from '../dilution';
import { kilograms, type Day, type Kilograms } from '../units';
import type { LifeStage } from '../catalogue';
import { DEFAULT_HOUSE_WAYS, type HouseWays } from '../ways';
import type { SignSeen } from '../reasons';
import type { VetLift } from '../stops';
import { NO_HAIR_RECORD, type EarHairRecord } from './earHair';
import type { Instruction } from './instructions';
import type { HouseIntervals } from './houseIntervals';
import type { OwnBath, WashKinds } from './ownBath';
import type { OwnWays } from './ownWays';
import { DEFAULT_SERVICES, type BusinessServices } from '../ways';

export const SKIN = ['healthy', 'sensitive', 'allergic', 'under treatment'] as const;
export type Skin = (typeof SKIN)[number];

export interface EarHistory extends EarHairRecord {
  readonly conditions: readonly EarCondition[];
  /** Ever plucked, and how many days ago the last time was; null days = nobody knows whether or when. */
  readonly plucked: 'never' | { readonly daysAgo: number | null };
  readonly ownerForbidsPlucking: boolean;
}

/**
 * A place under a stop of an earlier visit, which no vet has answered and no clear look has ended: what was found, or
 * the words of a version that says it otherwise.
 */
export type Suspended = { readonly findings: readonly Finding[]; readonly on: Day } | { readonly words: string };

/** What is asked at each handover, with the last answers. */
export interface Fitness {
  /** Day of the last spot-on the owner knows of. */
  readonly spotOn: Day | null;
  readonly stitches: boolean;
  readonly fits: boolean;
  readonly heart: boolean;
  readonly inSeason: boolean;
  /** It lives with a cat. */
  readonly cats: boolean;
}
export const FIT: Fitness = { spotOn: null, stitches: false, fits: false, heart: false, inSeason: false, cats: false };

/** Everything the plan of one dog depends on. Made by the server or a worker; the rules read nothing else. */
export interface DogFacts {
  readonly traits: Traits;
  /** Matters of handling that the breed or its parents bring along. */
  readonly breedHandling: readonly Handling[];
  readonly weight: Kilograms;
  readonly lifeStage: LifeStage;
  readonly canStandThroughBath: boolean;
  readonly skin: Skin;
  readonly coatCondition: CoatCondition;
  readonly fitness: Fitness;
  readonly swims: boolean;
  readonly grassSeedMonths: readonly number[];
  /** Months in which its eyes and paws itch; 1 is January. */
  readonly hayFeverMonths: readonly number[];
  /** Farm, beach, mud: work or play that dirties it. */
  readonly dirtyWork: boolean;
  /** Walks on asphalt, or digs: its toes wear down, its dewclaws never. */
  readonly hardGround: boolean;
  /** White or so pale that every stain shows. */
  readonly whiteCoat: boolean;
  readonly stiffJoints: boolean;
  /** Breathes tightly, whatever its face. */
  readonly tightBreathing: boolean;
  /** A vet has seen why the eyes tear. */
  readonly tearingSeenByVet: boolean;
  readonly earTrouble: 'none' | 'in the past, no word from a vet' | 'in the past, vet knows';
  readonly earOdds: number | null;
  readonly ears: Readonly<Record<Side, EarHistory>>;
  /** What is known of each eye without any sign. */
  readonly eyes: Readonly<Record<Side, readonly EyeCondition[]>>;
  readonly pluckingConsent: boolean;
  readonly pluckingStress: 'none' | 'slight' | 'plain' | 'bad' | 'broke off' | 'broke off today';
  readonly nailsOvergrown: boolean;
  /** A nail of it bled at some visit. */
  readonly nailBled: boolean;
  /** Products it reacted to, in the groomer's words; may be empty. */
  readonly reactions: string;
  /** Products that its skin reacted to at the table, by id. */
  readonly reactedTo: readonly string[];
  /** A haze of the eye that a vet knows. */
  readonly hazeKnown: boolean;
  /** What is noted of handling this dog. */
  readonly handling: HandlingNotes;
  /** The owner's word on a muzzle; null = never asked. */
  readonly muzzleAgreed: boolean | null;
  /** What the business does at all, by place and law. */
  readonly services: BusinessServices;
  /** Above it the business lifts by two, kg. */
  readonly liftAloneKg: number;
  /** As they are for this dog: its own ones before the business's. */
  readonly ways: HouseWays;
  /** Questions that this dog has an answer of its own to. */
  readonly ownWays: OwnWays;
  /** Mix for wash 1, ml per m² of skin, as the business has found. */
  readonly mixPerSquareMetre: number;
  /** What kind of wash the business takes where the table of washes says another. */
  readonly washKinds: WashKinds;
  /** How often, where the business sees a row of the rules otherwise. */
  readonly intervals: HouseIntervals;
  /** Products chosen for this dog's bath, with why. */
  readonly ownBath: OwnBath;
  readonly instructions: readonly Instruction[];
  readonly lifts: readonly VetLift[];
  /** Signs a vet has judged, dated: unchanged, they are "as always". */
  readonly known: readonly KnownSign[];
  readonly suspended: Readonly<Partial<Record<PlaceKey, Suspended>>>;
  /** What the last look-over said of an ear, for the hair decision: any redness, damp or smell. */
  readonly earUnsettled: Readonly<Record<Side, readonly SignSeen[]>>;
  readonly today: Day;
}

const UNKNOWN_EAR: EarHistory = {
  ...NO_HAIR_RECORD,
  conditions: [],
  plucked: { daysAgo: null },
  ownerForbidsPlucking: false,
};

/** The business's weight above which two people lift, until it says otherwise, kg [house value]. */
export const LIFT_ALONE_KG = 20;

/** What is so of a dog where nobody knows better; its breed and the day are known. */
export const NOTHING_KNOWN: Omit<DogFacts, 'traits' | 'breedHandling' | 'earOdds' | 'today'> = {
  weight: kilograms(10),
  lifeStage: 'adult',
  canStandThroughBath: true,
  skin: 'healthy',
  coatCondition: 'good',
  fitness: FIT,
  swims: false,
  grassSeedMonths: [],
  hayFeverMonths: [],
  dirtyWork: false,
  hardGround: false,
  whiteCoat: false,
  stiffJoints: false,
  tightBreathing: false,
  tearingSeenByVet: false,
  earTrouble: 'none',
  ears: { left: UNKNOWN_EAR, right: UNKNOWN_EAR },
  eyes: { left: [], right: [] },
  pluckingConsent: false,
  pluckingStress: 'none',
  nailsOvergrown: false,
  nailBled: false,
  reactions: '',
  reactedTo: [],
  hazeKnown: false,
  handling: EASY,
  muzzleAgreed: null,
  services: DEFAULT_SERVICES,
  liftAloneKg: LIFT_ALONE_KG,
  ways: DEFAULT_HOUSE_WAYS,
  ownWays: {},
  mixPerSquareMetre: HOUSE_AMOUNTS.mixPerSquareMetre,
  washKinds: {},
  intervals: {},
  ownBath: {},
  instructions: [],
  lifts: [],
  known: [],
  suspended: {},
  earUnsettled: { left: [], right: [] },
};

/** A dog of these breeds of which nothing else is known: adult, 10 kg, well. `known` replaces what is. */
export function plainDog(
  breedIds: readonly string[],
  known: Partial<DogFacts> & Pick<DogFacts, 'today'>,
  catalogue?: Catalogue,
): DogFacts {
  const { traits, breeds, handling } = composeTraits(breedIds, {}, catalogue);
  return { ...NOTHING_KNOWN, traits, breedHandling: handling, earOdds: earOdds(breeds), ...known };
}
