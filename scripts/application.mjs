// The whole application, started for demo, tests, screenshots and bench alike: database, tables, demo world, server.

import { join } from 'node:path';
import { ensureDatabase, startCluster } from './cluster.mjs';
import { say } from './say.mjs';
import { runCommand, serverEnvironment, startServer } from './server.mjs';

/**
 * `large`: a business of a real size, in about a minute and a half; without it only the dogs that have stories.
 * @param {{ folder: string, port: number, database?: string, fresh?: boolean, large?: boolean, env?: NodeJS.ProcessEnv }} options
 * @returns a running application; `stop` leaves no process behind
 */
export async function startApplication({
  folder,
  port,
  database = 'dewpond',
  fresh = false,
  large = false,
  env: more = {},
}) {
  say('starting the database');
  const cluster = await startCluster(folder);
  try {
    ensureDatabase(cluster, database, { anew: fresh });
    const env = serverEnvironment(cluster, database, {
      PORT: String(port),
      PUBLIC_URL: `http://127.0.0.1:${port}`,
      // An invented world is backed up by nobody.
      BACKUPS: 'elsewhere',
      ...more,
    });
    say('bringing tables up to date');
    runCommand('migrate', env);
    say(`looking at the demo world (the first time takes ${large ? 'a minute and a half' : 'half a minute'})`);
    runCommand('seed', env, large ? ['--large'] : []);
    const server = await startServer(env, join(folder, 'server.log'));
    let stopped = false;
    const stop = async () => {
      if (stopped) return;
      stopped = true;
      await server.stop();
      await cluster.stop();
    };
    return { cluster, env, url: `http://127.0.0.1:${port}`, ended: server.ended, stop };
  } catch (error) {
    await cluster.stop();
    throw error;
  }
}

/** Stops on Ctrl-C, on SIGTERM, and when whoever started us is gone without a word. @param {() => Promise<void>} stop */
export function stopWithUs(stop) {
  let stopping = false;
  const end = async () => {
    if (stopping) return;
    stopping = true;
    say('stopping');
    await stop();
    process.exit(process.exitCode ?? 0);
  };
  for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM', 'SIGHUP'])) process.on(signal, () => void end());
  const parent = process.ppid;
  setInterval(() => process.ppid !== parent && void end(), 1000).unref();
  return end;
}
