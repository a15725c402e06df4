import { migrateDatabase } from '../db/migrate';
import { readConfig } from '../config';

/** Before all server tests: tables up to date in the database that the test command made. */
export default async function setup(): Promise<void> {
  await migrateDatabase(readConfig());
}
