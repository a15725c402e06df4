import { readConfig } from '../platform/config/config';
import { migrateDatabase } from '../platform/db/migrate';

await migrateDatabase(readConfig());
