import { sql } from 'drizzle-orm';
import type { Brand } from '@dewpond/core/units';
import type { Databases } from './connect';

export type BusinessId = Brand<string, 'business'>;

/** A transaction that sees the rows of one business and nothing else. */
export type Tenant = Parameters<Parameters<Databases['app']['transaction']>[0]>[0];

/** Runs `work` in one transaction for one business; row security does the separating, whatever `work` asks for. */
export function inTenant<T>(
  databases: Databases,
  businessId: BusinessId,
  work: (tx: Tenant) => Promise<T>,
): Promise<T> {
  return databases.app.transaction(async (tx) => {
    await tx.execute(sql`select set_config('dewpond.business_id', ${businessId}, true)`);
    return work(tx);
  });
}
