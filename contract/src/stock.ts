import { STOCK_KINDS, type StockPoint } from '@dewpond/core/stock';
import { z } from 'zod';
import { daySchema, id, line, many, newId, text, version } from './basics';

const lotFields = { number: line(40, 'The lot number'), expires: daySchema.nullable() };

/** What a person enters. A count says how much there is. Ml of the product as bought. */
export const stockEntryFields = z.strictObject({
  productId: id,
  kind: z.enum(['delivery', 'count', 'waste', 'correction']),
  ml: z.number({ error: 'Give a number.' }).min(-1_000_000).max(1_000_000),
  reason: text(200).default(''),
  /** With a delivery: its lot. */
  lot: z
    .strictObject({ id: newId, ...lotFields })
    .nullable()
    .default(null),
});
export const newStockEntry = stockEntryFields.extend({ id: newId });
export const stockEntryMade = z.object({ id, ml: z.number(), afterMl: z.number() });

export const stockEntryView = z.object({
  id,
  kind: z.enum(STOCK_KINDS),
  ml: z.number(),
  afterMl: z.number(),
  reason: z.string(),
  day: daySchema,
  by: z.string(),
  lot: z.string().nullable(),
  /** The dog of the visit, or the bottle of the mix it went into. */
  about: z.string(),
});
export type StockEntryView = z.infer<typeof stockEntryView>;

export const lotView = z.object({
  id,
  version,
  ...lotFields,
  deliveredOn: daySchema,
  openedOn: daySchema.nullable(),
  emptiedOn: daySchema.nullable(),
});
export type LotView = z.infer<typeof lotView>;
export const lotEdit = z.strictObject({
  version,
  ...lotFields,
  openedOn: daySchema.nullable(),
  emptiedOn: daySchema.nullable(),
});

const stockPoint: z.ZodType<StockPoint> = z.object({
  day: daySchema,
  left: z.number(),
  low: z.number(),
  high: z.number(),
});

/** A product's stock and what is ahead of it. */
export const stockLine = z.object({
  productId: id,
  name: z.string(),
  /** Null: never delivered nor counted, so not known. */
  stock: z.number().nullable(),
  /** Product in mixes that stand at the bench and may still be used, ml: drawn, but not gone. */
  inOpenMixes: z.number(),
  containerMl: z.number().nullable(),
  price: z.number().nullable(),
  leadDays: z.number(),
  safetyMl: z.number(),
  supplier: z.string(),
  runsOut: z.string().nullable(),
  runsOutAtWorst: z.string().nullable(),
  orderBy: z.string().nullable(),
  state: z.enum(['late', 'this week', 'later', 'enough', 'not counted']),
  /** What twelve weeks take, ml. */
  takes: z.number(),
  containers: z.number(),
  /** A point a week. */
  points: many(stockPoint),
  /** Lots past their expiry that still hold something. */
  expired: many(z.string()),
});
export type StockLine = z.infer<typeof stockLine>;

export const stockView = z.object({
  today: daySchema,
  currency: z.string(),
  lines: many(stockLine),
  /** Dogs whose visits are not reckoned yet: the forecast lacks them. */
  waiting: z.int(),
  dogs: z.int(),
  /** Overdue by more than their interval, nothing booked: they draw by the chance that they still come. */
  longAway: z.array(z.object({ dogId: id, dog: z.string(), overdueDays: z.int(), chance: z.number() })),
});
export type StockView = z.infer<typeof stockView>;

export const ledgerView = z.object({
  productId: id,
  stock: z.number().nullable(),
  entries: z.array(stockEntryView),
  lots: z.array(lotView),
  /** Dogs that are to be kept from something it lists. */
  keptFrom: z.array(z.object({ dogId: id, dog: z.string(), lists: z.string() })),
});
export type LedgerView = z.infer<typeof ledgerView>;

const named = z.object({ id, name: z.string(), cost: z.number() });
export const costsView = z.object({
  currency: z.string(),
  months: z.array(z.object({ month: z.string(), cost: z.number(), visits: z.int() })),
  products: z.array(named.extend({ ml: z.number() })),
  dogs: z.array(named.extend({ visits: z.int() })),
  visits: z.array(z.object({ visitId: id, dogId: id, dog: z.string(), day: daySchema, cost: z.number() })),
  waste: z.array(
    z.object({ month: z.string(), mixed: z.number(), thrown: z.number(), share: z.number(), cost: z.number() }),
  ),
  /** Uses of products without a price. */
  unpriced: z.int(),
});
export type CostsView = z.infer<typeof costsView>;
export const costsQuery = z.object({ from: daySchema, to: daySchema });
