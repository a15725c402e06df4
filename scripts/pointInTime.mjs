// Point in time: a mistake is made, and the second before it is restored, by pgBackRest with the file of deploy/pgbackrest.

import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { chownSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { dataFolder, databaseUser, ensureDatabase, psql, startCluster } from './cluster.mjs';
import { filledIn } from './filledIn.mjs';
import { ensurePackages } from './machine.mjs';
import { report } from './sending.mjs';
import { Stopped, say } from './say.mjs';
import { runCommand, serverEnvironment } from './server.mjs';

const DATABASE = 'dewpond_point';

/** @param {import('./cluster.mjs').Cluster} cluster @param {string} sql */
function ask(cluster, sql) {
  const { status, stdout, stderr } = psql(cluster, ['-d', DATABASE, '-Atqc', sql], { encoding: 'utf8' });
  if (status !== 0) throw new Stopped(String(stderr).trim(), sql);
  return String(stdout).trim();
}

/** Dogs, clients, visits, their events and the businesses, all rows with all they hold, as one word. */
const ALL_ROWS = `select md5(string_agg(md5(t), '' order by md5(t))) from (
  select dog::text as t from dewpond.dog union all select client::text from dewpond.client
  union all select visit::text from dewpond.visit union all select visit_event::text from dewpond.visit_event
  union all select business::text from dewpond.business) as all_rows`;

/** Whether the second before a mistake came back, and nothing after it. @returns {Promise<boolean>} */
export async function pointInTimeSuite() {
  ensurePackages(['pgbackrest']);
  rmSync(dataFolder('.dewpond-point'), { recursive: true, force: true });
  const folder = dataFolder('.dewpond-point');
  let cluster = await startCluster(folder);
  try {
    const { port } = cluster;
    const account = databaseUser();
    const at = join(folder, 'pgbackrest');
    const data = join(folder, 'postgres');
    for (const each of [at, join(at, 'repo'), join(at, 'lock')]) {
      mkdirSync(each, { recursive: true });
      if (account.uid !== undefined) chownSync(each, account.uid, account.gid);
    }
    const config = join(at, 'pgbackrest.conf');
    const words = { REPO: join(at, 'repo'), LOCK: join(at, 'lock'), DATA: data, PORT: port };
    const cipher = randomBytes(24).toString('base64url');
    writeFileSync(config, filledIn('pgbackrest/pgbackrest.conf', { ...words, CIPHER: cipher }), { mode: 0o600 });
    if (account.uid !== undefined) chownSync(config, account.uid, account.gid);
    /** @param {string[]} args */
    const pgbackrest = (...args) => {
      const env = { ...process.env, PGHOST: '127.0.0.1', PGPASSWORD: cluster.env['OWNER_PASSWORD'] };
      const said = spawnSync('/usr/bin/pgbackrest', [`--config=${config}`, '--stanza=dewpond', ...args], {
        ...account,
        cwd: '/',
        env,
        encoding: 'utf8',
      });
      if (said.status !== 0) throw new Stopped(`pgbackrest ${args[0]}: ${said.stdout}${said.stderr}`, 'It says why.');
    };

    ensureDatabase(cluster, DATABASE, { anew: true });
    const env = serverEnvironment(cluster, DATABASE, { PUBLIC_URL: 'http://127.0.0.1:4999', LOG_LEVEL: 'warn' });
    runCommand('migrate', env);
    runCommand('seed', env);
    ask(cluster, 'alter system set archive_mode = on');
    ask(cluster, `alter system set archive_command = 'pgbackrest --config=${config} --stanza=dewpond archive-push %p'`);
    await cluster.stop();
    cluster = await startCluster(folder, { port });
    pgbackrest('stanza-create');
    const began = performance.now();
    pgbackrest('backup', '--type=full');
    const backup = Math.round(performance.now() - began);

    // Work after the backup, then a mistake: only the journal knows the work.
    ask(cluster, `update dewpond.business set name = 'Withy Quay, the day after'`);
    const good = ask(cluster, ALL_ROWS);
    const then = ask(cluster, `select to_char(clock_timestamp(), 'YYYY-MM-DD HH24:MI:SS.USOF')`);
    await sleep(1100);
    ask(cluster, `update dewpond.dog set name = 'Oh no'`);
    const bad = ask(cluster, ALL_ROWS);
    ask(cluster, 'select pg_switch_wal()');
    await sleep(1000);
    await cluster.stop();

    const since = performance.now();
    pgbackrest('restore', '--delta', '--type=time', `--target=${then}`, '--target-action=promote');
    cluster = await startCluster(folder, { port });
    for (let tries = 0; tries < 300 && ask(cluster, 'select pg_is_in_recovery()') === 't'; tries++) await sleep(100);
    const restored = ask(cluster, ALL_ROWS);
    const restore = Math.round(performance.now() - since);
    report('point-in-time', [
      { what: 'full backup', ms: backup },
      { what: 'restored to the second before the mistake', ms: restore },
    ]);
    if (restored === bad) say('the mistake came back as well');
    return restored === good && restored !== bad;
  } finally {
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
