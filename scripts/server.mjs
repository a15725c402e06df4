// Runs the built server's commands and keeps its main process.

import { fork, spawnSync } from 'node:child_process';
import { chmodSync, existsSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { createStream } from 'rotating-file-stream';
import { ROOT } from './machine.mjs';
import { Stopped } from './say.mjs';

/** @typedef {import('./cluster.mjs').Cluster} Cluster */

/** @param {Cluster} cluster @param {string} database @param {NodeJS.ProcessEnv} [more] @returns {NodeJS.ProcessEnv} */
export const serverEnvironment = (cluster, database, more = {}) => ({
  ...process.env,
  ...cluster.env,
  DATABASE_NAME: database,
  WEB_DIST: join(ROOT, 'web/dist'),
  MIGRATIONS: join(ROOT, 'server/drizzle'),
  NODE_ENV: 'production',
  ...more,
});

/** Runs a built command to its end. @param {string} entry @param {NodeJS.ProcessEnv} env @param {string[]} [args] */
export function runCommand(entry, env, args = []) {
  const { status } = spawnSync(
    process.execPath,
    ['--enable-source-maps', join(ROOT, `server/dist/${entry}.js`), ...args],
    { env, stdio: ['ignore', 'inherit', 'inherit'] },
  );
  if (status !== 0) throw new Stopped(`${entry} failed.`, 'The message above says why.');
}

/** What a built command prints. @param {string} entry @param {NodeJS.ProcessEnv} env @param {string[]} [args] */
export function answerOf(entry, env, args = []) {
  const { status, stdout } = spawnSync(
    process.execPath,
    ['--enable-source-maps', join(ROOT, `server/dist/${entry}.js`), ...args],
    { env, stdio: ['ignore', 'pipe', 'inherit'], encoding: 'utf8' },
  );
  if (status !== 0) throw new Stopped(`${entry} failed.`, 'The message above says why.');
  return stdout;
}

/**
 * The log, for the eyes of whoever runs this and nobody else's; it never grows beyond some fifty megabytes.
 * @param {string} file
 */
function logTo(file) {
  if (existsSync(file)) chmodSync(file, 0o600);
  return createStream(basename(file), { path: dirname(file), size: '10M', maxFiles: 5, mode: 0o600 });
}

/**
 * Starts the server; resolves once it listens. `stop` ends it and waits.
 * @param {NodeJS.ProcessEnv} env @param {string} logFile
 * @param {{ uid?: number, gid?: number }} [account] as whom it serves
 */
export async function startServer(env, logFile, account = {}) {
  const log = logTo(logFile);
  const child = fork(join(ROOT, 'server/dist/main.js'), {
    env,
    stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
    execArgv: ['--enable-source-maps'],
    ...account,
    ...(account.uid === undefined ? {} : { cwd: '/' }),
  });
  child.stdout?.pipe(log, { end: false });
  child.stderr?.pipe(log, { end: false });
  const ended = new Promise((done) => child.once('exit', done));
  await new Promise((done, fail) => {
    child.once('message', done);
    child.once('exit', () => fail(new Stopped('The server did not start.', `Its own words are in ${logFile}.`)));
  });
  return {
    ended,
    pid: child.pid ?? 0,
    stop: async () => {
      child.kill('SIGTERM');
      await ended;
    },
  };
}
