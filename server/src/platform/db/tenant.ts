import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import type pg from 'pg';
import type { Brand } from '@dewpond/core/units';
import { isAway, isOutrun } from './away';
import type { Databases } from './connect';

export type BusinessId = Brand<string, 'business'>;

type Afterwards = (tx: Tenant) => Promise<unknown>;

/** What a tenant's statements go through: the connection while the transaction lasts, and nothing afterwards. */
class TenantClient {
  #isOver = false;
  /** What is to be done once a read is over; null: this transaction may do it itself. */
  readonly later: Afterwards[] | null;
  constructor(
    private readonly client: pg.PoolClient,
    readsOnly: boolean,
  ) {
    this.later = readsOnly ? [] : null;
  }

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
/** The same of whoever is signed in, and the branch in which they stand. */
const STANDING = 'select dewpond.stand_in($1, $2, $3)';

/** Where in a business a person stands: at the branch they ask for, else where they belong. */
export interface StandsAt {
  readonly personId: string;
  readonly branchAsked: string | null;
}

interface How {
  /** All statements see what the first one saw. */
  readonly asOfNow?: boolean;
  readonly standing?: StandsAt;
}

/**
 * Runs `work` in one transaction for one business; row security does the separating, whatever `work` asks for. The
 * beginning and the name of the business are on their way when `work` sends its first statement: no round trip is spent
 * on them. Should one of them fail, the database refuses all that comes after.
 */
export async function inTenant<T>(
  databases: Databases,
  businessId: BusinessId,
  work: (tx: Tenant) => Promise<T>,
  how: How = {},
): Promise<T> {
  return transact(await databases.app.connect(), businessId, work, how);
}

/**
 * The same for work that only reads: the database refuses anything else. Where there is a standby, and it has all that was
 * committed until now, it is read there. What breaks off there is done once more at the primary, unless it `isStreamed`: then
 * part of it is on its way already.
 */
export async function readInTenant<T>(
  databases: Databases,
  businessId: BusinessId,
  work: (tx: Tenant) => Promise<T>,
  { isStreamed = false, ...how }: How & { readonly isStreamed?: boolean } = {},
): Promise<T> {
  const read = async (connection: pg.PoolClient) => {
    let later: readonly Afterwards[] = [];
    const withLater = (tx: Tenant) => work(tx).finally(() => (later = tx.$client.later ?? []));
    const result = await transact(connection, businessId, withLater, { ...how, readsOnly: true });
    return { result, later };
  };
  const atStandby = async () => {
    const follower = await databases.standby?.connectUpToDate();
    if (!follower) return null;
    try {
      return await read(follower);
    } catch (error) {
      if (!isAway(error) && !isOutrun(error)) throw error;
      databases.standby?.leaveAlone();
      if (isStreamed) throw error;
      return null;
    }
  };
  const { result, later } = (await atStandby()) ?? (await read(await databases.app.connect()));
  if (later.length > 0)
    await inTenant(databases, businessId, async (tx) => {
      for (const todo of later) await todo(tx);
    });
  return result;
}

/** What a read finds to be done is done once it is over, at the primary; a transaction that writes does it at once. */
export async function onceRead(tx: Tenant, todo: Afterwards): Promise<void> {
  if (tx.$client.later) tx.$client.later.push(todo);
  else await todo(tx);
}

async function transact<T>(
  connection: pg.PoolClient,
  businessId: BusinessId,
  work: (tx: Tenant) => Promise<T>,
  { asOfNow = false, readsOnly = false, standing }: How & { readonly readsOnly?: boolean },
): Promise<T> {
  const client = new TenantClient(connection, readsOnly);
  const begin = ['begin', asOfNow && 'isolation level repeatable read', readsOnly && 'read only'];
  const begun = Promise.all([
    client.query({ text: begin.filter((each) => each !== false).join(' ') }),
    client.query(
      standing
        ? { text: STANDING, values: [businessId, standing.branchAsked, standing.personId] }
        : { text: SETTINGS, values: [businessId] },
    ),
  ]);
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
