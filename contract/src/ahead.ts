import type { DogInWeeks, PlanAnswer, ToldProposal } from '@dewpond/core/bookings';
import { VISIT_KINDS } from '@dewpond/core/steps';
import { z } from 'zod';
import { contents, fitsKind, UNFIT } from './appointments';
import { daySchema, id, many, newId, text } from './basics';
import { planCosts, week } from './hours';
import { dogNeeds, ownerWishes } from './wishes';

const wholeNumber = (least: number, most: number) =>
  z
    .string()
    .regex(/^\d{1,4}$/, { error: 'A whole number.' })
    .transform(Number)
    .pipe(z.int().min(least).max(most));

/** What is asked for: a kind of visit, a length where it is not the dog's own, from which day on. */
export const slotQuery = z.object({
  kind: z.enum(VISIT_KINDS).optional(),
  minutes: wholeNumber(15, 480).optional(),
  from: daySchema.optional(),
  /** Only on this day. */
  on: daySchema.optional(),
  /** The booking that is moved: its own time is free. */
  instead: id.optional(),
  /** Dogs of its household that come along, ids with commas between. */
  with: z
    .string()
    .transform((ids) => ids.split(','))
    .pipe(z.array(id).max(5))
    .optional(),
});

export const slotView = z.object({
  memberId: id,
  memberName: z.string(),
  day: daySchema,
  startsAt: z.string(),
  minutes: z.int(),
  /** Those that come along: when, and to whom. */
  along: z.array(z.object({ dogId: id, memberId: id, memberName: z.string(), startsAt: z.string(), minutes: z.int() })),
  /** What it costs over the best, in days of lateness of an ordinary task. */
  over: z.number(),
  /** What speaks for it, or is worse than at the best. */
  why: z.array(z.string()),
});
export type SlotView = z.infer<typeof slotView>;

/** Best first. */
export const slotsView = z.object({
  kind: z.enum(VISIT_KINDS),
  minutes: z.int(),
  slots: z.array(slotView),
  /** None is inside the due window: the best is so many days past it. */
  lateBy: z.int().nullable(),
  /** How many weeks apart such a dog comes. */
  everyWeeks: z.int(),
  /** Who comes, in order, each with its own kind of visit and length. */
  visits: z.array(z.object({ dogId: id, name: z.string(), kind: z.enum(VISIT_KINDS), minutes: z.int() })),
  /** Others of the household. */
  household: z.array(
    z.object({
      id,
      name: z.string(),
      /** Of the same owner: written to as one. */
      sameOwner: z.boolean(),
      /** Its next booking. */
      booked: daySchema.nullable(),
    }),
  ),
  /** How often the client did not come, or cancelled within a day, in two years. */
  noShows: z.int(),
  lateCancellations: z.int(),
});
export type SlotsView = z.infer<typeof slotsView>;

/** Further visits like a booking: "every five weeks until March". */
export const newSeries = z
  .strictObject({
    id: newId,
    dogId: id,
    ...contents,
    memberId: id,
    /** The first visit, which is booked already. */
    startsAt: z.iso.datetime({ offset: true, error: 'Give a day and a time.' }),
    minutes: z.int().min(15).max(480),
    everyWeeks: z.int().min(1, { error: 'At least every week.' }).max(26, { error: 'At most every half year.' }),
    until: daySchema,
  })
  .refine(fitsKind, UNFIT);

export const seriesMade = z.object({
  booked: z.array(daySchema),
  /** Days of the pattern for which there was no time within three days. */
  left: z.array(daySchema),
});

const care = z.object({
  key: z.string(),
  ideal: z.number(),
  earliest: z.number(),
  latest: z.number(),
  last: daySchema,
  weight: z.number(),
});
const choice = z.object({
  name: z.string(),
  covers: many(z.string()),
  minutes: z.number(),
  uses: z.record(z.string(), z.number()),
});
const inWeeks: z.ZodType<DogInWeeks> = z.object({
  care: many(care),
  full: choice,
  short: choice.nullable(),
  lastVisit: daySchema.nullable(),
  byTwo: z.boolean(),
  atHome: z.array(z.object({ name: z.string(), everyDays: z.number() })),
  coolHours: z.boolean(),
});

const toldProposal: z.ZodType<ToldProposal> = z.object({
  ...{ dog: id, person: id, day: daySchema, from: z.number(), to: z.number(), kind: z.string() },
  ...{ why: many(z.string()), toMove: z.number(), insteadOf: id.nullable() },
  atHome: z.array(z.object({ name: z.string(), times: z.number() })),
});
const nightPlan: z.ZodType<Omit<PlanAnswer, 'prices' | 'progress'>> = z.object({
  proposals: many(toldProposal),
  unplaced: many(
    z.object({
      dog: id,
      because: z.enum(['no hours', 'not there', 'no skill', 'too long', 'full']),
      closes: daySchema,
    }),
  ),
  days: many(z.object({ day: daySchema, open: z.number(), booked: z.number(), proposed: z.number() })),
  cost: z.number(),
  /** 0: the book has changed since, and nobody knows how far it is from the best. */
  bound: z.number(),
});

/** All that weeks are planned from; the browser plans them beside the screen. */
export const aheadView = z.object({
  weeks: z.object({
    first: daySchema,
    days: z.int(),
    over: z.int(),
    people: many(z.object({ id, week, skills: many(z.string()) })),
    away: many(z.object({ person: id.nullable(), from: daySchema, to: daySchema })),
    dogs: many(
      z.object({ id, household: id, its: inWeeks, wishes: ownerWishes.nullable(), needs: dogNeeds.nullable() }),
    ),
    booked: many(
      z.object({
        id,
        dog: id,
        person: id,
        day: daySchema,
        from: z.int(),
        to: z.number(),
        choice: z.enum(['full', 'short']).nullable(),
        mayMove: z.boolean(),
        /** Of a dog of another branch. */
        elsewhere: z.exactOptional(z.literal(true)),
      }),
    ),
    drive: z.record(id, z.number()),
    tables: z.int(),
    tubs: z.int(),
    dryers: z.int(),
    warm: many(z.int().min(1).max(12)),
  }),
  /** What of the night's plan still holds; null where none was made today. */
  night: nightPlan.nullable(),
  names: z.record(id, z.string()),
  /** Of bookings that may move. */
  versions: z.record(id, z.int()),
  prices: z.record(z.string(), z.number()),
  /** What planning weighs, as the business sees it. */
  costs: planCosts,
  /** Dogs whose due is not worked out yet. */
  waiting: z.int(),
});
export type AheadView = z.infer<typeof aheadView>;

/** What planning found the days to be worth: the next planning begins with it, and times for one dog are chosen by it. */
export const foundPrices = z.strictObject({
  first: daySchema,
  prices: z
    .record(z.string().max(200), z.number().min(0).max(1e6))
    .refine((prices) => Object.keys(prices).length <= 20_000, { error: 'Too many prices.' }),
});

const timeGiven = z.strictObject({
  memberId: id,
  startsAt: z.iso.datetime({ offset: true }),
  minutes: z.int().min(15).max(480),
});
/** Proposals that are taken: each booked, and each booking moved that gives way to them, or told why not. */
export const acceptedVisits = z
  .strictObject({
    /** All of them or none: dogs that come together. */
    together: z.boolean().default(false),
    visits: z
      .array(
        timeGiven.extend({
          id: newId,
          dogId: id,
          kind: z.enum(VISIT_KINDS),
          /** Nobody was told yet: it may be moved when weeks are planned anew. */
          mayMove: z.boolean(),
          note: text(500).default(''),
        }),
      )
      .max(500),
    /** Bookings that get other times, all at once: two may change places. */
    moved: z
      .array(timeGiven.extend({ id, version: z.int().min(1) }))
      .max(5000)
      .default([]),
    /** Bookings that are taken back. */
    cancelled: z
      .array(z.strictObject({ id, version: z.int().min(1) }))
      .max(5000)
      .default([]),
  })
  .refine(({ visits, moved, cancelled }) => visits.length + moved.length + cancelled.length > 0, {
    path: ['visits'],
    message: 'Nothing is taken.',
  });
export const acceptedAnswer = z.object({
  booked: z.array(id),
  moved: z.array(z.object({ id, version: z.int() })),
  refused: z.array(z.object({ id, why: z.string() })),
});

/** Who could take a time that came free, who gains most first. */
export const gapView = z.object({
  memberId: id,
  memberName: z.string(),
  day: daySchema,
  startsAt: z.string(),
  minutes: z.int(),
  isFree: z.boolean(),
  gains: z.array(
    z.object({
      dogId: id,
      dog: z.string(),
      clientId: id,
      owner: z.string(),
      phone: z.string(),
      kind: z.enum(VISIT_KINDS),
      minutes: z.int(),
      gain: z.number(),
      lateBy: z.int(),
      /** The booking that would be given up for it. */
      insteadOf: z.object({ id, day: daySchema }).nullable(),
    }),
  ),
});
export type GapView = z.infer<typeof gapView>;
