// Makes a backup and proves that it can be restored.

import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { hashOfFile, inScratch, pack, unpack } from './archive.mjs';
import { ROOT } from './machine.mjs';
import { Stopped, say } from './say.mjs';
import { differing, sumsOfTables } from './tables.mjs';
import { attachedOrStarted, ownerClient, postgresTool, restoreDump, scratchCluster } from './realCluster.mjs';

const NAME = /^dewpond-\d{8}-\d{6}\.backup$/;

/** @param {Date} at */
const nameAt = (at) => `dewpond-${at.toISOString().replace(/[-:]/g, '').replace('T', '-').slice(0, 15)}.backup`;

/**
 * @param {{ to?: string | undefined, keyFile?: string | undefined, keep?: number }} options
 * @returns {Promise<{ file: string, bytes: number, tables: number, rows: number }>}
 */
export async function makeBackup({ to, keyFile, keep = 14 } = {}) {
  const began = Date.now();
  const database = await attachedOrStarted();
  const folder = resolve(to ?? join(database.folder, 'backups'));
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const file = join(folder, nameAt(new Date()));
  try {
    const made = await inScratch(async (scratch) => {
      say('reading the database as it is at this moment');
      const manifest = await dumpInto(scratch, database);
      const bytes = await pack(scratch, file, keyFile);
      const sums = Object.values(manifest.tables);
      return { file, bytes, tables: sums.length, rows: sums.reduce((sum, { rows }) => sum + rows, 0) };
    }, folder);
    say('restoring it into a scratch cluster, and comparing every table');
    await prove(file, keyFile).catch((/** @type {unknown} */ error) => {
      rmSync(file, { force: true });
      throw error;
    });
    await noteRun(database, { ...made, seconds: (Date.now() - began) / 1000, isOk: true, words: '' });
    for (const old of readdirSync(folder)
      .filter((name) => NAME.test(name))
      .toSorted()
      .slice(0, -keep))
      rmSync(join(folder, old));
    return made;
  } catch (error) {
    const words = error instanceof Error ? (error.message.split('\n')[0] ?? '') : String(error);
    await noteRun(database, { bytes: 0, seconds: (Date.now() - began) / 1000, isOk: false, words }).catch(
      () => undefined,
    );
    throw error;
  } finally {
    await database.stop();
  }
}

/** All tables of one moment: sums and dump are read in the same snapshot. @param {string} folder @param {import('./realCluster.mjs').RealCluster} database */
async function dumpInto(folder, database) {
  const client = await ownerClient(database);
  try {
    await client.query('begin isolation level repeatable read read only');
    const { rows } = await client.query('select pg_export_snapshot() as id');
    const dump = join(folder, 'database.dump');
    postgresTool(database, 'pg_dump', ['--format=custom', `--snapshot=${rows[0].id}`, `--file=${dump}`], 'Reading it');
    const { rows: known } = await client.query('select count(*)::int as n from migrations.__drizzle_migrations');
    const { rows: server } = await client.query(`select current_setting('server_version_num')::int / 10000 as major`);
    /** @type {import('./archive.mjs').Manifest} */
    const manifest = {
      format: 1,
      at: new Date().toISOString(),
      version: JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8')).version,
      changes: known[0].n,
      postgres: server[0].major,
      dump: await hashOfFile(dump),
      tables: await sumsOfTables(client),
    };
    writeFileSync(join(folder, 'manifest.json'), JSON.stringify(manifest, null, 1));
    const secrets = join(database.folder, 'secrets.json');
    writeFileSync(join(folder, 'secrets.json'), existsSync(secrets) ? readFileSync(secrets) : '{}', { mode: 0o600 });
    return manifest;
  } finally {
    await client.end();
  }
}

/** Restores a backup where it hurts nobody, and compares. @param {string} file @param {string | undefined} keyFile */
async function prove(file, keyFile) {
  await inScratch(async (folder) => {
    const manifest = await unpack(file, folder, keyFile);
    const cluster = await scratchCluster();
    try {
      restoreDump(cluster, join(folder, 'database.dump'));
      const client = await ownerClient(cluster);
      const wrong = differing(manifest.tables, await sumsOfTables(client).finally(() => client.end()));
      if (wrong.length > 0)
        throw new Stopped(
          `The backup is not what the database was: ${wrong.join(', ')}.`,
          'It was thrown away. Try again.',
        );
    } finally {
      await cluster.stop();
    }
  });
}

/** @param {import('./realCluster.mjs').RealCluster} database @param {{ bytes: number, seconds: number, isOk: boolean, words: string }} run */
async function noteRun(database, { bytes, seconds, isOk, words }) {
  const client = await ownerClient(database);
  await client
    .query('insert into auth.backup_run (bytes, seconds, is_ok, words) values ($1, $2, $3, $4)', [
      bytes,
      seconds,
      isOk,
      words,
    ])
    .finally(() => client.end());
}

/** The newest backup in a folder; null: there is none. @param {string} folder */
export const newestBackup = (folder) => {
  const [last] = existsSync(folder)
    ? readdirSync(folder)
        .filter((name) => NAME.test(name))
        .toSorted()
        .slice(-1)
    : [];
  return last === undefined ? null : { file: join(folder, last), at: statSync(join(folder, last)).mtime };
};
