// The database of a business's own: the cluster in the data folder, or any PostgreSQL by DATABASE_URL.

import { join } from 'node:path';
import { dataFolder, ensureDatabase, secretsOf, startCluster } from './cluster.mjs';
import { keepDatabase } from './keepDatabase.mjs';
import { ROOT } from './machine.mjs';
import { say } from './say.mjs';

/** Where a business's own data lies, apart from the demo's. */
export const realFolder = () => dataFolder('.dewpond-house');

/**
 * Settings for migrating and serving; what whoever starts this says stands over what the folder has.
 * @param {(why: string) => void} onGivenUp told when the database cannot be kept running
 * @returns {Promise<{ folder: string, env: NodeJS.ProcessEnv, stop: () => Promise<void> }>}
 */
export async function realDatabase(onGivenUp) {
  const folder = realFolder();
  const said = Object.fromEntries(Object.entries(process.env).filter(([, value]) => value !== ''));
  const built = {
    WEB_DIST: join(ROOT, 'web/dist'),
    MIGRATIONS: join(ROOT, 'server/drizzle'),
    NODE_ENV: 'production',
  };
  if (said['DATABASE_URL'] ?? said['DATABASE_URL_FILE']) {
    say('using the database of DATABASE_URL');
    const { OWNER_PASSWORD: _, ...secrets } = secretsOf(folder);
    return { folder, env: { ...secrets, ...built, ...said }, stop: async () => {} };
  }
  say('starting the database');
  const port = said['DATABASE_PORT'] === undefined ? undefined : Number(said['DATABASE_PORT']);
  const cluster = await startCluster(folder, port === undefined ? {} : { port });
  const name = said['DATABASE_NAME'] ?? 'dewpond';
  ensureDatabase(cluster, name);
  const kept = keepDatabase(cluster, onGivenUp);
  return { folder, env: { ...said, ...built, ...cluster.env, DATABASE_NAME: name }, stop: kept.stop };
}
