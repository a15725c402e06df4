import {
  ALL_SERVICES,
  HOUSE_QUESTIONS,
  SERVICES,
  type BusinessDoes,
  type HouseQuestion,
  type BusinessServices,
  type HouseWays,
} from '@dewpond/core/ways';
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
  type Breed,
  type Handling,
} from '@dewpond/core/catalogue';
import { z } from 'zod';
import { daySchema, foldDepths, id, line, text, version } from './basics';
import { type appointment } from './appointments';
import { bottleView, productView, pumpView } from './products';

const schools = (question: HouseQuestion) =>
  z.enum(HOUSE_QUESTIONS[question].schools.map((school) => school.id) as [string]);

/** Exactly one known school for every question. */
export const houseWays = z
  .strictObject(
    Object.fromEntries(Object.keys(HOUSE_QUESTIONS).map((key) => [key, schools(key as HouseQuestion)])) as Record<
      HouseQuestion,
      z.ZodEnum
    >,
  )
  .transform((ways) => ways as unknown as HouseWays);

/** Each piece of work, done as far as it is offered. */
const businessServices = z
  .strictObject(
    Object.fromEntries(
      ALL_SERVICES.map((key) => [key, z.enum(Object.keys(SERVICES[key].means) as [BusinessDoes, ...BusinessDoes[]])]),
    ),
  )
  .transform((services) => services as BusinessServices);

const liftAloneKg = z
  .number({ error: 'A number of kilograms.' })
  .min(3, { error: 'At least 3 kg.' })
  .max(60, { error: 'At most 60 kg.' });

export const businessEdit = z.strictObject({
  version,
  ways: houseWays,
  units: z.enum(['metric', 'US']),
  currency: z.string().regex(/^[A-Z]{3}$/, { error: 'Three capital letters, such as GBP.' }),
  services: businessServices,
  liftAloneKg,
});

/** A breed the house adds, or a shipped one as the house sees it. Kilograms. */
export const ownBreed = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{2,60}$/, { error: 'Small letters, digits and dashes.' }),
  name: line(80, 'The name'),
  alsoCalled: z.array(line(80, 'The other name')).max(6).default([]),
  weightKg: z
    .tuple([z.number().min(0.3), z.number().max(130)])
    .refine(([least, most]) => least <= most, { error: 'The lighter end is heavier than the other.' }),
  traits: z.strictObject({
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
  }),
  handling: z.array(z.enum(Object.keys(HANDLING) as [Handling, ...Handling[]])).default([]),
  why: text(200).default(''),
});
/** Version 0: there is none yet. */
export const ownBreedEdit = z.strictObject({ version: z.int().min(0), breed: ownBreed });

export const businessView = z.object({
  version,
  name: z.string(),
  units: z.enum(['metric', 'US']),
  services: z.custom<BusinessServices>(),
  liftAloneKg: z.number(),
  ways: z.custom<HouseWays>(),
  ownBreeds: z.custom<OwnBreedView[]>().describe('Breeds added or seen otherwise than shipped'),
  /** ISO 4217 */
  currency: z.string(),
  products: z.array(productView),
  /** Products put away: no longer mixed, still known by name. */
  putAway: z.array(productView),
  pumps: z.array(pumpView),
  bottles: z.array(bottleView),
  mayEdit: z.boolean(),
});
/** A breed of the business's own. */
export interface OwnBreedView {
  readonly breed: Breed;
  readonly version: number;
}

export type BusinessView = z.infer<typeof businessView>;

export const memberView = z.object({
  id,
  /** The person behind it, whose id stands in events. */
  personId: id,
  name: z.string(),
  role: z.enum(['manager', 'groomer', 'bather']),
});
export type MemberView = z.infer<typeof memberView>;

export const sessionView = z.object({
  person: z.object({ id, name: z.string(), email: z.string() }),
  member: memberView,
  business: z.object({ id, name: z.string(), zone: z.string(), units: z.enum(['metric', 'US']) }),
  /** As this person reads them: its own choice, else the house's. */
  units: z.enum(['metric', 'US']),
  ownUnits: z.enum(['metric', 'US']).nullable(),
  today: daySchema,
});
export type SessionView = z.infer<typeof sessionView>;

export const todayView = z.object({
  day: daySchema,
  zone: z.string(),
  dogs: z.custom<TodayDog[]>(),
  /** Sent home on an earlier day, to be finished on this one. */
  returning: z.array(z.object({ visitId: id, dogId: id, dog: z.string(), because: z.string() })),
  watch: z.array(
    z.object({ mark: z.enum(['vet', 'short', 'handle', 'own', 'ask']), dog: z.string(), words: z.string() }),
  ),
});
export type TodayView = z.infer<typeof todayView>;

/** A dog of the day, with its stages in minutes from the appointment's start. */
export interface TodayDog {
  readonly appointment: z.infer<typeof appointment>;
  readonly words: string;
  readonly stages: readonly { readonly name: string; readonly minutes: number; readonly dwell: boolean }[];
}

export const watchItem = z.object({
  dogId: id,
  dog: z.string(),
  owner: z.string(),
  phone: z.string(),
  place: z.string(),
  words: z.string(),
  level: z.string(),
  day: daySchema,
  visitId: id,
});
export type WatchItem = z.infer<typeof watchItem>;

export const health = z.object({
  status: z.enum(['ok', 'degraded']),
  version: z.string(),
  database: z.enum(['ok', 'unreachable']),
});
