import { and, eq } from 'drizzle-orm';
import { member as account, organization } from '../db/authSchema';
import type { Databases } from '../db/connect';
import type { BusinessId } from '../db/tenant';

/** Whether a person still belongs to a business. Asked each time: whoever was removed is out at once. */
export async function isMember(databases: Databases, businessId: string, personId: string): Promise<boolean> {
  const rows = await databases.auth
    .select({ id: account.id })
    .from(account)
    .where(and(eq(account.organizationId, businessId), eq(account.userId, personId)));
  return rows.length > 0;
}

/** The business a person comes to when they sign in: the one they have belonged to longest; null: none. */
export async function firstBusiness({ auth }: Pick<Databases, 'auth'>, personId: string): Promise<string | null> {
  const [membership] = await auth
    .select({ id: account.organizationId })
    .from(account)
    .where(eq(account.userId, personId))
    .orderBy(account.createdAt)
    .limit(1);
  return membership?.id ?? null;
}

/** Does something for every business, one after the other; what fails for one is told when all had their turn. */
export async function forEachBusiness(
  { auth }: Pick<Databases, 'auth'>,
  does: (businessId: BusinessId) => Promise<unknown>,
): Promise<void> {
  const failed: unknown[] = [];
  for (const { id } of await auth.select({ id: organization.id }).from(organization))
    await does(id as BusinessId).catch((error: unknown) => failed.push(error));
  if (failed.length > 0) throw new AggregateError(failed, `It failed for ${failed.length} of the businesses.`);
}
