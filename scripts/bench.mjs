// npm run bench: prints tables, writes benchmarks/results/*.json. Figures of this machine, told and never asserted.

import { spawnSync } from 'node:child_process';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { browserPath, checkNode, ensureDependencies, ensurePackages, ROOT } from './machine.mjs';
import { command, say } from './say.mjs';

await command(async () => {
  checkNode();
  ensurePackages(['postgresql', 'browser']);
  ensureDependencies();
  const { build } = await import('./build.mjs');
  await build();
  const { dataFolder, freePort } = await import('./cluster.mjs');
  const { startApplication } = await import('./application.mjs');
  const application = await startApplication({
    folder: dataFolder('.dewpond-bench'),
    port: await freePort(),
    fresh: true,
  });
  try {
    for (const file of readdirSync(join(ROOT, 'benchmarks')).filter((name) => name.endsWith('.bench.ts'))) {
      say(file);
      spawnSync(join(ROOT, 'node_modules/.bin/tsx'), [join(ROOT, 'benchmarks', file)], {
        stdio: 'inherit',
        env: { ...process.env, ...application.env, BASE_URL: application.url, BROWSER_PATH: browserPath() },
      });
    }
  } finally {
    await application.stop();
  }
});
