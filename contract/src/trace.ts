import { z } from 'zod';
import { daySchema, id, text } from './basics';

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
