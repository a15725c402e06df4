import {
  PLAN_COSTS,
  USUAL_PLACES,
  type DatedCare,
  type DogInWeeks,
  type DogNeeds,
  type KeptPrices,
  type OwnerWishes,
  type PlacesOfSalon,
  type PlanCosts,
  type PlanAnswer,
  type ToldProposal,
  type Unplaced,
  type VisitChoice,
  type WeekHours,
} from '@dewpond/core/bookings';
import { PARTS_OF_DAY, type SetByHand } from '@dewpond/core/lineup';
import { USUAL_VAN, type VanWays } from '@dewpond/core/route';
import { z } from 'zod';
import { day, first, wordOf } from './values';
import type { Shape } from './shaped';

/** What stays of a plan until the morning. */
export interface NightPlan extends Pick<PlanAnswer, 'proposals' | 'unplaced' | 'cost' | 'bound'> {
  /** Ids of the bookings there were when it was made. */
  readonly known: readonly string[];
}

export const WEEK: Shape<WeekHours> = first(
  'a person’s week',
  z.array(z.array(z.object({ from: z.number(), to: z.number(), where: z.string() }))),
);

const choice: z.ZodType<VisitChoice> = z.object({
  name: z.string(),
  covers: z.array(z.string()),
  minutes: z.number(),
  uses: z.record(z.string(), z.number()),
});
const care: z.ZodType<DatedCare> = z.object({
  key: z.string(),
  ideal: z.number(),
  earliest: z.number(),
  latest: z.number(),
  last: day,
  weight: z.number(),
});

export const IN_WEEKS: Shape<DogInWeeks> = first(
  'how a dog is planned for',
  z.object({
    care: z.array(care),
    full: choice,
    short: choice.nullable(),
    lastVisit: day.nullable(),
    byTwo: z.boolean(),
    atHome: z.array(z.object({ name: z.string(), everyDays: z.number() })).default([]),
    coolHours: z.boolean().default(false),
  }),
);

export const WISHES: Shape<OwnerWishes> = first(
  'an owner’s wishes',
  z.object({
    weekdays: z.array(z.number()).default([]),
    part: z.enum(['morning', 'afternoon']).nullable().default(null),
    memberId: z.string().nullable().default(null),
    pattern: z.object({ from: day, everyWeeks: z.number() }).nullable().default(null),
  }),
);

export const NEEDS: Shape<DogNeeds> = first(
  'what a dog needs of a day',
  z.object({
    slot: z.enum(['first', 'last']).nullable().default(null),
    memberId: z.string().nullable().default(null),
    weekdays: z.array(z.number()).default([]),
    where: z.string().nullable().default(null),
    skills: z.array(z.string()).default([]),
    notWith: z.array(z.string()).default([]),
  }),
);

/** What planning weighs; what came later has its house value. */
export const COSTS: Shape<PlanCosts> = first(
  'what planning weighs',
  z.record(z.string(), z.number()).transform((stored) => {
    const known = Object.keys(PLAN_COSTS).filter((cost) => cost in stored);
    return { ...PLAN_COSTS, ...Object.fromEntries(known.map((cost) => [cost, stored[cost]])) };
  }),
);
export const PLACES_OF_SALON: Shape<PlacesOfSalon> = first(
  'tables and tubs',
  z.record(z.string(), z.number()).transform((stored) => ({ ...USUAL_PLACES, ...stored })),
);

export const PRICES: Shape<KeptPrices> = first('prices of days', z.record(z.string(), z.number()));

const proposal: z.ZodType<ToldProposal> = z.object({
  ...{ dog: z.string(), person: z.string(), day, from: z.number(), to: z.number(), kind: z.string() },
  ...{ why: z.array(z.string()), insteadOf: z.string().nullable() },
  // Plans have been kept whose visit had no other day: what moving it costs was then no number, and stands as null.
  toMove: z
    .number()
    .nullable()
    .transform((kept) => kept ?? 0),
  atHome: z.array(z.object({ name: z.string(), times: z.number() })),
});
/** A plan made at night: what it proposes, and the bookings there were then. */
export const NIGHT_PLAN_KEPT: Shape<NightPlan> = first(
  'a plan of the night',
  z.object({
    proposals: z.array(proposal),
    unplaced: z.array(z.object({ dog: z.string(), because: wordOf<Unplaced['because']>(), closes: day })),
    ...{ cost: z.number(), bound: z.number(), known: z.array(z.string()) },
  }),
);

export const SET_BY_HAND: Shape<SetByHand> = first(
  'where a booking was set in its day',
  z.object({
    person: z.string().nullable(),
    pins: z.array(z.object({ part: z.enum(PARTS_OF_DAY), from: z.number() })),
  }),
);

const coordinates = z.object({ latitude: z.number(), longitude: z.number() });
const span = z.object({ from: z.number(), to: z.number() });
export const VAN: Shape<VanWays> = first(
  'how the van works',
  z.object({
    home: coordinates.nullable().default(USUAL_VAN.home),
    leaves: z.number().default(USUAL_VAN.leaves),
    lunch: z.object({ between: span, minutes: z.number() }).nullable().default(USUAL_VAN.lunch),
    tank: z.number().nullable().default(USUAL_VAN.tank),
    refills: z.array(z.object({ name: z.string(), at: coordinates, minutes: z.number() })).default([]),
    roads: z.object({ factor: z.number(), speeds: z.array(z.number()) }).default({
      factor: USUAL_VAN.roads.factor,
      speeds: [...USUAL_VAN.roads.speeds],
    }),
    table: z
      .object({ names: z.array(z.string()), minutes: z.array(z.array(z.number())) })
      .nullable()
      .default(null),
    battery: z.number().nullable().default(USUAL_VAN.battery),
  }),
);
