import { sql } from 'drizzle-orm';
import { customType, date, integer, pgPolicy, pgRole, pgSchema, text, timestamp, uuid } from 'drizzle-orm/pg-core';

/** Everything a business owns. `business_id` comes first in every key; row security is on and forced. */
export const dewpond = pgSchema('dewpond');

/** The role the application connects as: it owns nothing and cannot bypass row security. */
export const appRole = pgRole('dewpond_app').existing();

/**
 * Only rows of the business that the transaction has set. `nullif`, since the setting is '' and not null after a commit.
 */
const OF_THIS_BUSINESS = sql`business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)`;
export const ofThisBusiness = (table: string) =>
  pgPolicy(`${table}_of_this_business`, { to: appRole, using: OF_THIS_BUSINESS, withCheck: OF_THIS_BUSINESS });

export const instant = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' });
export const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' });
/** Filled in by the database from the business the transaction has set: no insert names it. */
export const businessId = () =>
  uuid('business_id')
    .notNull()
    .default(sql`nullif(current_setting('dewpond.business_id', true), '')::uuid`);
/**
 * Where it is: a salon or a van of the business. Filled in by the database with the branch the transaction stands in, or
 * the first one, which has the business's own id.
 */
export const branchId = () =>
  uuid('branch_id')
    .notNull()
    .default(
      sql`coalesce(nullif(current_setting('dewpond.branch_id', true), ''), nullif(current_setting('dewpond.business_id', true), ''))::uuid`,
    );
export const day = (name: string) => date(name, { mode: 'string' });
/** Who of the business it was, beside the name as it was then; null in rows of before this was kept, and where Dewpond itself writes. */
export const byPerson = () => uuid('person_id');
/** Columns of what a person edits: version for guarding, hash of what was first sent for idempotence. */
export const edited = () => ({
  version: integer('version').notNull().default(1),
  madeFrom: text('made_from').notNull(),
  createdAt: instant('created_at').notNull().defaultNow(),
});
