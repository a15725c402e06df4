import {
  BREEDS,
  CANAL_HAIR,
  COATS,
  COAT_DENSITIES,
  COAT_LENGTHS,
  EAR_CARRIAGES,
  EYE_SETS,
  MUZZLES,
  SHEDDING,
  TEARING,
  type Traits,
} from '@dewpond/core/catalogue';
import { ALL_TASKS, SKIN, type DogFacts, type DueLine, type EarHairWay } from '@dewpond/core/careplan';
import { ALL_SIGNS, EAR_CONDITIONS, PROCEDURES, type Finding } from '@dewpond/core/findings';
import { HEAVIEST_DOG_KG, LIGHTEST_DOG_KG, daysBetween, type Day } from '@dewpond/core/units';
import type { Grade, PlaceKey } from '@dewpond/core/places';
import { z } from 'zod';
import { daySchema, foldDepths, id, line, newId, place, text, version } from './basics';
import { appointment } from './appointments';

/** Traits a groomer has seen on this dog; those left out are the breed's. */
const seenTraits = z.strictObject({
  coat: z.exactOptional(z.enum(COATS)),
  coatLength: z.exactOptional(z.enum(COAT_LENGTHS)),
  coatDensity: z.exactOptional(z.enum(COAT_DENSITIES)),
  shedding: z.exactOptional(z.enum(SHEDDING)),
  ears: z.exactOptional(z.enum(EAR_CARRIAGES)),
  canalHair: z.exactOptional(z.enum(CANAL_HAIR)),
  muzzle: z.exactOptional(z.enum(MUZZLES)),
  eyeSet: z.exactOptional(z.enum(EYE_SETS)),
  tearing: z.exactOptional(z.enum(TEARING)),
  folds: z.exactOptional(foldDepths),
});

const earHistory = z.strictObject({
  conditions: z.array(z.enum(EAR_CONDITIONS)).max(4),
  plucked: z.enum(['never', 'not known']).or(daySchema),
  ownerForbidsPlucking: z.boolean(),
});
const EAR_UNKNOWN = { conditions: [], plucked: 'not known', ownerForbidsPlucking: false } as const;

const breedIds = BREEDS.map((breed) => breed.id) as [string, ...string[]];
const weight = z
  .number({ error: 'Weight is a number of kilograms.' })
  .min(LIGHTEST_DOG_KG, { error: `A dog weighs at least ${LIGHTEST_DOG_KG} kg.` })
  .max(HEAVIEST_DOG_KG, { error: `A dog weighs at most ${HEAVIEST_DOG_KG} kg.` });

/** What a groomer writes down about a dog; everything else has a default that the breed fills in. */
export const dogProfile = z.strictObject({
  name: line(80, 'The name'),
  breeds: z
    .array(z.enum(breedIds, { error: 'No such breed in the catalogue.' }))
    .max(8, { error: 'Eight parts at most: eighths of a cross.' })
    .default([]),
  weightKg: weight,
  born: daySchema.nullable().default(null),
  sex: z.enum(['dog', 'bitch', 'not known']).default('not known'),
  seen: seenTraits.default({}),
  skin: z.enum(SKIN).default('healthy'),
  swims: z.boolean().default(false),
  canStandThroughBath: z.boolean().default(true),
  grassSeedMonths: z.array(z.int().min(1).max(12)).max(12).default([]),
  tearingSeenByVet: z.boolean().default(false),
  earTrouble: z.enum(['none', 'in the past, no word from a vet', 'in the past, vet knows']).default('none'),
  ears: z
    .strictObject({ left: earHistory, right: earHistory })
    .default({ left: { ...EAR_UNKNOWN, conditions: [] }, right: { ...EAR_UNKNOWN, conditions: [] } }),
  pluckingConsent: z.boolean().default(false),
  pluckingStress: z.enum(['none', 'slight', 'plain', 'bad', 'broke off']).default('none'),
  nailsOvergrown: z.boolean().default(false),
  /** Short marks that must be in sight: "minds front feet". */
  handling: z.array(line(60, 'The mark')).max(8).default([]),
  note: text(2000).default(''),
});
export type DogProfile = z.output<typeof dogProfile>;
export type DogProfileInput = z.input<typeof dogProfile>;

/** A day that may not lie ahead. Messages go to the field. */
export const notInFuture = (profile: DogProfile, today: Day): { path: string; message: string } | null =>
  profile.born !== null && daysBetween(today, profile.born) > 0
    ? { path: 'born', message: 'That birthday is still to come.' }
    : null;

export const newClient = z.strictObject({
  id: newId,
  name: line(120, 'The name'),
  phone: text(40)
    .regex(/^[+\d ()/-]*$/, { error: 'Digits, spaces and + ( ) / - only.' })
    .default(''),
  email: z.union([z.literal(''), z.email({ error: 'That is no e-mail address.' }).max(200)]).default(''),
  note: text(2000).default(''),
});
export type NewClient = z.output<typeof newClient>;

export const newDog = z.strictObject({ id: newId, clientId: id, profile: dogProfile });
export type NewDog = z.output<typeof newDog>;
/** `homeCareChangedOn` left out stays as it was. */
export const dogEdit = z.strictObject({
  version,
  profile: dogProfile,
  homeCareChangedOn: z.exactOptional(daySchema.nullable()),
});

const saying = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('bar'), task: z.enum(ALL_TASKS as [(typeof ALL_TASKS)[number]]) }),
  z.strictObject({
    kind: z.literal('interval'),
    task: z.enum(ALL_TASKS as [(typeof ALL_TASKS)[number]]),
    days: z.int().min(1, { error: 'At least 1 day.' }).max(365, { error: 'At most 365 days.' }),
  }),
  z.strictObject({
    kind: z.literal('lift'),
    lifts: z.enum(ALL_SIGNS as [(typeof ALL_SIGNS)[number]]).or(z.enum(EAR_CONDITIONS)),
    upToGrade: z.int().min(1).max(3),
    procedure: z.enum(PROCEDURES),
  }),
  z.strictObject({
    kind: z.literal('ear hair'),
    way: z.enum(['whole', 'staged', 'trim', 'leave', 'vet'] satisfies EarHairWay[]),
  }),
  z.strictObject({
    kind: z.literal('bath product'),
    productId: id,
    contactMinutes: z.number().min(0).max(60),
    nothingElse: z.boolean(),
  }),
]);
const instructionFields = z.strictObject({
  id: newId,
  by: z.enum(['vet', 'owner']),
  who: line(120, 'Who said it'),
  place: place.nullable(),
  says: saying,
  from: daySchema,
  until: daySchema.nullable(),
});
export const newInstruction = instructionFields
  .refine((given) => given.until === null || given.until >= given.from, {
    error: 'It ends before it begins.',
    path: ['until'],
  })
  .refine(
    (given) => given.says.kind !== 'lift' || (given.by === 'vet' && given.place !== null && given.until !== null),
    {
      error: 'Only a vet lifts a stop, at one place, until a day.',
      path: ['says'],
    },
  );
/** When an instruction ends is all that changes; another word is another instruction. */
export const instructionEdit = z.strictObject({ version, until: daySchema.nullable() });
const instructionView = instructionFields.extend({ version });

export const client = z.object({
  id,
  name: z.string(),
  phone: z.string(),
  email: z.string(),
  note: z.string(),
  version,
});
export type Client = z.infer<typeof client>;

export const dogListItem = z.object({
  id,
  name: z.string(),
  breed: z.string(),
  owner: z.string(),
  phone: z.string(),
  weightKg: z.number(),
  handling: z.array(z.string()),
  /** The first thing due, and whether it is late; null when nothing recurs. */
  next: z.object({ day: daySchema, task: z.string(), late: z.boolean() }).nullable(),
  nextBooked: z.string().nullable(),
  openVet: z.boolean(),
});
export type DogListItem = z.infer<typeof dogListItem>;

/** One past visit as the rhythm chart draws it. */
export interface VisitMark {
  readonly visitId: string;
  readonly day: Day;
  readonly grades: Readonly<Partial<Record<PlaceKey, Grade>>>;
  readonly barred: readonly PlaceKey[];
  readonly tasks: readonly string[];
}

/** When and by whom a trait was seen on the dog itself. */
export interface TraitSeen {
  readonly day: Day;
  readonly by: string;
}
/** Traits left out are assumed. */
export type SeenOn = Readonly<Partial<Record<keyof Traits, TraitSeen>>>;

export const dogView = z.object({
  id,
  version,
  profile: dogProfile,
  client,
  today: daySchema,
  due: z.custom<DueLine[]>().describe('Plan lines with reasons, kept losers and due windows; see docs/architecture.md'),
  bathProduct: z
    .object({ name: z.string(), contactMinutes: z.number(), nothingElse: z.boolean(), who: z.string() })
    .nullable(),
  instructions: z.array(instructionView),
  homeCareChangedOn: daySchema.nullable(),
  facts: z.custom<DogFacts>().describe('Everything the plan depends on, for trying what would change it'),
  seenOn: z.custom<SeenOn>().describe('When and by whom each trait was seen'),
  nextVisit: z.object({ day: daySchema, drivenBy: z.string() }).nullable(),
  visits: z.custom<VisitMark[]>().describe('Past visits, oldest first'),
  drift: z.array(z.object({ place: z.string(), words: z.string() })),
  openFindings: z.custom<(Finding & { readonly day: Day; readonly level: string })[]>(),
  appointments: z.array(appointment),
  amounts: z.object({ factor: z.number(), lessons: z.int() }),
});
export type DogView = z.infer<typeof dogView>;
