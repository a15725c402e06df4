import { readConfig } from './config';
import { migrateDatabase } from './db/migrate';

await migrateDatabase(readConfig());
