import { sql } from 'drizzle-orm';
import { check, foreignKey, index, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { NIGHT_PLAN_KEPT, PRICES } from '../shapes/weeks';
import { shaped } from '../shapes/shaped';
import { atBranch, business, member } from './business';
import { branchId, businessId, byPerson, day, dewpond, edited, ofThisBusiness } from './tenancy';

/** Whole days on which somebody is away, or the business is closed. */
export const away = dewpond.table(
  'away',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    /** Null: the business is closed, or one of its branches. */
    memberId: uuid('member_id'),
    /** Which branch is closed; null: all of them. */
    branchId: uuid('branch_id'),
    fromDay: day('from_day').notNull(),
    toDay: day('to_day').notNull(),
    name: text('name').notNull(),
    personId: byPerson(),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    foreignKey({ columns: [t.businessId, t.memberId], foreignColumns: [member.businessId, member.id] }),
    atBranch(t),
    index('away_by_day').on(t.businessId, t.toDay),
    check('away_ends_after_it_begins', sql`${t.toDay} >= ${t.fromDay}`),
    check('away_is_a_person_or_a_branch', sql`${t.memberId} is null or ${t.branchId} is null`),
    ofThisBusiness('away'),
  ],
);

/** What the last planning of weeks found: prices of days, which say why a day is dear. One for a branch. */
export const weekPlan = dewpond.table(
  'week_plan',
  {
    businessId: businessId(),
    branchId: branchId(),
    firstDay: day('first_day').notNull(),
    prices: shaped('prices', PRICES).notNull(),
    /** The plan of the night, and the day on which it was made; null where none was. */
    madeOn: day('made_on'),
    plan: shaped('plan', NIGHT_PLAN_KEPT),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.branchId] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    atBranch(t),
    ofThisBusiness('week_plan'),
  ],
);
