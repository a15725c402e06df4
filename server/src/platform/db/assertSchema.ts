import type { Databases } from './connect';
import { NewerDatabase, changesKnown, changesOf } from './migrate';

/** Throws, in words, where the tables are of another version than this one. */
export async function assertSchema({ pulse }: Databases): Promise<void> {
  const [database, own] = [await changesOf(pulse), changesKnown()];
  if (database > own) throw new NewerDatabase(database, own);
  if (database < own)
    throw new Error(
      `The tables are of an older version (${database} of ${own} changes). Bring them up to date first: npm start does, or npm run migrate.`,
    );
}
