import { and, eq } from 'drizzle-orm';
import { member as account } from '../db/authSchema';
import type { Databases } from '../db/connect';
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

/** What a bather may not do; the whole table of rights is the business's, and is still to come. */
export function assertNotBather({ role }: Pick<Asker, 'role'>, what: string): void {
  if (role === 'bather') throw new Refusal('not allowed', `A bather does not ${what}. Ask a groomer or the manager.`);
}
