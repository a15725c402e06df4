import {
  CANAL_HAIR,
  COATS,
  COAT_DENSITIES,
  COAT_LENGTHS,
  EAR_CARRIAGES,
  EYE_SETS,
  HANDLING,
  MUZZLES,
  SHEDDING,
  TEARING,
  type Handling,
  type Traits,
} from '@dewpond/core/catalogue';
import {
  HAIR_BORNE,
  HAIR_CAME,
  HAIR_LEFT,
  BATH_TASKS,
  COAT_CONDITIONS,
  SKIN,
  type DogFacts,
  type HouseIntervals,
  type EarHistory,
  type Fitness,
  type Instruction,
  type OwnBath,
  type OwnWays,
  type Suspended,
  type WashKinds,
} from '@dewpond/core/dog';
import {
  EAR_CONDITIONS,
  FINDING_COLOURS,
  FINDING_SMELLS,
  type Finding,
  type FindingDetails,
  type KnownSign,
} from '@dewpond/core/findings';
import {
  BEST_TIMES,
  DRYERS,
  HEARING,
  HELPERS,
  LIKES,
  MINDS,
  MUZZLES_WORN,
  SIGHT,
  TETHERS,
  type HandlingNotes,
} from '@dewpond/core/handling';
import type { VetLift } from '@dewpond/core/stops';
import type { Kilograms } from '@dewpond/core/units';
import type { HouseWays } from '@dewpond/core/ways';
import { z } from 'zod';
import { daySchema, foldDepths, grade, id, interval, place } from './basics';
import { saying } from './instructions';
import { signSeen } from './reasons';
import { bodyWash, does, houseQuestion, placeKey, procedure, service, sign } from './trade';

const kilograms = z.number() as unknown as z.ZodType<Kilograms>;
const lifeStage = z.enum(['puppy', 'adult', 'senior']);
export const handling = z.enum(Object.keys(HANDLING) as [Handling, ...Handling[]]);

/** Coat, ears, muzzle, eyes and folds of a dog, each with what it may be. */
export const TRAIT_FIELDS = {
  coat: z.enum(COATS),
  coatLength: z.enum(COAT_LENGTHS),
  coatDensity: z.enum(COAT_DENSITIES),
  shedding: z.enum(SHEDDING),
  ears: z.enum(EAR_CARRIAGES),
  canalHair: z.enum(CANAL_HAIR),
  muzzle: z.enum(MUZZLES),
  eyeSet: z.enum(EYE_SETS),
  tearing: z.enum(TEARING),
  folds: foldDepths,
} as const;
export const traits: z.ZodType<Traits> = z.object(TRAIT_FIELDS);

const handlingNotes: z.ZodType<HandlingNotes> = z.object({
  minds: z.array(z.enum(MINDS)),
  likes: z.array(z.enum(LIKES)),
  helper: z.enum(HELPERS),
  muzzle: z.enum(MUZZLES_WORN),
  dryer: z.enum(DRYERS),
  tether: z.enum(TETHERS),
  sight: z.enum(SIGHT),
  hearing: z.enum(HEARING),
  bestTime: z.enum(BEST_TIMES),
  marks: z.array(z.string()),
});

/** A school a question; an answer may be of a version that asked fewer or more. */
export const waysRead = z.partialRecord(houseQuestion, z.string()) as unknown as z.ZodType<HouseWays>;

const fitness: z.ZodType<Fitness> = z.object({
  spotOn: daySchema.nullable(),
  stitches: z.boolean(),
  fits: z.boolean(),
  heart: z.boolean(),
  inSeason: z.boolean(),
  cats: z.boolean(),
});

const earHistoryRead: z.ZodType<EarHistory> = z.object({
  conditions: z.array(z.enum(EAR_CONDITIONS)),
  plucked: z.union([z.literal('never'), z.object({ daysAgo: z.number().nullable() })]),
  ownerForbidsPlucking: z.boolean(),
  hair: z.enum(CANAL_HAIR).nullable(),
  lastHair: z
    .object({
      came: z.enum(HAIR_CAME).nullable(),
      borne: z.enum(HAIR_BORNE).nullable(),
      left: z.enum(HAIR_LEFT).nullable(),
      daysAgo: z.int(),
    })
    .nullable(),
});

const instructionRead: z.ZodType<Instruction> = z.object({
  id: z.string(),
  by: z.enum(['vet', 'owner']),
  who: z.string(),
  place: place.nullable(),
  says: saying,
  from: daySchema,
  until: daySchema.nullable(),
});

const vetLift: z.ZodType<VetLift> = z.object({
  id: z.string(),
  who: z.string(),
  place,
  lifts: sign,
  upToGrade: z.number(),
  procedure,
  from: daySchema,
  until: daySchema,
});

const knownSign: z.ZodType<KnownSign> = z.object({ place, sign, on: daySchema });

const findingDetails: z.ZodType<FindingDetails> = z.object({
  colour: z.exactOptional(z.enum(FINDING_COLOURS)),
  smell: z.exactOptional(z.enum(FINDING_SMELLS)),
  mm: z.exactOptional(z.number()),
  known: z.exactOptional(z.boolean()),
  vetKnew: z.exactOptional(daySchema),
  painful: z.exactOptional(z.boolean()),
  words: z.exactOptional(z.string()),
});

export const findingRead: z.ZodType<Finding> = z.object({
  place,
  sign,
  grade,
  answer: z.boolean().nullable(),
  more: z.exactOptional(findingDetails),
});

const suspended: z.ZodType<Suspended> = z.union([
  z.object({ findings: z.array(findingRead), on: daySchema }),
  z.object({ words: z.string() }),
]);

/** Kinds of wash by line of the table of washes, where the business sees a line otherwise. */
export const washKinds: z.ZodType<WashKinds> = z.record(z.string().max(60), bodyWash);
/** Days of rows of the rules, where the business sees a row otherwise. */
export const houseIntervals: z.ZodType<HouseIntervals, HouseIntervals> = z.record(z.string().max(80), interval);
/** Products chosen for this dog's bath. */
export const ownBath: z.ZodType<OwnBath> = z.partialRecord(
  z.enum(BATH_TASKS),
  z.object({ productId: id.nullable(), because: z.string() }),
);

/** Why a question is answered otherwise for a dog, and what the business does for the others. */
export const ownWays: z.ZodType<OwnWays> = z.partialRecord(
  houseQuestion,
  z.object({ because: z.string(), insteadOf: z.string() }),
);

/** Everything the plan of one dog depends on. */
export const dogFacts: z.ZodType<DogFacts> = z.object({
  traits,
  breedHandling: z.array(handling),
  weight: kilograms,
  lifeStage,
  canStandThroughBath: z.boolean(),
  skin: z.enum(SKIN),
  coatCondition: z.enum(COAT_CONDITIONS),
  fitness,
  swims: z.boolean(),
  grassSeedMonths: z.array(z.number()),
  hayFeverMonths: z.array(z.number()),
  dirtyWork: z.boolean(),
  hardGround: z.boolean(),
  whiteCoat: z.boolean(),
  stiffJoints: z.boolean(),
  tightBreathing: z.boolean(),
  tearingSeenByVet: z.boolean(),
  earTrouble: z.enum(['none', 'in the past, no word from a vet', 'in the past, vet knows']),
  earOdds: z.number().nullable(),
  ears: z.object({ left: earHistoryRead, right: earHistoryRead }),
  eyes: z.object({
    left: z.array(z.enum(['eye drops or ointment today', 'eye operation'])),
    right: z.array(z.enum(['eye drops or ointment today', 'eye operation'])),
  }),
  pluckingConsent: z.boolean(),
  pluckingStress: z.enum(['none', 'broke off today', 'slight', 'plain', 'bad', 'broke off']),
  nailsOvergrown: z.boolean(),
  nailBled: z.boolean(),
  reactions: z.string(),
  reactedTo: z.array(z.string()),
  hazeKnown: z.boolean(),
  handling: handlingNotes,
  muzzleAgreed: z.boolean().nullable(),
  services: z.record(service, does),
  liftAloneKg: z.number(),
  ways: waysRead,
  ownWays,
  mixPerSquareMetre: z.number(),
  washKinds,
  intervals: houseIntervals,
  ownBath,
  instructions: z.array(instructionRead),
  lifts: z.array(vetLift),
  known: z.array(knownSign),
  suspended: z.partialRecord(placeKey, suspended),
  earUnsettled: z.object({ left: z.array(signSeen), right: z.array(signSeen) }),
  today: daySchema,
});
