// npm run demo: everything from nothing to a running application with the demo world. `-- --fresh` starts it anew.

import { join } from 'node:path';
import { dataFolder, ensureDatabase, startCluster } from './cluster.mjs';
import { checkNode, ensureDependencies, ensurePackages } from './machine.mjs';
import { command, say } from './say.mjs';
import { checkPort, runCommand, serverEnvironment, startServer } from './server.mjs';

const PORT = Number(process.env['PORT'] ?? 4310);
const DATABASE = 'dewpond';

await command(async () => {
  checkNode();
  await checkPort(PORT);
  ensurePackages(['postgresql']);
  ensureDependencies();
  const { build } = await import('./build.mjs');
  await build();
  const folder = dataFolder();
  say('starting the database');
  const cluster = await startCluster(folder);
  /** @type {Awaited<ReturnType<typeof startServer>> | undefined} */
  let server;
  let stopping = false;
  const stop = async () => {
    if (stopping) return;
    stopping = true;
    say('stopping');
    await server?.stop();
    await cluster.stop();
    process.exit(0);
  };
  for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM', 'SIGHUP'])) process.on(signal, () => void stop());
  // Whoever started us may be killed without a word; then nothing of ours may stay behind.
  const parent = process.ppid;
  setInterval(() => process.ppid !== parent && void stop(), 1000).unref();
  try {
    ensureDatabase(cluster, DATABASE, { anew: process.argv.includes('--fresh') });
    const env = serverEnvironment(cluster, DATABASE, { PORT: String(PORT) });
    say('bringing tables up to date');
    runCommand('migrateCommand', env);
    say('looking at the demo world');
    runCommand('seedCommand', env);
    server = await startServer(env, join(folder, 'server.log'));
    void server.ended.then(() => stop());
  } catch (error) {
    await cluster.stop();
    throw error;
  }
  say('ready; Ctrl-C stops everything');
  console.log(`\n  Dewpond: http://127.0.0.1:${PORT}   sign in as ines@withyquay.example with reeds-and-chalk\n`);
});
