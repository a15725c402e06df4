import { HOUSE_QUESTIONS, type HouseQuestion, type HouseWays } from '@dewpond/core/careplan';
import { PRODUCT_KINDS } from '@dewpond/core/dilution';
import { z } from 'zod';
import { daySchema, id, version } from './basics';
import { type appointment } from './appointments';
import type { MixView } from './visits';

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

export const houseEdit = z.strictObject({
  version,
  ways: houseWays,
  units: z.enum(['metric', 'US']),
  pluckingByVetsOnly: z.boolean(),
});

export const productView = z.object({
  id,
  name: z.string(),
  kind: z.enum(PRODUCT_KINDS),
  label: z.string(),
  strength: z.string().nullable(),
  strokeMl: z.number().nullable(),
  suppliedBy: z.enum(['house', 'vet', 'owner']),
  contactMinutes: z.number().nullable(),
});
export type ProductView = z.infer<typeof productView>;

export const houseView = z.object({
  version,
  name: z.string(),
  units: z.enum(['metric', 'US']),
  pluckingByVetsOnly: z.boolean(),
  ways: z.custom<HouseWays>(),
  products: z.array(productView),
  bottles: z.array(
    z.object({ id, name: z.string(), brim: z.number(), line: z.number(), graduation: z.number().nullable() }),
  ),
  mayEdit: z.boolean(),
});
export type HouseView = z.infer<typeof houseView>;

export const memberView = z.object({ id, name: z.string(), role: z.enum(['manager', 'groomer', 'bather']) });
export type MemberView = z.infer<typeof memberView>;

export const sessionView = z.object({
  person: z.object({ id, name: z.string(), email: z.string() }),
  member: memberView,
  business: z.object({ id, name: z.string(), zone: z.string(), units: z.enum(['metric', 'US']) }),
  today: daySchema,
});
export type SessionView = z.infer<typeof sessionView>;

export const todayView = z.object({
  day: daySchema,
  zone: z.string(),
  dogs: z.custom<TodayDog[]>(),
  mixes: z.custom<{ readonly appointmentId: string; readonly dog: string; readonly mixes: readonly MixView[] }[]>(),
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
