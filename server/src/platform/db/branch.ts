import { sql, type Column, type SQL } from 'drizzle-orm';
import type { Tenant } from './tenant';

/*
 * Where in a business a transaction stands (decision 0058). Unlike the business it is no wall: whoever reads of a branch says
 * so with `isHere`, and what is about a dog, a lot or a mix by name is found wherever it is.
 */

/** The branch in force; where nobody stands anywhere (jobs, owners) the first one, which has the business's own id. */
export const BRANCH_HERE = sql<string>`(select coalesce(nullif(current_setting('dewpond.branch_id', true), ''), nullif(current_setting('dewpond.business_id', true), ''))::uuid)`;

/** Whether a row is of the branch in force. */
export const isHere = (branchId: Column): SQL => sql`${branchId} = ${BRANCH_HERE}`;

/** The same of what may be of all branches: then it names none. */
export const isHereOrEverywhere = (branchId: Column): SQL => sql`(${branchId} is null or ${isHere(branchId)})`;

/** Stands at a branch for the rest of the transaction. */
export const standAt = async (tx: Tenant, branchId: string): Promise<void> =>
  void (await tx.execute(sql`select set_config('dewpond.branch_id', ${branchId}, true)`));
