import { z } from 'zod';
import type { ProductKind } from '@dewpond/core/dilution';
import { daySchema, id, newId, text, version } from './basics';
import type { BottleView } from './products';

/** So much of a mix for one dog. */
export interface PourView {
  readonly dogId: string;
  readonly dog: string;
  readonly ml: number;
}

/** A bottle to make up. Volumes in ml. */
export interface FillView {
  readonly bottle: Pick<BottleView, 'id' | 'name' | 'brim' | 'line' | 'graduation'>;
  readonly by: 'strokes' | 'strokes, water fitted' | 'millilitres';
  readonly strokes: number | null;
  readonly product: number;
  readonly water: number;
  readonly total: number;
  readonly realised: string;
  /** Share by which it is stronger (+) or weaker (−) than the label. */
  readonly error: number;
  readonly pours: readonly PourView[];
}

/** An open lot of a product, as one picks it at the bench. */
export interface LotChoice {
  readonly id: string;
  readonly number: string;
  readonly expires: string | null;
  readonly expired: boolean;
  readonly open: boolean;
}

/** One product at one strength for the day. */
export interface BatchView {
  readonly product: {
    readonly id: string;
    readonly name: string;
    readonly kind: ProductKind;
    readonly label: string;
    readonly hazard: string;
  };
  readonly strength: string;
  readonly waterParts: string;
  readonly strokeMl: number | null;
  readonly forDog: { readonly id: string; readonly name: string } | null;
  readonly need: number;
  readonly wanted: number;
  readonly unbottled: number;
  /** 0: no choice of bottles is better; else the best makes at most this share less mix. */
  readonly atMostAbove: number;
  /** Dogs that go short for want of a bottle. */
  readonly unserved: readonly PourView[];
  readonly draws: number;
  readonly cost: number | null;
  readonly standing: readonly { readonly mix: string; readonly pours: readonly PourView[] }[];
  readonly bottles: readonly FillView[];
  readonly lots: readonly LotChoice[];
}

export interface MadeMixView {
  readonly id: string;
  readonly version: number;
  readonly product: { readonly id: string; readonly name: string; readonly kind: ProductKind };
  readonly bottle: Pick<BottleView, 'id' | 'name' | 'brim' | 'line' | 'graduation'>;
  readonly no: number;
  readonly strength: string;
  readonly realised: string;
  readonly strokes: number | null;
  readonly productMl: number;
  readonly totalMl: number;
  readonly leftMl: number;
  readonly forDog: { readonly id: string; readonly name: string } | null;
  readonly by: string;
  readonly measuredAt: string;
  readonly wateredAt: string | null;
  readonly discardAt: string;
  readonly lots: readonly string[];
  /** Dogs that had it already. */
  readonly had: readonly string[];
}

export interface AsItIsView {
  readonly product: BatchView['product'];
  readonly need: number;
  readonly dogs: readonly PourView[];
}

/** Something that needs a person's word before it is mixed. */
export interface BenchTrouble {
  readonly dog: string;
  readonly words: string;
}

export const benchView = z.object({
  day: daySchema,
  zone: z.string(),
  serverNow: z.number(),
  batches: z.custom<BatchView[]>(),
  asItIs: z.custom<AsItIsView[]>(),
  standing: z.custom<MadeMixView[]>(),
  trouble: z.custom<BenchTrouble[]>(),
});
export type BenchView = z.infer<typeof benchView>;

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

/** A dog that had something, and whom to ring. */
export const tracedDog = z.object({
  dogId: id,
  dog: z.string(),
  ownerId: id,
  owner: z.string(),
  phone: z.string(),
  visitId: id,
  day: daySchema,
  what: z.string(),
  override: z.string().nullable(),
});
export type TracedDog = z.infer<typeof tracedDog>;

export const traceQuery = z.object({
  of: z.enum(['lot', 'mix', 'bottle']),
  id,
  /** Which bottle of its kind. */
  no: z.coerce.number().int().min(1).optional(),
});
export const traceView = z.object({ title: z.string(), words: text(300), dogs: z.array(tracedDog) });
export type TraceView = z.infer<typeof traceView>;

/** What a trace can start from. */
export const traceStarts = z.object({
  lots: z.array(z.object({ id, product: z.string(), number: z.string(), deliveredOn: daySchema })),
  mixes: z.array(z.object({ id, words: z.string(), day: daySchema })),
  bottles: z.array(z.object({ id, no: z.int(), name: z.string() })),
});

export const touched = z.object({
  visitId: id,
  day: daySchema,
  product: z.string(),
  strength: z.string().nullable(),
  bottle: z.string().nullable(),
  mixId: id.nullable(),
  lots: z.array(z.object({ id, number: z.string() })),
  override: z.string().nullable(),
});
export type Touched = z.infer<typeof touched>;
