import {
  ALL_TRENDS,
  type Claim,
  type EarHairDecision,
  type HomeCare,
  type PlanLine,
  type SaidLine,
  type Settled,
  type Ticked,
} from '@dewpond/core/careplan';
import type { DueLine, DueWindow } from '@dewpond/core/due';
import type { EarHairWay } from '@dewpond/core/dog';
import type { RhythmAnswer, SparedLook, Spread } from '@dewpond/core/rhythm';
import type { SaidAt } from '@dewpond/core/rules';
import type { BarAt, Instead, LeftOut } from '@dewpond/core/stops';
import { z } from 'zod';
import { daySchema, gradeOrNone, interval, place } from './basics';
import { reason, source } from './reasons';
import { caution, homeHow, level, procedure, productKind, rank, task } from './trade';

const claim: z.ZodType<Claim> = z.object({
  ruleId: z.string(),
  rank,
  interval,
  ships: interval.exactOptional(),
  reason,
  source,
});

const settled: z.ZodType<Settled> = z.object({
  interval,
  won: z.array(claim),
  lost: z.array(z.object({ claim: claim, why: z.string() })),
  disagreement: z.array(claim).nullable(),
});

const saidAt: z.ZodType<SaidAt> = z.enum(['the work', 'before water']);

const said: z.ZodType<SaidLine> = z.object({
  rank,
  reason,
  at: saidAt,
  general: z.boolean(),
  words: z.string(),
  source,
});

const barAt: z.ZodType<BarAt> = z.object({
  stop: z.enum(['S0', 'S1', 'S2', 'S3']),
  level,
  rank,
  reason,
  source,
  at: place.nullable(),
  lifted: z.object({ by: z.array(z.string()), procedure, until: daySchema }).nullable(),
});

const instead: z.ZodType<Instead> = z.object({ words: z.string(), does: z.array(procedure) });

const leftOut: z.ZodType<LeftOut> = z.object({
  pieces: z.array(z.string()),
  places: z.array(place),
  productOnly: z.boolean(),
  bars: z.array(barAt),
  instead,
});

const keptOff: z.ZodType<PlanLine['keptOff'][number]> = z.object({
  marks: z.array(caution),
  ingredients: z.array(z.string()),
});

/** What the owner’s ticks before a visit say. */
export const ticked: z.ZodType<Ticked> = z.object({
  due: z.int(),
  done: z.int(),
  on: daySchema,
  usual: z.number(),
});

const homeCare: z.ZodType<HomeCare> = z.object({
  everyDays: z.number(),
  minutes: z.number(),
  how: homeHow,
  reason,
  source,
  stepped: z.exactOptional(z.object({ usual: z.number(), since: daySchema })),
  clearSince: z.exactOptional(daySchema),
  ticked: z.exactOptional(ticked),
  trend: z.exactOptional(z.object({ is: z.enum(ALL_TRENDS), than: daySchema })),
});

const earHairWay: z.ZodType<EarHairWay> = z.enum(['vet', 'leave', 'staged', 'trim', 'whole']);

const earHairDecision: z.ZodType<EarHairDecision> = z.object({
  way: earHairWay,
  line: z.number(),
  reason,
  source,
  beside: reason.nullable(),
});

const planLine: z.ZodType<PlanLine> = z.object({
  interval: interval.nullable(),
  settled: settled.nullable(),
  methods: z.array(said),
  products: z.array(productKind),
  cautions: z.array(said),
  bars: z.array(barAt),
  leavesOut: z.array(leftOut),
  productShare: z.number(),
  keptOff: z.array(keptOff),
  home: homeCare.nullable(),
  sooner: z.exactOptional(z.int()),
  fixedByVet: z.boolean(),
  earHair: earHairDecision.nullable(),
  task,
  place: place.nullable(),
});

const spread: z.ZodType<Spread> = z.object({ low: z.number(), median: z.number(), high: z.number() });

const rhythmAnswer: z.ZodType<RhythmAnswer> = z.object({
  interval: z.number(),
  unbounded: z.number(),
  beforeNewest: z.number().nullable(),
  clippedBy: z.enum(['least', 'most']).nullable(),
  fasterThanCare: z.boolean(),
  prior: spread,
  posterior: spread,
  evidence: z.array(
    z.object({ t: z.number(), grade: gradeOrNone, weight: z.number(), onlyAbove: z.boolean(), day: daySchema }),
  ),
});

const dueWindow: z.ZodType<DueWindow> = z.object({
  earliest: daySchema,
  ideal: daySchema,
  latest: daySchema,
});

const sparedLook: z.ZodType<SparedLook> = z.object({ day: daySchema, t: z.int(), grade: gradeOrNone });

/** A line of the plan with its clock: when it was done, what was learned, when it is due. */
export const dueLine: z.ZodType<DueLine> = z.object({
  line: planLine,
  lastCare: daySchema.nullable(),
  spared: sparedLook.nullable(),
  rhythm: rhythmAnswer.nullable(),
  window: dueWindow.nullable(),
  state: z.enum(['late', 'none', 'not yet', 'may', 'due', 'barred']),
  noticedOn: z.exactOptional(daySchema),
});
