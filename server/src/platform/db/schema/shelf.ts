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
  uuid,
} from 'drizzle-orm/pg-core';
import { INGREDIENTS, PRODUCT_CAUTIONS, PURPOSES, RANGE, STROKES } from '../shapes/business';
import { shaped } from '../shapes/shaped';
import { atBranch, business } from './business';
import { branchId, businessId, byPerson, day, dewpond, edited, ofThisBusiness } from './tenancy';

/** A pump of a branch with what its ten strokes gave. */
export const pump = dewpond.table(
  'pump',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    branchId: branchId(),
    name: text('name').notNull(),
    /** Ml of each stroke of its calibration; empty: never calibrated here. */
    strokes: shaped('strokes', STROKES).notNull().default([]),
    /** Mean of a stroke, ml; null: not calibrated, or its calibration scattered too much. */
    strokeMl: doublePrecision('stroke_ml'),
    calibratedOn: day('calibrated_on'),
    calibratedBy: text('calibrated_by').notNull().default(''),
    personId: byPerson(),
    archivedOn: day('archived_on'),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    atBranch(t),
    ofThisBusiness('pump'),
  ],
);

export const product = dewpond.table(
  'product',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    kind: text('kind').notNull(),
    /** As printed. */
    label: text('label').notNull(),
    /** Parts of water to one of product as an exact fraction, "97/3"; null = ready to use. */
    waterParts: text('water_parts'),
    /** The strongest and the weakest the label allows, where it gives a range. */
    range: shaped('range', RANGE),
    purposes: shaped('purposes', PURPOSES).notNull().default([]),
    contactLeast: doublePrecision('contact_least'),
    contactMost: doublePrecision('contact_most'),
    /** The business's usual one of its kind. */
    usual: boolean('usual').notNull().default(false),
    amountFactor: doublePrecision('amount_factor').notNull().default(1),
    suppliedBy: text('supplied_by').$type<'house' | 'vet' | 'owner'>().notNull(),
    supplier: text('supplier').notNull().default(''),
    cautions: shaped('cautions', PRODUCT_CAUTIONS).notNull().default([]),
    ingredients: shaped('ingredients', INGREDIENTS).notNull().default([]),
    /** Size of a container as bought, ml. */
    containerMl: doublePrecision('container_ml'),
    costPerMl: doublePrecision('cost_per_ml'),
    leadDays: integer('lead_days').notNull().default(7),
    safetyMl: doublePrecision('safety_ml').notNull().default(0),
    archivedOn: day('archived_on'),
    version: integer('version').notNull().default(1),
    madeFrom: text('made_from').notNull().default(''),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    ofThisBusiness('product'),
  ],
);

/** The pump that sits on a product's container at a branch. */
export const fittedPump = dewpond.table(
  'fitted_pump',
  {
    businessId: businessId(),
    branchId: branchId(),
    productId: uuid('product_id').notNull(),
    pumpId: uuid('pump_id').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.branchId, t.productId] }),
    foreignKey({ columns: [t.businessId, t.productId], foreignColumns: [product.businessId, product.id] }),
    foreignKey({ columns: [t.businessId, t.pumpId], foreignColumns: [pump.businessId, pump.id] }),
    atBranch(t),
    ofThisBusiness('fitted_pump'),
  ],
);

/** A kind of bottle or bucket, and how many a branch has of it. */
export const bottle = dewpond.table(
  'bottle',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    branchId: branchId(),
    name: text('name').notNull(),
    brim: doublePrecision('brim').notNull(),
    line: doublePrecision('line').notNull(),
    graduation: doublePrecision('graduation'),
    count: integer('count').notNull().default(1),
    archivedOn: day('archived_on'),
    version: integer('version').notNull().default(1),
    madeFrom: text('made_from').notNull().default(''),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    atBranch(t),
    check('bottle_line_below_brim', sql`${t.line} > 0 and ${t.line} <= ${t.brim}`),
    check('bottle_of_some', sql`${t.count} > 0`),
    ofThisBusiness('bottle'),
  ],
);

/** What came in one delivery with one lot number. */
export const lot = dewpond.table(
  'lot',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    branchId: branchId(),
    productId: uuid('product_id').notNull(),
    number: text('number').notNull(),
    expires: day('expires'),
    deliveredOn: day('delivered_on').notNull(),
    openedOn: day('opened_on'),
    emptiedOn: day('emptied_on'),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.productId], foreignColumns: [product.businessId, product.id] }),
    atBranch(t),
    index('lot_by_product').on(t.businessId, t.productId),
    ofThisBusiness('lot'),
  ],
);
