import { and, eq } from 'drizzle-orm';
import { member as account } from '../db/authSchema';
import type { Databases } from '../db/connect';
import { business, member } from '../db/schema';
import { inTenant, type BusinessId } from '../db/tenant';
import type { Asker } from '../asker';
import { Refusal } from '../http/problem';

/** Whether a person still belongs to a business. Asked each time: whoever was removed is out at once. */
export async function isMember(databases: Databases, businessId: string, personId: string): Promise<boolean> {
  const rows = await databases.auth
    .select({ id: account.id })
    .from(account)
    .where(and(eq(account.organizationId, businessId), eq(account.userId, personId)));
  return rows.length > 0;
}

/** A name stands in every record its owner makes: no longer than a name is. */
const LONGEST_NAME = 120;

/** A person as the business wrote them down: name and role of every record are these; null: no longer, or never. */
export async function memberOf(
  databases: Databases,
  businessId: BusinessId,
  personId: string,
): Promise<Pick<Asker, 'personName' | 'role' | 'zone'> | null> {
  if (!(await isMember(databases, businessId, personId))) return null;
  const [row] = await inTenant(databases, businessId, (tx) =>
    tx
      .select({ name: member.name, role: member.role, zone: business.zone })
      .from(member)
      .innerJoin(business, eq(business.businessId, member.businessId))
      .where(eq(member.personId, personId)),
  );
  return row ? { personName: row.name.slice(0, LONGEST_NAME), role: row.role, zone: row.zone } : null;
}

/** What a bather may not do; the whole table of rights is the business's, and is still to come. */
export function assertNotBather({ role }: Pick<Asker, 'role'>, what: string): void {
  if (role === 'bather') throw new Refusal('not allowed', `A bather does not ${what}. Ask a groomer or the manager.`);
}
