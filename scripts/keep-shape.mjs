// npm run keep-shape: keeps the demo's database as this version makes it, for the test that brings databases of every
// released version up to date. Run once a release, after the last migration of it.

import { readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { ROOT, checkNode, ensureDependencies, ensurePackages } from './machine.mjs';
import { command, say } from './say.mjs';

const FOLDER = '.dewpond-shape';

await command(async () => {
  checkNode();
  ensurePackages(['postgresql']);
  ensureDependencies();
  const { build } = await import('./build.mjs');
  const { dataFolder, startCluster, ensureDatabase } = await import('./cluster.mjs');
  const { postgresTool } = await import('./realCluster.mjs');
  const { runCommand, serverEnvironment } = await import('./server.mjs');
  await build();
  const folder = dataFolder(FOLDER);
  const cluster = await startCluster(folder);
  try {
    ensureDatabase(cluster, 'dewpond', { anew: true });
    const env = serverEnvironment(cluster, 'dewpond');
    runCommand('migrate', env);
    runCommand('seed', env);
    const dump = join(folder, 'shape.sql');
    postgresTool({ ...cluster, database: 'dewpond' }, 'pg_dump', ['--no-owner', '--file', dump], 'Dumping it');
    const migrations = readdirSync(join(ROOT, 'server/drizzle')).filter((file) => file.endsWith('.sql'));
    const last = migrations.toSorted().at(-1)?.replace('.sql', '') ?? 'none';
    const file = join(ROOT, `server/src/tests/shapes/${last}.sql.gz`);
    writeFileSync(file, gzipSync(readFileSync(dump), { level: 9 }));
    say(`kept: ${file}`);
  } finally {
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
});
