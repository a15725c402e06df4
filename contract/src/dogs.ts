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
  type Traits,
} from '@dewpond/core/catalogue';
import { BATH_TASKS, CLIP_PARTS, COAT_CONDITIONS, SKIN } from '@dewpond/core/dog';
import { EAR_CONDITIONS } from '@dewpond/core/findings';
import {
  BEST_TIMES,
  DRYERS,
  EASY,
  HEARING,
  HELPERS,
  LIKES,
  MINDS,
  MUZZLES_WORN,
  SIGHT,
  TETHERS,
  type RestraintLine,
} from '@dewpond/core/handling';
import { PROGRAMMES, WENT, type Lesson, type ProgrammeKind } from '@dewpond/core/programme';
import { HEAVIEST_DOG_KG, LIGHTEST_DOG_KG, daysBetween, type Day } from '@dewpond/core/units';
import { HOUSE_QUESTIONS, type HouseQuestion } from '@dewpond/core/ways';
import { z } from 'zod';
import {
  daySchema,
  foldDepths,
  grade,
  gradeOrNone,
  id,
  line,
  many,
  newId,
  place,
  text,
  version,
  wordOfDay,
} from './basics';
import { appointment } from './appointments';
import { bathShown, lathering } from './bath';
import { client } from './clients';
import { dogFacts } from './facts';
import { instructionView } from './instructions';
import { dueLine } from './plan';
import { source } from './reasons';
import { houseQuestion, placeKey, sign, task } from './trade';

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

/** A shipped breed's id, or one the business made; whether there is such a breed, the server knows. */
const breedId = z.string().regex(/^[a-z0-9-]{2,60}$/, { error: 'No such breed in the catalogue.' });
/** Marks of handling; older records hold words only, and are read as such. */
const handlingNotes = z.preprocess(
  (given) => (Array.isArray(given) ? { marks: given } : given),
  z.strictObject({
    minds: z.array(z.enum(MINDS)).default([]),
    likes: z.array(z.enum(LIKES)).default([]),
    helper: z.enum(HELPERS).default(EASY.helper),
    muzzle: z.enum(MUZZLES_WORN).default(EASY.muzzle),
    dryer: z.enum(DRYERS).default(EASY.dryer),
    tether: z.enum(TETHERS).default(EASY.tether),
    sight: z.enum(SIGHT).default(EASY.sight),
    hearing: z.enum(HEARING).default(EASY.hearing),
    bestTime: z.enum(BEST_TIMES).default(EASY.bestTime),
    marks: z.array(line(60, 'The mark')).max(8, { error: 'Eight marks at most.' }).default([]),
  }),
);
const weight = z
  .number({ error: 'Weight is a number of kilograms.' })
  .min(LIGHTEST_DOG_KG, { error: `A dog weighs at least ${LIGHTEST_DOG_KG} kg.` })
  .max(HEAVIEST_DOG_KG, { error: `A dog weighs at most ${HEAVIEST_DOG_KG} kg.` });

/** What a groomer writes down about a dog; everything else has a default that the breed fills in. */
export const dogProfile = z.strictObject({
  name: line(80, 'The name'),
  breeds: z.array(breedId).max(8, { error: 'Eight parts at most: eighths of a cross.' }).default([]),
  weightKg: weight,
  born: daySchema.nullable().default(null),
  sex: z.enum(['dog', 'bitch', 'not known']).default('not known'),
  seen: seenTraits.default({}),
  skin: z.enum(SKIN).default('healthy'),
  coatCondition: z.enum(COAT_CONDITIONS).default('good'),
  swims: z.boolean().default(false),
  canStandThroughBath: z.boolean().default(true),
  grassSeedMonths: z.array(z.int().min(1).max(12)).max(12).default([]),
  hayFeverMonths: z.array(z.int().min(1).max(12)).max(12).default([]),
  dirtyWork: z.boolean().default(false),
  hardGround: z.boolean().default(false),
  whiteCoat: z.boolean().default(false),
  /** Schools of its own, by the question of the house ways. */
  ownWays: z
    .partialRecord(houseQuestion, z.strictObject({ school: line(60, 'The school'), because: line(200, 'The reason') }))
    .refine(
      (own) =>
        Object.entries(own).every(([question, its]) =>
          HOUSE_QUESTIONS[question as HouseQuestion].schools.some(({ id: school }) => school === its?.school),
        ),
      { error: 'There is no such school.' },
    )
    .default({}),
  ownBath: z
    .partialRecord(z.enum(BATH_TASKS), z.strictObject({ productId: id.nullable(), because: line(200, 'The reason') }))
    .default({}),
  /** How the owner wishes it clipped, part by part. */
  style: z.partialRecord(z.enum(CLIP_PARTS), line(80, 'The wish')).default({}),
  stiffJoints: z.boolean().default(false),
  tightBreathing: z.boolean().default(false),
  tearingSeenByVet: z.boolean().default(false),
  earTrouble: z.enum(['none', 'in the past, no word from a vet', 'in the past, vet knows']).default('none'),
  ears: z
    .strictObject({ left: earHistory, right: earHistory })
    .default({ left: { ...EAR_UNKNOWN, conditions: [] }, right: { ...EAR_UNKNOWN, conditions: [] } }),
  pluckingConsent: z.boolean().default(false),
  pluckingStress: z.enum(['none', 'slight', 'plain', 'bad', 'broke off']).default('none'),
  nailsOvergrown: z.boolean().default(false),
  nailBled: z.boolean().default(false),
  reactions: text(120).default(''),
  hazeKnown: z.boolean().default(false),
  handling: handlingNotes.default(() => handlingNotes.parse({})),
  /** Number of the chip under its skin; empty when there is none or nobody knows. */
  chip: z
    .string()
    .trim()
    .regex(/^(\d{15}|[0-9A-Z]{9,10})?$/, { error: 'A chip has fifteen digits, an old one nine or ten signs.' })
    .default(''),
  note: text(2000).default(''),
});
export type DogProfile = z.output<typeof dogProfile>;
export type DogProfileInput = z.input<typeof dogProfile>;

/** A day that may not lie ahead. Messages go to the field. */
export const notInFuture = (profile: Pick<DogProfile, 'born'>, today: Day): { path: string; message: string } | null =>
  profile.born !== null && daysBetween(today, profile.born) > 0
    ? { path: 'born', message: 'That birthday is still to come.' }
    : null;

export const newDog = z.strictObject({ id: newId, clientId: id, profile: dogProfile });
export type NewDog = z.output<typeof newDog>;
/** `homeCareChangedOn` left out stays as it was. */
export const dogEdit = z.strictObject({
  version,
  profile: dogProfile,
  homeCareChangedOn: z.exactOptional(daySchema.nullable()),
  /** The dog's vet; left out stays as it was. */
  vetId: z.exactOptional(id.nullable()),
});

/** A weight taken on a day; the newest becomes the dog's. One a day: the last one counts. */
export const newWeighing = z.strictObject({ day: daySchema, kg: weight });

export const newProgramme = z.strictObject({
  id: newId,
  kind: z.enum(Object.keys(PROGRAMMES) as [ProgrammeKind, ...ProgrammeKind[]]),
});
export const newLesson = z.strictObject({ id: newId, goal: line(40, 'The goal'), went: z.enum(WENT) });
/** Ends a programme, or takes it up again; takes a lesson back. */
export const programmeEdit = z.strictObject({
  version,
  ended: z.boolean(),
  withoutLesson: z.exactOptional(id),
});

/** A young or nervous dog's short lessons. */
const lesson: z.ZodType<Lesson> = z.object({
  id: z.string(),
  goal: z.string(),
  went: z.enum(WENT),
  on: daySchema,
  by: z.string(),
  personId: z.exactOptional(z.string()),
});

export const programmeView = z.object({
  id,
  version: z.number(),
  kind: z.enum(Object.keys(PROGRAMMES) as [ProgrammeKind, ...ProgrammeKind[]]),
  startedOn: daySchema,
  endedOn: daySchema.nullable(),
  lessons: many(lesson),
});
export type ProgrammeView = z.infer<typeof programmeView>;

export const dogListItem = z.object({
  id,
  name: z.string(),
  breed: z.string(),
  ownerId: id,
  owner: z.string(),
  /** Every number, parted by commas. */
  phone: z.string(),
  street: z.string(),
  chip: z.string(),
  archived: z.boolean(),
  weightKg: z.number(),
  handling: z.array(z.string()),
  /** The first thing due, since when where that is past, and whether anything is late; null when nothing recurs. */
  next: z.object({ day: daySchema, task: z.string(), late: z.boolean(), since: daySchema.nullable() }).nullable(),
  nextBooked: z.string().nullable(),
  openVet: z.boolean(),
  /** False while a large book is being reckoned: `next` and `openVet` are not known yet. */
  reckoned: z.boolean(),
});
export type DogListItem = z.infer<typeof dogListItem>;

/** One past visit as the rhythm chart draws it. */
export const visitMark = z.object({
  visitId: id,
  day: daySchema,
  grades: z.partialRecord(placeKey, gradeOrNone),
  barred: many(placeKey),
  tasks: many(
    z.object({ task: z.string(), outcome: z.enum(['done', 'not needed', 'seen']), grade: gradeOrNone.nullable() }),
  ),
});
export type VisitMark = z.infer<typeof visitMark>;

/** When and by whom a trait was seen on the dog itself. */
export const traitSeen = z.object({
  day: daySchema,
  by: z.string(),
  /** Whose name that is; not kept of what was seen earlier. */
  personId: z.exactOptional(z.string()),
});
export type TraitSeen = z.infer<typeof traitSeen>;
/** Traits left out are assumed. */
export type SeenOn = Readonly<Partial<Record<keyof Traits, TraitSeen>>>;
const seenOn: z.ZodType<SeenOn> = z.partialRecord(z.enum(Object.keys(seenTraits.shape) as [keyof Traits]), traitSeen);

const restraintLine: z.ZodType<RestraintLine> = z.object({
  about: z.enum(['muzzle', 'tether', 'lift', 'approach', 'helper', 'stand']),
  because: z.string(),
  caution: z.boolean(),
  words: z.string(),
  source,
});

/** A finding that is still asked after. */
const openFinding = z.object({
  place,
  sign,
  grade,
  answer: z.boolean().nullable(),
  day: daySchema,
  level: z.string(),
});

export const dogView = z.object({
  id,
  version,
  profile: dogProfile,
  client,
  today: daySchema,
  due: z.array(dueLine).describe('Plan lines with reasons, kept losers and due windows; see docs/architecture.md'),
  bathProduct: z
    .object({ name: z.string(), contactMinutes: z.number(), nothingElse: z.boolean(), who: z.string() })
    .nullable(),
  instructions: z.array(instructionView),
  homeCareChangedOn: daySchema.nullable(),
  facts: dogFacts.describe('Everything the plan depends on, for trying what would change it'),
  seenOn: seenOn.describe('When and by whom each trait was seen'),
  nextVisit: z.object({ day: daySchema, drivenBy: z.string() }).nullable(),
  visits: z.array(visitMark).describe('Past visits, oldest first'),
  drift: z.array(z.object({ place: z.string(), words: z.string() })),
  openFindings: z.array(openFinding),
  /** Schools that its record speaks for: one tap makes them its own. */
  proposedWays: z.array(z.object({ question: houseQuestion, school: z.string(), because: z.string() })),
  /** What was noted at the last visits, to be read again. */
  notes: z.object({ ownerSaid: wordOfDay.nullable(), closing: wordOfDay.nullable() }),
  appointments: z.array(appointment),
  amounts: z.object({
    factor: z.number(),
    lessons: z.int(),
    /** By plan line: what of its product the amount hangs on. */
    products: z.partialRecord(task, lathering),
  }),
  bath: bathShown.nullable().describe('What its next bath takes, part by part, and why; null: no bath in its plan'),
  archivedOn: daySchema.nullable(),
  vet: z.object({ id, name: z.string(), practice: z.string(), phone: z.string() }).nullable(),
  /** Handling in short, gravest first. */
  marks: z.array(z.string()),
  restraint: z.array(restraintLine).describe('How the dog is held, lifted and approached'),
  /** Weights by day, oldest first, kg. */
  weighings: z.array(z.object({ day: daySchema, kg: z.number(), by: z.string() })),
  programme: programmeView.nullable().describe('Lessons of a young or nervous dog'),
  likelySame: z.array(z.object({ id, name: z.string() })),
  merges: z.array(z.object({ id, name: z.string(), by: z.string(), at: z.string() })),
});
export type DogView = z.infer<typeof dogView>;
