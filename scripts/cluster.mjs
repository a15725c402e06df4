// A PostgreSQL cluster of our own in the data folder, on loopback. Never touches the system's.

import { spawn, spawnSync } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import {
  chownSync,
  closeSync,
  existsSync,
  mkdirSync,
  openSync,
  readFileSync,
  readdirSync,
  readlinkSync,
  realpathSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join, resolve } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { ROOT } from './machine.mjs';
import { Stopped, say } from './say.mjs';

const OWNER = 'dewpond_owner';
const BINARIES = '/usr/lib/postgresql';

/**
 * @typedef {object} Cluster
 * @property {string} folder the data folder
 * @property {number} port
 * @property {NodeJS.ProcessEnv} env settings for the server, secrets included
 * @property {() => Promise<void>} stop stops the database, if this process started it
 */

/** PostgreSQL will not run as root: there it runs as the user `postgres`. */
export function databaseUser() {
  if (process.getuid?.() !== 0) return {};
  const id = (/** @type {string} */ flag) => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);
  return { uid: id('-u'), gid: id('-g') };
}

/** Server tests run two files at a time, each on a database of its own. */
export const TEST_DATABASES = ['dewpond_test0_lane', 'dewpond_test1_lane'];

/** The data folder, made if need be, that the database's user can reach. @param {string} [name] */
export function dataFolder(name = '.dewpond') {
  const chosen = ['.dewpond', '.dewpond-house'].includes(name) ? process.env['DEWPOND_DATA'] : undefined;
  const folder = resolve(ROOT, chosen ?? name);
  if (isReachable(folder)) return folder;
  if (chosen)
    throw new Stopped(
      `The database's user cannot reach ${folder}.`,
      'Choose a folder whose parents everyone may enter, or run as an ordinary user.',
    );
  const stand = join('/var/lib/dewpond', createHash('sha256').update(folder).digest('hex').slice(0, 12));
  if (!isReachable(stand))
    throw new Stopped(
      `The database's user can reach neither ${folder} nor ${stand}.`,
      'Set DEWPOND_DATA to a folder it can reach.',
    );
  say(`the database's user cannot reach ${folder}; the data goes to ${stand}`);
  return stand;
}

/** @param {string} folder */
function isReachable(folder) {
  const user = databaseUser();
  const inner = join(folder, 'postgres');
  try {
    mkdirSync(inner, { recursive: true, mode: 0o755 });
    if (user.uid !== undefined) chownSync(inner, user.uid, user.gid);
  } catch {
    return false;
  }
  return spawnSync('ls', [inner], { ...user, cwd: '/' }).status === 0;
}

/** @param {string} postgres the cluster's own folder */
export function binariesFor(postgres) {
  const majors = existsSync(BINARIES)
    ? readdirSync(BINARIES).filter((major) => existsSync(join(BINARIES, major, 'bin/postgres')))
    : [];
  if (majors.length === 0) throw new Stopped('PostgreSQL is missing.', 'apt-get install postgresql');
  const version = join(postgres, 'PG_VERSION');
  const needed = existsSync(version) ? readFileSync(version, 'utf8').trim() : undefined;
  if (needed !== undefined && !majors.includes(needed)) {
    throw new Stopped(
      `The data folder was made by PostgreSQL ${needed}, but this machine has ${majors.join(', ')}.`,
      `apt-get install postgresql-${needed}, or start anew with another DEWPOND_DATA.`,
    );
  }
  return join(BINARIES, needed ?? majors.toSorted((a, b) => Number(b) - Number(a))[0] ?? '', 'bin');
}

/** Secrets of this installation, made once. @param {string} folder @returns {Record<string, string>} */
export function secretsOf(folder) {
  const file = join(folder, 'secrets.json');
  if (existsSync(file)) return JSON.parse(readFileSync(file, 'utf8'));
  const names = ['OWNER_PASSWORD', 'APP_PASSWORD', 'AUTH_PASSWORD', 'JOBS_PASSWORD', 'AUTH_SECRET'];
  const secrets = Object.fromEntries(names.map((name) => [name, randomBytes(24).toString('base64url')]));
  writeFileSync(file, JSON.stringify(secrets, null, 2), { mode: 0o600 });
  return secrets;
}

/** Whether a process is the postmaster of this very folder: it works in its data directory. @param {number} pid @param {string} postgres */
function isPostmasterOf(pid, postgres) {
  try {
    return readlinkSync(`/proc/${pid}/cwd`) === realpathSync(postgres);
  } catch {
    return false;
  }
}

/**
 * The running postmaster of this folder, or null. A pid file alone proves nothing: a copy of a running folder bears the
 * original's, and after a crash the number may be another program's.
 * @param {string} postgres
 */
export function runningPostmaster(postgres) {
  const file = join(postgres, 'postmaster.pid');
  if (!existsSync(file)) return null;
  const lines = readFileSync(file, 'utf8').split('\n');
  const [pid, port] = [Number(lines[0]), Number(lines[3])];
  return isPostmasterOf(pid, postgres) ? { pid, port } : null;
}

/** @returns {Promise<number>} a free port on loopback */
export function freePort() {
  return new Promise((done, fail) => {
    const probe = createServer().on('error', fail);
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => done(typeof address === 'object' && address ? address.port : 0));
    });
  });
}

/** Processes that still work in this data directory: after a crash of the postmaster its children live on for a moment. @param {string} postgres */
const workingIn = (postgres) =>
  readdirSync('/proc').filter((pid) => /^\d+$/.test(pid) && isPostmasterOf(Number(pid), postgres));

/**
 * Starts the cluster of this folder, or uses it if it runs. `stop` ends only what this call started.
 * @param {string} folder @param {{ port?: number }} [options] a port to keep; any free one without @returns {Promise<Cluster>}
 */
export async function startCluster(folder, { port: wanted } = {}) {
  const postgres = join(folder, 'postgres');
  const bin = binariesFor(postgres);
  const secrets = secretsOf(folder);
  if (!existsSync(join(postgres, 'PG_VERSION'))) makeCluster(bin, postgres, secrets['OWNER_PASSWORD'] ?? '');
  const running = runningPostmaster(postgres);
  const port = running?.port ?? wanted ?? (await freePort());
  const env = { ...secrets, DATABASE_PORT: String(port) };
  if (running) {
    say('the database of this folder runs already, and keeps running');
    return { folder, port, env, stop: async () => {} };
  }
  // Two at one data directory would ruin it: what a crash left over is waited for.
  for (let tries = 0; tries < 150 && workingIn(postgres).length > 0; tries++) await sleep(100);
  if (workingIn(postgres).length > 0)
    throw new Stopped('A PostgreSQL without its head still works in the data folder.', 'Stop it, and try again.');
  // Another folder's, or of a crash: PostgreSQL would believe the number in it.
  rmSync(join(postgres, 'postmaster.pid'), { force: true });
  const pid = await launch(bin, folder, postgres, port);
  return { folder, port, env, stop: () => stopCluster(pid, postgres) };
}

/** A cluster that another command keeps running. @param {string} folder @returns {Cluster} */
export function attachCluster(folder) {
  const running = runningPostmaster(join(folder, 'postgres'));
  if (!running) throw new Stopped('The database is not running.', 'Start it with `npm run demo` in another terminal.');
  return {
    folder,
    port: running.port,
    env: { ...secretsOf(folder), DATABASE_PORT: String(running.port) },
    stop: async () => {},
  };
}

/** @param {string} bin @param {string} postgres @param {string} password */
function makeCluster(bin, postgres, password) {
  say('making a database cluster');
  const user = databaseUser();
  const passwordFile = join(dirname(postgres), 'password.tmp');
  writeFileSync(passwordFile, password, { mode: 0o600 });
  if (user.uid !== undefined) chownSync(passwordFile, user.uid, user.gid);
  const args = [
    '-D',
    postgres,
    '-U',
    OWNER,
    '--auth=scram-sha-256',
    `--pwfile=${passwordFile}`,
    '-E',
    'UTF8',
    '--locale=C.UTF-8',
  ];
  const made = spawnSync(join(bin, 'initdb'), args, { ...user, cwd: '/', encoding: 'utf8' });
  rmSync(passwordFile);
  if (made.status !== 0)
    throw new Stopped(
      `initdb failed: ${made.stderr.trim().split('\n').at(-1)}`,
      'Is the disk full? Remove the data folder and try again.',
    );
}

/** @param {string} bin @param {string} folder @param {string} postgres @param {number} port */
async function launch(bin, folder, postgres, port) {
  const log = openSync(join(folder, 'postgres.log'), 'a');
  const settings = [
    ...['listen_addresses=127.0.0.1', 'unix_socket_directories=', 'max_connections=60'],
    // Slow statements stand in postgres.log, without the values they were asked with: those are people's.
    ...['log_min_duration_statement=500', 'log_parameter_max_length=0', 'log_parameter_max_length_on_error=0'],
  ];
  // Detached, or the terminal's Ctrl-C would reach the database before the application.
  const child = spawn(
    join(bin, 'postgres'),
    ['-D', postgres, '-p', String(port), ...settings.flatMap((each) => ['-c', each])],
    {
      ...databaseUser(),
      cwd: '/',
      detached: true,
      stdio: ['ignore', log, log],
    },
  );
  child.unref();
  closeSync(log);
  for (let tries = 0; tries < 150; tries++) {
    if (spawnSync(join(bin, 'pg_isready'), ['-q', '-h', '127.0.0.1', '-p', String(port)]).status === 0)
      return child.pid ?? 0;
    if (child.exitCode !== null) break;
    await sleep(100);
  }
  throw new Stopped('PostgreSQL did not start.', `Its own words are in ${join(folder, 'postgres.log')}.`);
}

/** A fast shutdown, waited for. @param {number} pid @param {string} postgres */
async function stopCluster(pid, postgres) {
  if (!isPostmasterOf(pid, postgres)) return;
  process.kill(pid, 'SIGINT');
  // It writes out all it holds first: on a slow disk that takes a while, and who waits may mean to take the folder away.
  for (let tries = 0; tries < 1200 && isPostmasterOf(pid, postgres); tries++) await sleep(50);
}

/** psql as the owner. @param {Cluster} cluster @param {string[]} args @param {import('node:child_process').SpawnSyncOptions} [options] */
export function psql(cluster, args, options = {}) {
  return spawnSync('psql', ['-h', '127.0.0.1', '-p', String(cluster.port), '-U', OWNER, ...args], {
    ...options,
    env: { ...process.env, PGPASSWORD: cluster.env['OWNER_PASSWORD'] },
  });
}

/** Makes a database if it is not there; `anew` drops it first. @param {Cluster} cluster @param {string} name @param {{ anew?: boolean }} [options] */
export function ensureDatabase(cluster, name, { anew = false } = {}) {
  if (anew) psql(cluster, ['-d', 'postgres', '-qc', `drop database if exists ${name} with (force)`]);
  const known = psql(cluster, ['-d', 'postgres', '-Atc', `select 1 from pg_database where datname = '${name}'`], {
    encoding: 'utf8',
  });
  if (String(known.stdout).trim() !== '1') psql(cluster, ['-d', 'postgres', '-qc', `create database ${name}`]);
}
