// Restores a backup into the installation of this data folder.

import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { inScratch, unpack } from './archive.mjs';
import { ensureDatabase, runningPostmaster, secretsOf } from './cluster.mjs';
import { ROOT } from './machine.mjs';
import { attachedOrStarted, ownerClient, restoreDump } from './realCluster.mjs';
import { realFolder } from './realDatabase.mjs';
import { Stopped, say } from './say.mjs';
import { differing, sumsOfTables } from './tables.mjs';

const changesKnown = () =>
  JSON.parse(readFileSync(join(ROOT, 'server/drizzle/meta/_journal.json'), 'utf8')).entries.length;

/**
 * Refuses where a business is there already, unless `over`, and where the backup is of a newer version.
 * @param {string} file @param {{ keyFile?: string | undefined, over?: boolean }} [options]
 */
export async function restoreBackup(file, { keyFile, over = false } = {}) {
  return inScratch(async (scratch) => {
    const manifest = await unpack(file, scratch, keyFile);
    if (manifest.changes > changesKnown())
      throw new Stopped(
        `This backup is of a newer version of Dewpond (${manifest.version}, ${manifest.changes} changes; this one knows ${changesKnown()}).`,
        'Restore it with that version or a newer one. Nothing was changed.',
      );
    const folder = realFolder();
    const postgres = join(folder, 'postgres');
    if (runningPostmaster(postgres)) throw new Stopped('Dewpond runs on this data folder.', 'Stop it, then restore.');
    const backed = JSON.parse(readFileSync(join(scratch, 'secrets.json'), 'utf8'));
    // A cluster that is still to be made takes the passwords of the backup.
    if (!existsSync(join(postgres, 'PG_VERSION'))) keepSecrets(folder, backed);
    const database = await attachedOrStarted(folder);
    try {
      ensureDatabase(database, database.database);
      if (!over && (await hasBusiness(database)))
        throw new Stopped(
          'A business is here already.',
          'Restore into another data folder (DEWPOND_DATA=…), or say --over: then what is here now is gone.',
        );
      say('restoring');
      ensureDatabase(database, database.database, { anew: true });
      restoreDump(database, join(scratch, 'database.dump'));
      const client = await ownerClient(database);
      const wrong = differing(manifest.tables, await sumsOfTables(client).finally(() => client.end()));
      if (wrong.length > 0) throw new Stopped(`Not all came back: ${wrong.join(', ')}.`, 'Take another backup.');
      // Last, and only when all is there: what owners have in hand opens still; the cluster's passwords stay its own.
      if (backed['AUTH_SECRET']) keepSecrets(folder, { ...secretsOf(folder), AUTH_SECRET: backed['AUTH_SECRET'] });
      const rows = Object.values(manifest.tables).reduce((sum, table) => sum + table.rows, 0);
      return { at: manifest.at, version: manifest.version, rows };
    } finally {
      await database.stop();
    }
  });
}

/** @param {string} folder @param {Record<string, string>} secrets */
const keepSecrets = (folder, secrets) =>
  writeFileSync(join(folder, 'secrets.json'), JSON.stringify(secrets, null, 2), { mode: 0o600 });

/** @param {import('./realCluster.mjs').RealCluster} database */
async function hasBusiness(database) {
  const client = await ownerClient(database);
  try {
    const { rows } = await client.query(`select to_regclass('auth.organization') is not null as known`);
    if (!rows[0].known) return false;
    return (await client.query('select from auth.organization limit 1')).rows.length > 0;
  } finally {
    await client.end();
  }
}
