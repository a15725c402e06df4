import { readConfig } from '../platform/config';
import { migrateDatabase } from '../platform/db/migrate';

await migrateDatabase(readConfig());
