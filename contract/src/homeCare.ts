import { ALL_TRENDS } from '@dewpond/core/careplan';
import { ALL_BATH_STEPS, DRAWINGS, type BathStep } from '@dewpond/core/methods';
import type { HomeBathAgreed, HomeBottle } from '@dewpond/core/homebath';
import { ALL_FOLLOWS, type HomeTask } from '@dewpond/core/homecare';
import type { HomeBathTold, HomeLeftTold, HomeTaskTold, PageWords } from '@dewpond/core/wording';
import { z } from 'zod';
import { daySchema, id, line, place, text, version } from './basics';
import { labelRange, waterParts } from './products';
import { ticked } from './plan';
import { homeHow, task } from './trade';

/** Headings and buttons of a page for owners, by what they stand for. */
export const pageWords = z.record(z.string(), z.string()) as unknown as z.ZodType<PageWords>;

const homeTask = z.object({
  key: z.string(),
  task,
  places: z.array(place),
  everyDays: z.number(),
  minutes: z.number(),
  how: homeHow,
  byVet: z.boolean(),
  stepped: z.object({ usual: z.number(), since: daySchema }).nullable(),
  clearSince: daySchema.nullable(),
  ticked: ticked.nullable(),
  better: z.object({ is: z.enum(ALL_TRENDS), than: daySchema }).nullable(),
}) satisfies z.ZodType<HomeTask>;

const homeTaskTold: z.ZodType<HomeTaskTold> = homeTask.extend({
  name: z.string(),
  words: z.string(),
  takes: z.string(),
  often: z.string(),
  less: z.string().nullable(),
  changed: z.string().nullable(),
  card: z.object({
    drawing: z.enum(DRAWINGS).nullable(),
    never: z.array(z.string()),
    stops: z.array(z.string()),
  }),
});

const homeLeftTold: z.ZodType<HomeLeftTold> = z.object({
  task: homeTask,
  follows: z.enum(ALL_FOLLOWS),
  name: z.string(),
  words: z.string(),
});

const homeBathTold: z.ZodType<HomeBathTold> = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('not now'), words: z.string() }),
  z.object({
    kind: z.literal('ready'),
    product: z.string(),
    spoons: z.string().nullable(),
    amount: z.string(),
    water: z.string().nullable(),
    parts: z.string().nullable(),
    note: z.string(),
    contactMinutes: z.number().nullable(),
    nothingElse: z.boolean(),
    steps: z.array(
      z.object({ id: z.enum(ALL_BATH_STEPS as [BathStep]), words: z.string(), drawing: z.enum(DRAWINGS).nullable() }),
    ),
  }),
]);

/** What an owner washes a dog with at home, as it is sent. */
const homeBottle = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('own'),
    name: line(80, 'What is on the bottle'),
    label: line(200, 'What its label says'),
    said: z.strictObject({ waterParts, range: labelRange.nullable() }).nullable(),
  }),
  z.strictObject({ kind: z.literal('filled'), productId: id }),
  z.strictObject({ kind: z.literal('prescribed') }),
]) satisfies z.ZodType<HomeBottle>;

/** The bath at home as it was agreed with the owner. */
export const homeBathAgreed = z.strictObject({
  bottle: homeBottle,
  everyDays: z.int().min(3, { error: 'Three days apart at least.' }).max(182, { error: 'Half a year at most.' }),
}) satisfies z.ZodType<HomeBathAgreed>;

/** The bath at home, for who agrees it with the owner. */
export const homeBathView = z.object({
  agreed: homeBathAgreed.nullable(),
  told: homeBathTold.nullable().describe('As the owner reads it'),
  /** What the salon has to settle first, in a groomer’s words. */
  toSettle: z.string().nullable(),
  /** A vet or the owner asked for a wash: that is what the bath at home is given with. */
  prescribed: z.string().nullable(),
  /** Of the small bottle; null: there is nothing to fill. */
  filling: z.object({ baths: z.int(), ml: z.int(), bottle: z.int().nullable() }).nullable(),
  version,
});
export type HomeBathView = z.infer<typeof homeBathView>;

/** Minutes a week that an owner has for care at home. */
export const homeMinutes = z.int().min(1, { error: 'A minute at least.' }).max(600, { error: 'Ten hours at most.' });

/** What an owner does between visits, the days it is for, and what was ticked. */
export const homeCareView = z.object({
  /** Days are counted from this visit. */
  since: daySchema,
  today: daySchema,
  language: z.string().describe('BCP 47'),
  words: pageWords.describe('Headings and buttons'),
  tasks: z.array(homeTaskTold),
  /** Minutes a week: what the plan asks for, what the owner has (null: nothing was agreed), what is asked of them. */
  minutes: z.object({ wanted: z.int(), agreed: z.int().nullable(), asked: z.int() }),
  /** What does not fit into them, and what follows. */
  left: z.array(homeLeftTold),
  /** The bath at home; null: none was agreed. */
  bath: homeBathTold.nullable(),
  /** Of the dog, for who changes the minutes. */
  version,
  ticks: z.array(z.object({ key: z.string(), day: daySchema, times: z.int(), note: z.string() })),
  /** Pictures the owner sent in the last four weeks. */
  photos: z.array(z.object({ id, day: daySchema })),
  /** Of the last four weeks, or since the visit. */
  share: z.object({ asked: z.int(), done: z.int() }),
});
export type HomeCareView = z.infer<typeof homeCareView>;
/** A tick, or no tick any more; with a word besides. */
export const homeTicking = z.strictObject({
  key: z.string().max(200),
  day: daySchema,
  done: z.boolean(),
  /** How often on that day; a page that was opened before this was asked sends one. */
  times: z.int().min(1).max(9).default(1),
  note: text(300).default(''),
});
