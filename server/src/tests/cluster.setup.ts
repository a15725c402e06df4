import { buildWorker } from '../../../scripts/build.mjs';
import { readConfig } from '../platform/config/config';
import { migrateDatabase } from '../platform/db/migrate';

/** Before all server tests: tables up to date in the database that the test command made, and the threads beside the server. */
export default async function setup(): Promise<void> {
  await buildWorker();
  await migrateDatabase(readConfig());
}
