// npm run move-in -- FILE: takes a whole business in that another installation gave out, beside those that are here.

import { existsSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { checkNode, ensureDependencies, ensurePackages } from './machine.mjs';
import { Stopped, command } from './say.mjs';

/** The database of this installation, with the settings of its commands. */
async function opened() {
  const { realDatabase } = await import('./realDatabase.mjs');
  if (process.env['DATABASE_URL'] ?? process.env['DATABASE_URL_FILE']) return realDatabase(() => {});
  const { ensureDatabase } = await import('./cluster.mjs');
  const { attachedOrStarted } = await import('./realCluster.mjs');
  const { serverEnvironment } = await import('./server.mjs');
  const cluster = await attachedOrStarted();
  ensureDatabase(cluster, cluster.database);
  return { folder: cluster.folder, env: serverEnvironment(cluster, cluster.database), stop: cluster.stop };
}

await command(async () => {
  const [file] = process.argv.slice(2);
  if (!file) throw new Stopped('Which file?', 'npm run move-in -- path/to/the-business.zip');
  checkNode();
  if (!process.env['DATABASE_URL']) ensurePackages(['postgresql']);
  ensureDependencies();
  const { build } = await import('./build.mjs');
  await build();
  const { runCommand } = await import('./server.mjs');
  const database = await opened();
  try {
    runCommand('migrate', database.env);
    // Where it serves already, links open there.
    const address = join(database.folder, 'address');
    const served = existsSync(address) ? { PUBLIC_URL: readFileSync(address, 'utf8'), TRUST_PROXY: '1' } : {};
    runCommand('moveIn', { ...database.env, ...served }, ['run', resolve(file)]);
  } finally {
    await database.stop();
  }
});
