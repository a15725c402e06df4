import type { PersonOfHouse } from '@dewpond/core/rights';
import { sql } from 'drizzle-orm';
import { member } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';

/** Everybody who belongs or belonged here; changes of people wait for each other, so that the last manager stays. */
export async function peopleOfHouse(tx: Tenant): Promise<PersonOfHouse[]> {
  await tx.execute(
    sql`select pg_advisory_xact_lock(hashtextextended(current_setting('dewpond.business_id') || 'people', 0))`,
  );
  const rows = await tx.select({ id: member.id, role: member.role, leftAt: member.leftAt }).from(member);
  return rows.map(({ id, role, leftAt }) => ({ id, role, hasLeft: leftAt !== null }));
}
