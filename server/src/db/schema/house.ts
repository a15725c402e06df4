import type { Breed } from '@dewpond/core/catalogue';
import type { HouseServices, HouseWays } from '@dewpond/core/careplan';
import { sql } from 'drizzle-orm';
import { check, doublePrecision, foreignKey, integer, jsonb, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { businessId, day, dewpond, edited, ofThisBusiness } from './tenancy';

export const business = dewpond.table(
  'business',
  {
    businessId: uuid('business_id').primaryKey(),
    name: text('name').notNull(),
    zone: text('zone').notNull(),
    units: text('units').$type<'metric' | 'US'>().notNull(),
    ways: jsonb('ways').$type<HouseWays>().notNull(),
    /** What the house does at all; what came later than its choice has its default. */
    services: jsonb('services').$type<Partial<HouseServices>>().notNull().default({}),
    /** A dog above this weight is lifted by two, kg. */
    liftAloneKg: doublePrecision('lift_alone_kg').notNull().default(20),
    /** The day the ear-cleaning school last changed: older pad counts are not pooled. */
    schoolChangedOn: day('school_changed_on'),
    version: integer('version').notNull().default(1),
  },
  () => [ofThisBusiness('business')],
);

export const member = dewpond.table(
  'member',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    personId: uuid('person_id').notNull(),
    name: text('name').notNull(),
    role: text('role').$type<'manager' | 'groomer' | 'bather'>().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    ofThisBusiness('member'),
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
    contactLeast: doublePrecision('contact_least'),
    contactMost: doublePrecision('contact_most'),
    amountFactor: doublePrecision('amount_factor').notNull().default(1),
    suppliedBy: text('supplied_by').$type<'house' | 'vet' | 'owner'>().notNull(),
    costPerMl: doublePrecision('cost_per_ml'),
    strokeMl: doublePrecision('stroke_ml'),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    ofThisBusiness('product'),
  ],
);

export const bottle = dewpond.table(
  'bottle',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    brim: doublePrecision('brim').notNull(),
    line: doublePrecision('line').notNull(),
    graduation: doublePrecision('graduation'),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    check('bottle_line_below_brim', sql`${t.line} > 0 and ${t.line} <= ${t.brim}`),
    ofThisBusiness('bottle'),
  ],
);

/** A breed the house added, or a shipped one it sees otherwise: then the id is the shipped one's. */
export const ownBreed = dewpond.table(
  'own_breed',
  {
    businessId: businessId(),
    id: text('id').notNull(),
    breed: jsonb('breed').$type<Breed>().notNull(),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    ofThisBusiness('own_breed'),
  ],
);
