import { readConfig } from '../platform/config/config';
import { migrateDatabase } from '../platform/db/migrate';

try {
  await migrateDatabase(readConfig());
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
}
