import { spawnSync } from 'node:child_process';
const { build } = await import('./build.mjs');
await build();
const { dataFolder, freePort } = await import('./cluster.mjs');
const { startApplication } = await import('./application.mjs');
const a = await startApplication({ folder: dataFolder('.dewpond-bench'), port: await freePort(), fresh: true });
try {
  for (const f of process.argv.slice(2))
    spawnSync('node_modules/.bin/tsx', [`bench/${f}.bench.ts`], {
      stdio: 'inherit',
      env: { ...process.env, BASE_URL: a.url },
    });
} finally {
  await a.stop();
}
