import {
  ALL_SERVICES,
  HOUSE_QUESTIONS,
  SERVICES,
  type BusinessDoes,
  type HouseQuestion,
  type BusinessServices,
  type HouseWays,
} from '@dewpond/core/ways';
import { INTERVAL_LIMITS, isInterval } from '@dewpond/core/dog';
import { WASH_TABLE } from '@dewpond/core/needs';
import { INTERVAL_ROWS } from '@dewpond/core/rules';
import { z } from 'zod';
import { ownVisitKind } from './appointments';
import { version } from './basics';
import { ownBreedView } from './breeds';
import { houseIntervals, washKinds, waysRead } from './facts';
import { bottleView, productView, pumpView } from './products';
import { bodyWash, does, service } from './trade';

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

const mixPerSquareMetre = z
  .number({ error: 'A number of millilitres.' })
  .min(200, { error: 'At least 200 ml.' })
  .max(2000, { error: 'At most 2000 ml.' });

const WASH_ROWS = WASH_TABLE.map((row) => row.id);
/** Lines of the table of washes that the business sees otherwise. */
const washKindsEdit = z
  .record(z.string(), bodyWash)
  .refine((kinds) => Object.keys(kinds).every((row) => WASH_ROWS.includes(row)), {
    error: 'There is no such line in the table of washes.',
  });

const ROWS = INTERVAL_ROWS.map((row) => row.id);
/** How often, row by row of the rules, where the business sees it otherwise. */
const intervalsEdit = houseIntervals
  .refine((rows) => Object.keys(rows).every((row) => ROWS.includes(row)), { error: 'There is no such row.' })
  .refine((rows) => Object.values(rows).every(isInterval), {
    error: `Whole days: least, usual, most, in this order, at most ${INTERVAL_LIMITS.most}.`,
  });

export const businessEdit = z.strictObject({
  version,
  ways: houseWays,
  units: z.enum(['metric', 'US']),
  currency: z.string().regex(/^[A-Z]{3}$/, { error: 'Three capital letters, such as GBP.' }),
  services: businessServices,
  liftAloneKg,
  mixPerSquareMetre,
  washKinds: washKindsEdit,
  intervals: intervalsEdit,
  visitKinds: z.array(ownVisitKind).max(30),
});

const servicesRead: z.ZodType<BusinessServices> = z.record(service, does);

export const businessView = z.object({
  version,
  name: z.string(),
  units: z.enum(['metric', 'US']),
  services: servicesRead,
  liftAloneKg: z.number(),
  mixPerSquareMetre: z.number(),
  washKinds,
  intervals: houseIntervals,
  visitKinds: z.array(ownVisitKind),
  ways: waysRead,
  ownBreeds: z.array(ownBreedView).describe('Breeds added or seen otherwise than shipped'),
  /** ISO 4217 */
  currency: z.string(),
  products: z.array(productView),
  /** Archived products (an old name; devices keep answers with it): no longer mixed, still known by name. */
  putAway: z.array(productView),
  pumps: z.array(pumpView),
  bottles: z.array(bottleView),
  mayEdit: z.boolean(),
});
export type BusinessView = z.infer<typeof businessView>;
