import { setTimeout as sleep } from 'node:timers/promises';
import pg from 'pg';
import { TEST_DATABASES } from '../../../scripts/cluster.mjs';
import { readConfig } from '../platform/config/config';
import { connectionString } from '../platform/db/connect';

/**
 * A database that no other worker has at the same time, before anything reads the settings. It is taken by a lock that
 * ends with the worker: numbers of workers do not tell, one that ends slowly overlaps with the one after it.
 */
async function ownDatabase(): Promise<string> {
  const claim = new pg.Client({
    connectionString: connectionString({ ...readConfig(), DATABASE_NAME: 'postgres' }, 'owner'),
  });
  await claim.connect();
  for (;;) {
    for (const [lane, name] of TEST_DATABASES.entries()) {
      const { rows } = await claim.query<{ got: boolean }>('select pg_try_advisory_lock($1, $2) as got', [7, lane]);
      if (rows[0]?.got === true) return name;
    }
    await sleep(20);
  }
}

// Files of one worker share what is loaded: this runs before each of them.
if (!process.env['DATABASE_NAME']?.endsWith('_lane')) process.env['DATABASE_NAME'] = await ownDatabase();

const { MORNING, clock } = await import('./salon');
clock.now = MORNING;
