// The cluster of a business's own for commands beside the running application, and scratch ones to try a backup in.

import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureDatabase, psql, runningPostmaster, startCluster, attachCluster } from './cluster.mjs';
import { realFolder } from './realDatabase.mjs';
import { Stopped } from './say.mjs';

const OWNER = 'dewpond_owner';
const ROLES = ['dewpond_app', 'dewpond_auth', 'dewpond_jobs'];

/** @typedef {import('./cluster.mjs').Cluster & { database: string }} RealCluster */

const databaseName = () => process.env['DATABASE_NAME'] || 'dewpond';

/** The running cluster, or one started for as long as it is needed. @returns {Promise<RealCluster>} */
export async function attachedOrStarted(folder = realFolder()) {
  if (process.env['DATABASE_URL'])
    throw new Stopped(
      'This is for the database that Dewpond keeps itself.',
      'A database of your own is backed up by its own means: pg_dump, or its provider (docs/running.md).',
    );
  const isRunning = runningPostmaster(join(folder, 'postgres')) !== null;
  const cluster = isRunning ? attachCluster(folder) : await startCluster(folder);
  return { ...cluster, database: databaseName() };
}

/** A cluster that nobody uses, gone when it is stopped. @returns {Promise<RealCluster>} */
export async function scratchCluster() {
  // Below /var/tmp, as a database is larger than what memory holds.
  const folder = mkdtempSync(join(process.env['BACKUP_SCRATCH'] ?? '/var/tmp', 'dewpond-scratch-'));
  spawnSync('chmod', ['755', folder]);
  const { dataFolder } = await import('./cluster.mjs');
  const cluster = await startCluster(dataFolder(folder));
  ensureDatabase(cluster, 'dewpond');
  return {
    ...cluster,
    database: 'dewpond',
    stop: async () => {
      await cluster.stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** @param {RealCluster} cluster */
export async function ownerClient({ port, env, database }) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({
    host: '127.0.0.1',
    port,
    user: OWNER,
    password: env['OWNER_PASSWORD'] ?? '',
    database,
  });
  await client.connect();
  return client;
}

/** One of PostgreSQL's own programs on this database. @param {RealCluster} cluster @param {string} program @param {string[]} args @param {string} what */
export function postgresTool({ port, env, database }, program, args, what) {
  const { status, stderr } = spawnSync(
    program,
    ['-h', '127.0.0.1', '-p', String(port), '-U', OWNER, '-d', database, ...args],
    { env: { ...process.env, PGPASSWORD: env['OWNER_PASSWORD'] }, encoding: 'utf8', maxBuffer: 1 << 26 },
  );
  if (status !== 0)
    throw new Stopped(`${what} failed: ${stderr.trim().split('\n').at(-1)}`, 'Is the disk full? Nothing was changed.');
}

/** Puts a dump into an empty database; the roles it speaks of are made first. @param {RealCluster} cluster @param {string} dump */
export function restoreDump(cluster, dump) {
  for (const role of ROLES) {
    const make = `do $$ begin create role ${role} login nosuperuser nobypassrls; exception when duplicate_object then null; end $$`;
    psql(cluster, ['-d', cluster.database, '-qc', make]);
  }
  postgresTool(cluster, 'pg_restore', ['--exit-on-error', '--single-transaction', dump], 'Restoring it');
}
