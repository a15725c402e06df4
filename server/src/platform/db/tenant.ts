import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import type pg from 'pg';
import type { Brand } from '@dewpond/core/units';
import type { Databases } from './connect';

export type BusinessId = Brand<string, 'business'>;

/** What a tenant's statements go through: the connection while the transaction lasts, and nothing afterwards. */
class TenantClient {
  #isOver = false;
  constructor(private readonly client: pg.PoolClient) {}

  query<R extends unknown[]>(
    config: pg.QueryConfig | pg.QueryArrayConfig,
    values?: unknown[],
  ): Promise<pg.QueryResult<R>> {
    // The connection serves another business by then.
    if (this.#isOver) return Promise.reject(new Error('A statement came after its transaction.'));
    return this.client.query(config, values);
  }

  end(): void {
    this.#isOver = true;
  }
}

/** A transaction that sees the rows of one business and nothing else. */
export type Tenant = NodePgDatabase<Record<string, never>> & { readonly $client: TenantClient };

/** Whose rows they are. */
const SETTINGS = "select set_config('dewpond.business_id', $1, true)";

/**
 * Runs `work` in one transaction for one business; row security does the separating, whatever `work` asks for. The
 * beginning and the name of the business are on their way when `work` sends its first statement: no round trip is spent
 * on them. Should one of them fail, the database refuses all that comes after.
 */
export async function inTenant<T>(
  databases: Databases,
  businessId: BusinessId,
  work: (tx: Tenant) => Promise<T>,
): Promise<T> {
  const connection = await databases.app.connect();
  const client = new TenantClient(connection);
  const begun = Promise.all([client.query({ text: 'begin' }), client.query({ text: SETTINGS, values: [businessId] })]);
  // Told once `work` has ended, too.
  begun.catch(() => undefined);
  let broken: Error | undefined;
  try {
    const result = await work(drizzle(client as unknown as pg.PoolClient) as unknown as Tenant);
    await begun;
    await client.query({ text: 'commit' });
    return result;
  } catch (error) {
    // A connection that cannot roll back is thrown away.
    await client.query({ text: 'rollback' }).catch((lost: unknown) => (broken = lost as Error));
    throw error;
  } finally {
    client.end();
    connection.release(broken);
  }
}
