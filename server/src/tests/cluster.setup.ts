import { buildWorker } from '../../../scripts/build.mjs';
import { TEST_DATABASES } from '../../../scripts/cluster.mjs';
import { readConfig } from '../platform/config/config';
import { migrateDatabase } from '../platform/db/migrate';

/** Before all server tests: tables up to date in the databases that the test command made, and the threads beside the server. */
export default async function setup(): Promise<void> {
  await buildWorker();
  for (const name of TEST_DATABASES) await migrateDatabase({ ...readConfig(), DATABASE_NAME: name });
}
