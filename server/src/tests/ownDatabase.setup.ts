import { setTimeout as sleep } from 'node:timers/promises';
import pg from 'pg';
import { afterAll } from 'vitest';
import { TEST_DATABASES } from '../../../scripts/cluster.mjs';
import { readConfig } from '../platform/config/config';
import { connectionString } from '../platform/db/connect';

/**
 * A database that no other test file has at the same time, before anything reads the settings. It is taken by a lock that
 * ends with the connection: numbers of workers do not tell, a worker that ends slowly overlaps with the one after it.
 */
const claim = new pg.Client({
  connectionString: connectionString({ ...readConfig(), DATABASE_NAME: 'postgres' }, 'owner'),
});
await claim.connect();
afterAll(() => claim.end());

async function isFree(lane: number): Promise<boolean> {
  const { rows } = await claim.query<{ got: boolean }>('select pg_try_advisory_lock($1, $2) as got', [7, lane]);
  return rows[0]?.got === true;
}

async function ownDatabase(): Promise<string> {
  for (;;) {
    for (const [lane, name] of TEST_DATABASES.entries()) if (await isFree(lane)) return name;
    await sleep(20);
  }
}

process.env['DATABASE_NAME'] = await ownDatabase();
