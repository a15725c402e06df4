import {
  ALL_CAUTIONS,
  FINEST_MARK,
  MOST_MARKS,
  MOST_OF_A_KIND,
  PRODUCT_KINDS,
  strengthOf,
} from '@dewpond/core/dilution';
import { z } from 'zod';
import { daySchema, id, line, newId, text, version } from './basics';

/** Parts of water to one of product, exact: "24", "97/3", "31.5". */
export const waterParts = z
  .string()
  .max(40)
  .refine(
    (parts) => {
      try {
        return /^\d+(\.\d+)?(\/\d+)?$/.test(parts) && strengthOf(parts).water.compare(0) > 0;
      } catch {
        return false;
      }
    },
    { error: 'More than 0 and at most 1000 parts of water to one of product.' },
  );

export const labelRange = z.strictObject({ strongest: waterParts, weakest: waterParts });

/** A volume of a thing that exists, ml. */
const volume = (most: number) =>
  z
    .number({ error: 'Give a number.' })
    .gt(0, { error: 'More than 0 ml.' })
    .max(most, { error: `At most ${most} ml.` });

export const productFields = z.strictObject({
  name: line(80, 'The name'),
  kind: z.enum(PRODUCT_KINDS),
  label: line(60, 'The ratio on the label'),
  /** How the label was read; null: ready to use. */
  waterParts: waterParts.nullable(),
  /** The label's range that it lies in, exact, where the label can be read as more than one. */
  range: labelRange.nullable().default(null),
  purposes: z
    .array(z.strictObject({ purpose: line(40, 'The purpose'), waterParts }))
    .max(6)
    .default([]),
  contact: z
    .strictObject({ least: z.number().min(0).max(60), most: z.number().min(0).max(60) })
    .refine(({ least, most }) => least <= most, { error: 'The most is less than the least.', path: ['most'] })
    .nullable(),
  amountFactor: z.number().min(0.5, { error: 'At least 0.5.' }).max(2, { error: 'At most 2.' }).default(1),
  /** The business's usual one of its kind. */
  usual: z.boolean().default(false),
  suppliedBy: z.enum(['house', 'vet', 'owner']),
  supplier: text(80).default(''),
  cautions: z.array(z.enum(ALL_CAUTIONS)).max(ALL_CAUTIONS.length).default([]),
  ingredients: z.array(line(80, 'The ingredient')).max(80).default([]),
  containerMl: volume(50_000).nullable(),
  price: z.number().min(0).max(10_000).nullable(),
  pumpId: id.nullable(),
  leadDays: z.int().min(0).max(120).default(7),
  safetyMl: z.number().min(0).max(100_000).default(0),
});
export const newProduct = productFields.extend({ id: newId });
export const productEdit = productFields.extend({ version });
export const productView = z.object({
  ...productFields.shape,
  id,
  version,
  /** "24:1"; null: ready to use. */
  strength: z.string().nullable(),
  strokeMl: z.number().nullable(),
  costPerMl: z.number().nullable(),
  archivedOn: daySchema.nullable(),
  contactMinutes: z.number().nullable(),
});
export type ProductView = z.infer<typeof productView>;

/** Ten strokes, ml each; what scatters too much is refused by the computation, with the scatter. */
export const calibration = z.strictObject({ version, strokes: z.array(z.number().min(0).max(200)).max(20) });
export const pumpFields = z.strictObject({ name: line(60, 'The name') });
export const newPump = pumpFields.extend({ id: newId });
export const pumpEdit = pumpFields.extend({ version });
export const pumpView = z.object({
  id,
  version,
  name: z.string(),
  strokes: z.array(z.number()),
  strokeMl: z.number().nullable(),
  scatter: z.number().nullable(),
  calibratedOn: daySchema.nullable(),
  calibratedBy: z.string(),
  /** The products it sits on. */
  products: z.array(z.string()),
});
export type PumpView = z.infer<typeof pumpView>;

const bottleShape = z.strictObject({
  name: line(60, 'The name'),
  brim: volume(50_000),
  line: volume(50_000),
  graduation: volume(10_000).nullable(),
  count: z
    .int()
    .min(1, { error: 'At least one.' })
    .max(MOST_OF_A_KIND, { error: `At most ${MOST_OF_A_KIND}.` }),
});
type BottleShape = z.infer<typeof bottleShape>;
/** What is typed now; a finer mark that the book holds from before is read coarser, and told. */
const fits = <T extends z.ZodType<BottleShape>>(schema: T) =>
  schema
    .refine(({ brim, line: to }) => to <= brim, { error: 'The line is above the brim.', path: ['line'] })
    .refine(({ line: to, graduation }) => graduation === null || graduation <= to, {
      error: 'The first mark is above the line.',
      path: ['graduation'],
    })
    .refine(({ graduation }) => graduation === null || graduation >= FINEST_MARK, {
      error: `Marks closer than ${FINEST_MARK} ml cannot be filled to.`,
      path: ['graduation'],
    })
    .refine(({ line: to, graduation }) => graduation === null || to / graduation <= MOST_MARKS, {
      error: `More than ${MOST_MARKS} marks: say every second or fifth of them.`,
      path: ['graduation'],
    });
export const bottleFields = fits(bottleShape);
export const newBottle = fits(bottleShape.extend({ id: newId }));
export const bottleEdit = fits(bottleShape.extend({ version }));
export const bottleView = z.object({ ...bottleShape.shape, id, version });
export type BottleView = z.infer<typeof bottleView>;
/** A bottle as mixes name it. Ml. */
export const bottleShown = z.object({
  id,
  name: z.string(),
  brim: z.number(),
  line: z.number(),
  graduation: z.number().nullable(),
});

/** Archived, or brought back. */
export const shelving = z.strictObject({ version, archived: z.boolean() });
