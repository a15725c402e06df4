import { z } from 'zod';
import { daySchema, id, many, newId, version } from './basics';
import { bottleShown } from './products';
import { productKind } from './trade';

/** So much of a mix for one dog. */
export const pourView = z.object({
  dogId: id,
  dog: z.string(),
  ml: z.number(),
});
export type PourView = z.infer<typeof pourView>;

/** A bottle to make up. Volumes in ml. */
export const fillView = z.object({
  bottle: bottleShown,
  by: z.enum(['strokes', 'strokes, water fitted', 'millilitres']),
  strokes: z.number().nullable(),
  product: z.number(),
  water: z.number(),
  total: z.number(),
  realised: z.string(),
  /** Share by which it is stronger (+) or weaker (−) than the label. */
  error: z.number(),
  pours: many(pourView),
});
export type FillView = z.infer<typeof fillView>;

/** An open lot of a product, as one picks it at the bench. */
export const lotChoice = z.object({
  id,
  number: z.string(),
  expires: z.string().nullable(),
  expired: z.boolean(),
  open: z.boolean(),
});
export type LotChoice = z.infer<typeof lotChoice>;

/** One product at one strength for the day. */
export const batchView = z.object({
  product: z.object({ id: z.string(), name: z.string(), kind: productKind, label: z.string(), hazard: z.string() }),
  strength: z.string(),
  waterParts: z.string(),
  strokeMl: z.number().nullable(),
  forDog: z.object({ id: z.string(), name: z.string() }).nullable(),
  need: z.number(),
  wanted: z.number(),
  unbottled: z.number(),
  /** 0: no choice of bottles is better; else the best makes at most this share less mix. */
  atMostAbove: z.number(),
  /** Dogs that go short for want of a bottle. */
  unserved: many(pourView),
  draws: z.number(),
  cost: z.number().nullable(),
  openMixes: many(z.object({ mix: z.string(), pours: many(pourView) })),
  bottles: many(fillView),
  lots: many(lotChoice),
});
export type BatchView = z.infer<typeof batchView>;

export const madeMixView = z.object({
  id,
  version: z.number(),
  product: z.object({ id: z.string(), name: z.string(), kind: productKind }),
  bottle: bottleShown,
  no: z.number(),
  strength: z.string(),
  realised: z.string(),
  strokes: z.number().nullable(),
  productMl: z.number(),
  totalMl: z.number(),
  leftMl: z.number(),
  forDog: z.object({ id: z.string(), name: z.string() }).nullable(),
  by: z.string(),
  measuredAt: z.string(),
  wateredAt: z.string().nullable(),
  discardAt: z.string(),
  lots: many(z.string()),
  /** Dogs that had it already. */
  had: many(z.string()),
});
export type MadeMixView = z.infer<typeof madeMixView>;

export const asItIsView = z.object({
  product: z.object({ id: z.string(), name: z.string(), kind: productKind, label: z.string(), hazard: z.string() }),
  need: z.number(),
  dogs: many(pourView),
});
export type AsItIsView = z.infer<typeof asItIsView>;

/** Something that needs a person's word before it is mixed. */
export const mixingTrouble = z.object({
  dog: z.string(),
  words: z.string(),
});
export type MixingTrouble = z.infer<typeof mixingTrouble>;

export const mixingView = z.object({
  day: daySchema,
  zone: z.string(),
  serverNow: z.number(),
  batches: many(batchView),
  asItIs: many(asItIsView),
  openMixes: many(madeMixView),
  trouble: many(mixingTrouble),
});
export type MixingView = z.infer<typeof mixingView>;

export const newMix = z.strictObject({
  id: newId,
  productId: id,
  waterParts: z.string().max(40),
  bottleId: id,
  strokes: z.int().min(1).max(1000).nullable(),
  productMl: z.number().gt(0, { error: 'A mix holds some product.' }).max(20_000),
  totalMl: z.number().gt(0, { error: 'A mix has a volume.' }).max(50_000),
  forDogId: id.nullable(),
  lotIds: z.array(id).max(2),
});
export const mixStep = z.discriminatedUnion('step', [
  z.strictObject({ version, step: z.literal('watered') }),
  z.strictObject({ version, step: z.literal('used up') }),
  z.strictObject({ version, step: z.literal('poured away'), leftMl: z.number().min(0).max(50_000) }),
  z.strictObject({ version, step: z.literal('taken back') }),
]);
