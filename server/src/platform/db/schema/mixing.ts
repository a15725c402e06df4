import type { StockKind } from '@dewpond/core/stock';
import { sql } from 'drizzle-orm';
import {
  boolean,
  check,
  doublePrecision,
  foreignKey,
  index,
  integer,
  primaryKey,
  text,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import { dog } from './book';
import { atBranch } from './business';
import { bottle, lot, product } from './shelf';
import { branchId, businessId, byPerson, day, dewpond, edited, instant, ofThisBusiness } from './tenancy';
import { visit } from './visits';

/** A mix made up in one bottle. */
export const madeMix = dewpond.table(
  'made_mix',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    productId: uuid('product_id').notNull(),
    /** What it was to be, parts of water as an exact fraction. */
    waterParts: text('water_parts').notNull(),
    bottleId: uuid('bottle_id').notNull(),
    /** Which of the business's bottles of that kind, from 1. */
    bottleNo: integer('bottle_no').notNull(),
    strokes: integer('strokes'),
    productMl: doublePrecision('product_ml').notNull(),
    totalMl: doublePrecision('total_ml').notNull(),
    /** The one dog it is for. */
    dogId: uuid('dog_id'),
    by: text('by').notNull(),
    personId: byPerson(),
    day: day('day').notNull(),
    /** Product measured early, warm water late. */
    measuredAt: instant('measured_at').notNull(),
    wateredAt: instant('watered_at'),
    discardAt: instant('discard_at').notNull(),
    ended: text('ended').$type<'used up' | 'poured away' | 'taken back'>(),
    endedAt: instant('ended_at'),
    endedOn: day('ended_on'),
    /** Mix left when it ended, ml. */
    leftMl: doublePrecision('left_ml'),
    costPerMl: doublePrecision('cost_per_ml'),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.productId], foreignColumns: [product.businessId, product.id] }),
    foreignKey({ columns: [t.businessId, t.bottleId], foreignColumns: [bottle.businessId, bottle.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    index('made_mix_by_day').on(t.businessId, t.day),
    index('made_mix_by_dog').on(t.businessId, t.dogId),
    // A bottle holds one mix at a time.
    uniqueIndex('made_mix_one_in_a_bottle')
      .on(t.businessId, t.bottleId, t.bottleNo)
      .where(sql`${t.ended} is null`),
    check('made_mix_holds_both', sql`${t.productMl} > 0 and ${t.totalMl} > ${t.productMl}`),
    ofThisBusiness('made_mix'),
  ],
);

/** The lots a mix was drawn from: two, when a container ran out on the way. */
export const mixLot = dewpond.table(
  'mix_lot',
  { businessId: businessId(), mixId: uuid('mix_id').notNull(), lotId: uuid('lot_id').notNull() },
  (t) => [
    primaryKey({ columns: [t.businessId, t.mixId, t.lotId] }),
    foreignKey({ columns: [t.businessId, t.mixId], foreignColumns: [madeMix.businessId, madeMix.id] }),
    foreignKey({ columns: [t.businessId, t.lotId], foreignColumns: [lot.businessId, lot.id] }),
    index('mix_lot_by_lot').on(t.businessId, t.lotId),
    ofThisBusiness('mix_lot'),
  ],
);

/** The ledger. Append-only: the app role may insert and read, never change. */
export const stockEntry = dewpond.table(
  'stock_entry',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    branchId: branchId(),
    productId: uuid('product_id').notNull(),
    kind: text('kind').$type<StockKind>().notNull(),
    ml: doublePrecision('ml').notNull(),
    afterMl: doublePrecision('after_ml').notNull(),
    reason: text('reason').notNull(),
    day: day('day').notNull(),
    by: text('by').notNull(),
    personId: byPerson(),
    lotId: uuid('lot_id'),
    visitId: uuid('visit_id'),
    mixId: uuid('mix_id'),
    madeFrom: text('made_from').notNull(),
    /** The order in which entries of a product were taken in at a branch. */
    number: integer('number').notNull(),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.productId], foreignColumns: [product.businessId, product.id] }),
    foreignKey({ columns: [t.businessId, t.lotId], foreignColumns: [lot.businessId, lot.id] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    foreignKey({ columns: [t.businessId, t.mixId], foreignColumns: [madeMix.businessId, madeMix.id] }),
    atBranch(t),
    uniqueIndex('stock_entry_in_order').on(t.businessId, t.branchId, t.productId, t.number),
    index('stock_entry_by_visit').on(t.businessId, t.visitId),
    check('stock_entry_below_nothing_says_why', sql`${t.afterMl} >= 0 or ${t.ml} > 0 or ${t.reason} <> ''`),
    ofThisBusiness('stock_entry'),
  ],
);

/** Projection of visits: which mix was poured over which dog. */
export const mixTaken = dewpond.table(
  'mix_taken',
  {
    businessId: businessId(),
    visitId: uuid('visit_id').notNull(),
    dogId: uuid('dog_id').notNull(),
    day: day('day').notNull(),
    mixId: uuid('mix_id').notNull(),
    ml: doublePrecision('ml').notNull(),
    /** Why it was taken though past its discard time. */
    override: text('override'),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.visitId, t.mixId] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    foreignKey({ columns: [t.businessId, t.mixId], foreignColumns: [madeMix.businessId, madeMix.id] }),
    index('mix_taken_by_mix').on(t.businessId, t.mixId),
    index('mix_taken_by_dog').on(t.businessId, t.dogId, t.day),
    ofThisBusiness('mix_taken'),
  ],
);

/** What a visit used of one product. Projection of visits. */
export const amountUsed = dewpond.table(
  'amount_used',
  {
    businessId: businessId(),
    visitId: uuid('visit_id').notNull(),
    dogId: uuid('dog_id').notNull(),
    day: day('day').notNull(),
    productId: uuid('product_id').notNull(),
    /** Mix, or the product itself when ready to use, ml. */
    usedMl: doublePrecision('used_ml').notNull(),
    /** Predicted without the dog's own factor. */
    predictedMl: doublePrecision('predicted_ml').notNull(),
    /** Whether it teaches how much this dog takes. */
    complete: boolean('complete').notNull(),
    /** The product in it as bought, ml, and what that cost. */
    productMl: doublePrecision('product_ml').notNull().default(0),
    cost: doublePrecision('cost'),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.visitId, t.productId] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    index('amount_used_by_dog').on(t.businessId, t.dogId),
    index('amount_used_by_day').on(t.businessId, t.day),
    ofThisBusiness('amount_used'),
  ],
);

/** The open lots of a product that was used without a mix. Projection of visits. */
export const lotTouched = dewpond.table(
  'lot_touched',
  {
    businessId: businessId(),
    visitId: uuid('visit_id').notNull(),
    dogId: uuid('dog_id').notNull(),
    day: day('day').notNull(),
    lotId: uuid('lot_id').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.visitId, t.lotId] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    foreignKey({ columns: [t.businessId, t.lotId], foreignColumns: [lot.businessId, lot.id] }),
    index('lot_touched_by_lot').on(t.businessId, t.lotId),
    ofThisBusiness('lot_touched'),
  ],
);
