import type { HomeBathAgreed } from '@dewpond/core/homebath';
import { CHANNELS, LANGUAGES, type ClientCard } from '@dewpond/core/clients';
import {
  EASY,
  BEST_TIMES,
  DRYERS,
  HEARING,
  HELPERS,
  LIKES,
  MINDS,
  MUZZLES_WORN,
  SIGHT,
  TETHERS,
} from '@dewpond/core/handling';
import type { DogListItem, DogProfile, ImportReport, Moved, SeenOn } from '@dewpond/contract';
import {
  CANAL_HAIR,
  COATS,
  COAT_DENSITIES,
  COAT_LENGTHS,
  EAR_CARRIAGES,
  EYE_SETS,
  MUZZLES,
  SHEDDING,
  TEARING,
} from '@dewpond/core/catalogue';
import {
  BATH_TASKS,
  CLIP_PARTS,
  COAT_CONDITIONS,
  ASKED_AT_HOME,
  PRODUCT_TASKS,
  SKIN,
  USE_KINDS,
  type Saying,
} from '@dewpond/core/dog';
import { EAR_CONDITIONS, PROCEDURES, type Condition, type Sign } from '@dewpond/core/findings';
import type { FoldSite } from '@dewpond/core/places';
import { WENT, type Lesson } from '@dewpond/core/programme';
import type { Coming } from '@dewpond/core/stock';
import { ALL_TASKS, VET_TASKS } from '@dewpond/core/tasks';
import { HOUSE_QUESTIONS } from '@dewpond/core/ways';
import { z } from 'zod';
import type { Shape } from './shaped';
import { day, first, oneOf, wordOf, words } from './values';

const word = z.object({ yes: z.boolean(), on: day });
const address = z.object({
  street: words,
  town: words,
  postcode: words,
  coordinates: z.object({ latitude: z.number(), longitude: z.number() }).nullable().default(null),
});

export const CARD: Shape<ClientCard> = first(
  'a client’s card',
  z.object({
    phones: z.array(z.object({ number: z.string(), whose: words })).default([]),
    emails: z.array(z.string()).default([]),
    prefers: oneOf(CHANNELS).default('no matter'),
    language: oneOf(LANGUAGES).nullable().default(null),
    address: address.prefault({}),
    consents: z
      .object({
        plucking: z.exactOptional(word),
        muzzle: z.exactOptional(word),
        photos: z.exactOptional(word),
        'vet contact': z.exactOptional(word),
        'e-mail': z.exactOptional(word),
        'text message': z.exactOptional(word),
      })
      .default({}),
    note: words,
  }),
);

const folds = z.record(wordOf<FoldSite>(), z.enum(['light', 'deep']));
export const traits = z.object({
  coat: oneOf(COATS),
  coatLength: oneOf(COAT_LENGTHS),
  coatDensity: oneOf(COAT_DENSITIES),
  shedding: oneOf(SHEDDING),
  ears: oneOf(EAR_CARRIAGES),
  canalHair: oneOf(CANAL_HAIR),
  muzzle: oneOf(MUZZLES),
  eyeSet: oneOf(EYE_SETS),
  tearing: oneOf(TEARING),
  folds,
});
const seenTraits = z.object({
  coat: z.exactOptional(oneOf(COATS)),
  coatLength: z.exactOptional(oneOf(COAT_LENGTHS)),
  coatDensity: z.exactOptional(oneOf(COAT_DENSITIES)),
  shedding: z.exactOptional(oneOf(SHEDDING)),
  ears: z.exactOptional(oneOf(EAR_CARRIAGES)),
  canalHair: z.exactOptional(oneOf(CANAL_HAIR)),
  muzzle: z.exactOptional(oneOf(MUZZLES)),
  eyeSet: z.exactOptional(oneOf(EYE_SETS)),
  tearing: z.exactOptional(oneOf(TEARING)),
  folds: z.exactOptional(folds),
});

const ear = z.object({
  conditions: z.array(oneOf(EAR_CONDITIONS)).default([]),
  plucked: z.enum(['never', 'not known']).or(day).default('not known'),
  ownerForbidsPlucking: z.boolean().default(false),
});
const handling = z.object({
  minds: z.array(oneOf(MINDS)).default([]),
  likes: z.array(oneOf(LIKES)).default([]),
  helper: oneOf(HELPERS).default(EASY.helper),
  muzzle: oneOf(MUZZLES_WORN).default(EASY.muzzle),
  dryer: oneOf(DRYERS).default(EASY.dryer),
  tether: oneOf(TETHERS).default(EASY.tether),
  sight: oneOf(SIGHT).default(EASY.sight),
  hearing: oneOf(HEARING).default(EASY.hearing),
  bestTime: oneOf(BEST_TIMES).default(EASY.bestTime),
  marks: z.array(z.string()).default([]),
});

export const PROFILE: Shape<DogProfile> = {
  name: 'a dog’s profile',
  is: z.object({
    name: z.string(),
    breeds: z.array(z.string()).default([]),
    weightKg: z.number(),
    born: day.nullable().default(null),
    sex: z.enum(['dog', 'bitch', 'not known']).default('not known'),
    seen: seenTraits.default({}),
    skin: oneOf(SKIN).default('healthy'),
    coatCondition: oneOf(COAT_CONDITIONS).default('good'),
    swims: z.boolean().default(false),
    canStandThroughBath: z.boolean().default(true),
    grassSeedMonths: z.array(z.number()).default([]),
    hayFeverMonths: z.array(z.number()).default([]),
    dirtyWork: z.boolean().default(false),
    hardGround: z.boolean().default(false),
    whiteCoat: z.boolean().default(false),
    ownWays: z
      .record(z.string(), z.object({ school: z.string(), because: z.string() }))
      // A question that is gone is asked of no dog.
      .transform((own) =>
        Object.fromEntries(Object.entries(own).filter(([asks]) => Object.hasOwn(HOUSE_QUESTIONS, asks))),
      )
      .default({}),
    ownBath: z
      .partialRecord(oneOf(BATH_TASKS), z.object({ productId: z.string().nullable(), because: z.string() }))
      .default({}),
    style: z.partialRecord(oneOf(CLIP_PARTS), z.string()).default({}),
    stiffJoints: z.boolean().default(false),
    tightBreathing: z.boolean().default(false),
    tearingSeenByVet: z.boolean().default(false),
    earTrouble: z.enum(['none', 'in the past, no word from a vet', 'in the past, vet knows']).default('none'),
    ears: z.object({ left: ear.prefault({}), right: ear.prefault({}) }).prefault({}),
    pluckingConsent: z.boolean().default(false),
    pluckingStress: z.enum(['none', 'slight', 'plain', 'bad', 'broke off']).default('none'),
    nailsOvergrown: z.boolean().default(false),
    nailBled: z.boolean().default(false),
    reactions: words,
    hazeKnown: z.boolean().default(false),
    handling: handling.prefault({}),
    chip: words,
    note: words,
  }),
  before: [
    // Handling was a list of words.
    (stored) => (Array.isArray(stored['handling']) ? { ...stored, handling: { marks: stored['handling'] } } : stored),
  ],
};

const traitSeen = z.object({ day, by: z.string(), personId: z.exactOptional(z.string()) });
export const SEEN_ON: Shape<SeenOn> = first(
  'who saw a trait',
  z.record(z.string(), traitSeen).transform((seen) => seen as SeenOn),
);

const task = oneOf(ALL_TASKS);
const sign = wordOf<Sign>();
export const SAYING: Shape<Saying> = first(
  'an instruction',
  z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('bar'), task }),
    z.object({ kind: z.literal('interval'), task, days: z.number() }),
    z.object({ kind: z.literal('at home'), task: oneOf(ASKED_AT_HOME), timesADay: z.literal([1, 2, 3]) }),
    z.object({
      kind: z.literal('lift'),
      lifts: wordOf<Sign | Condition>(),
      upToGrade: z.number(),
      procedure: oneOf(PROCEDURES),
    }),
    z.object({ kind: z.literal('knows'), sign }),
    z.object({ kind: z.literal('ear hair'), way: z.enum(['whole', 'staged', 'trim', 'leave', 'vet']) }),
    z.object({ kind: z.literal('vet saw'), task: oneOf(VET_TASKS), on: day }),
    z.object({ kind: z.literal('avoid'), ingredient: z.string() }),
    z.object({ kind: z.literal('uses'), what: oneOf(USE_KINDS), name: z.string() }),
    z.object({ kind: z.literal('product'), task: oneOf(PRODUCT_TASKS), productId: z.string() }),
    z.object({
      kind: z.literal('bath product'),
      productId: z.string(),
      contactMinutes: z.number(),
      nothingElse: z.boolean(),
    }),
  ]),
);

export const LESSONS: Shape<readonly Lesson[]> = first(
  'lessons',
  z.array(
    z.object({
      id: z.string(),
      goal: z.string(),
      went: oneOf(WENT),
      on: day,
      by: z.string(),
      personId: z.exactOptional(z.string()),
    }),
  ),
);

export const HOME_BATH: Shape<HomeBathAgreed> = first(
  'a bath at home',
  z.object({
    bottle: z.discriminatedUnion('kind', [
      z.object({
        kind: z.literal('own'),
        name: z.string(),
        label: z.string(),
        said: z
          .object({
            waterParts: z.string(),
            range: z.object({ strongest: z.string(), weakest: z.string() }).nullable(),
          })
          .nullable(),
      }),
      z.object({ kind: z.literal('filled'), productId: z.string() }),
      z.object({ kind: z.literal('prescribed') }),
    ]),
    everyDays: z.number(),
  }),
);

export const MOVED: Shape<Moved> = first(
  'a merge',
  z.object({
    rows: z.record(z.string(), z.array(z.string())),
    keptBefore: z.unknown(),
    goneBefore: z.unknown(),
  }),
);

export const REPORT: Shape<ImportReport> = first(
  'an import’s report',
  z.object({ clients: z.number(), dogs: z.number(), words }),
);
/** The rows themselves were read when they came, and are read again by the job. */
export const ROWS: Shape<readonly unknown[]> = first('an import’s rows', z.array(z.unknown()));

export const NEXT_DUE: Shape<NonNullable<DogListItem['next']>> = first(
  'what is next due',
  z.object({ day, task: z.string(), late: z.boolean(), since: day.nullable().default(null) }),
);
export const TAKES: Shape<Omit<Coming, 'booked'>> = first(
  'what a dog takes',
  z.object({
    due: day.nullable(),
    every: z.number().nullable(),
    uses: z.array(z.object({ productId: z.string(), ml: z.number() })),
  }),
);
