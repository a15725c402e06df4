import type { BranchKind } from '@dewpond/core/bookings';
import type { Language } from '@dewpond/core/clients';
import type { Role, SecondFactorFor } from '@dewpond/core/rights';
import { sql } from 'drizzle-orm';
import {
  doublePrecision,
  foreignKey,
  integer,
  primaryKey,
  text,
  uniqueIndex,
  uuid,
  type AnyPgColumn,
} from 'drizzle-orm/pg-core';
import {
  BREED,
  BUSINESS_SERVICES,
  HOUSE_RIGHTS,
  RETENTION_CHOSEN,
  INTERVALS,
  WASH_KINDS,
  WAYS,
  WORDINGS,
} from '../shapes/business';
import { LIST } from '../shapes/values';
import { VISIT_KINDS_STORED } from '../shapes/visits';
import { COSTS, PLACES_OF_SALON, VAN, WEEK } from '../shapes/weeks';
import { shaped } from '../shapes/shaped';
import { branchId, businessId, byPerson, day, dewpond, edited, instant, ofThisBusiness } from './tenancy';

export const business = dewpond.table(
  'business',
  {
    businessId: uuid('business_id').primaryKey(),
    name: text('name').notNull(),
    zone: text('zone').notNull(),
    units: text('units').$type<'metric' | 'US'>().notNull(),
    currency: text('currency').notNull().default('GBP'),
    /** ISO 3166-1, two letters: what law and habits it began with. */
    country: text('country').notNull().default('GB'),
    /** Who has to show a second proof at sign-in. */
    secondFactor: text('second_factor').$type<SecondFactorFor>().notNull().default('nobody'),
    ways: shaped('ways', WAYS).notNull(),
    /** What the business does at all; what came later than its choice has its default. */
    services: shaped('services', BUSINESS_SERVICES).notNull().default({}),
    /** A dog above this weight is lifted by two, kg. */
    liftAloneKg: doublePrecision('lift_alone_kg').notNull().default(20),
    /** Mix for wash 1, ml per m² of skin. */
    mixPerSquareMetre: doublePrecision('mix_per_square_metre').notNull().default(800),
    /** What kind of wash, by line of the table of washes, where the business sees it otherwise. */
    washKinds: shaped('wash_kinds', WASH_KINDS).notNull().default({}),
    /** How often, by row of the rules, where the business sees it otherwise. */
    intervals: shaped('intervals', INTERVALS).notNull().default({}),
    /** Kinds of visit of its own. */
    visitKinds: shaped('visit_kinds', VISIT_KINDS_STORED).notNull().default([]),
    /** What planning weighs; what came later than its choice has its default. */
    planCosts: shaped('plan_costs', COSTS)
      .notNull()
      .default(sql`'{}'::jsonb`),
    /** The day the ear-cleaning school last changed: older pad counts are not pooled. */
    schoolChangedOn: day('school_changed_on'),
    /** How owners reach the business, and its colour on what they are given. */
    phone: text('phone').notNull().default(''),
    email: text('email').notNull().default(''),
    colour: text('colour').notNull().default('#125B60'),
    /** What owners read in, where their own language is not known. */
    language: text('language').$type<Language>().notNull().default('en-GB'),
    /** What the business says otherwise than what ships, by language. */
    wording: shaped('wording', WORDINGS).notNull().default({}),
    /** When owners are reminded of tomorrow by themselves, min from midnight; null: nobody is. */
    remindsAt: integer('reminds_at'),
    /** The open calendar of all bookings: its number, and the hash of the secret in its address; null: none is open. */
    feedId: uuid('feed_id'),
    feedHash: text('feed_hash'),
    /** Who may what, where the house says otherwise than is shipped. */
    rights: shaped('rights', HOUSE_RIGHTS).notNull().default({}),
    /** For how long what is kept; and on which day what is older last went. */
    retention: shaped('retention', RETENTION_CHOSEN).notNull().default({}),
    letGoOn: day('let_go_on'),
    version: integer('version').notNull().default(1),
  },
  () => [ofThisBusiness('business')],
);

/** A salon or a van of the business. The first has the id of the business, and comes with it. */
export const branch = dewpond.table(
  'branch',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    kind: text('kind').$type<BranchKind>().notNull(),
    /** What it has; what came later than its choice has its default. */
    places: shaped('places', PLACES_OF_SALON)
      .notNull()
      .default(sql`'{}'::jsonb`),
    /** How its van works; null: as is usual. */
    van: shaped('van', VAN),
    closedOn: day('closed_on'),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    ofThisBusiness('branch'),
  ],
);

/** What is at a branch names one that there is. */
export const atBranch = (t: { readonly businessId: AnyPgColumn; readonly branchId: AnyPgColumn }) =>
  foreignKey({ columns: [t.businessId, t.branchId], foreignColumns: [branch.businessId, branch.id] });

export const member = dewpond.table(
  'member',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    personId: uuid('person_id').notNull(),
    name: text('name').notNull(),
    role: text('role').$type<Role>().notNull(),
    /** How this person reads volumes and weights; null: as the business does. */
    units: text('units').$type<'metric' | 'US'>(),
    branchId: branchId(),
    /** When this person works; null: the usual week. */
    week: shaped('week', WEEK),
    /** What this person is good at, in the business's own words. */
    skills: shaped('skills', LIST).notNull().default([]),
    /** This person's calendar feed: its number, and the hash of its secret; null: none is open. */
    feedId: uuid('feed_id'),
    feedHash: text('feed_hash'),
    joinedAt: instant('joined_at').notNull().defaultNow(),
    /** Since when this person belongs here no more; what they did keeps their name. */
    leftAt: instant('left_at'),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    atBranch(t),
    uniqueIndex('member_by_person').on(t.businessId, t.personId),
    ofThisBusiness('member'),
  ],
);

/** A link that lets one person in: somebody new, or with `memberId` somebody known who needs a new password. Only its secret's hash is kept. */
export const invitation = dewpond.table(
  'invitation',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    memberId: uuid('member_id'),
    name: text('name').notNull(),
    role: text('role').$type<Role>().notNull(),
    /** Where it is sent to; '': it is handed over by hand. */
    email: text('email').notNull(),
    secretHash: text('secret_hash').notNull(),
    expiresAt: instant('expires_at').notNull(),
    usedAt: instant('used_at'),
    withdrawnAt: instant('withdrawn_at'),
    madeBy: text('made_by').notNull(),
    personId: byPerson(),
    madeFrom: text('made_from').notNull(),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.memberId], foreignColumns: [member.businessId, member.id] }),
    uniqueIndex('invitation_by_secret').on(t.businessId, t.secretHash),
    ofThisBusiness('invitation'),
  ],
);

/** A breed the business added, or a shipped one it sees otherwise: then the id is the shipped one's. */
export const ownBreed = dewpond.table(
  'own_breed',
  {
    businessId: businessId(),
    id: text('id').notNull(),
    breed: shaped('breed', BREED).notNull(),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    ofThisBusiness('own_breed'),
  ],
);
