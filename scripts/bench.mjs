// npm run bench: prints tables, writes benchmarks/results/*.json. Figures of this machine, told and never asserted.

import { spawnSync } from 'node:child_process';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { browserPath, checkNode, ensureDependencies, ensurePackages, ROOT } from './machine.mjs';
import { command, say } from './say.mjs';

/** Measured with the business of a real size; the others with the small world, as they always were. */
const LARGE = ['weeks-in-browser.bench.ts'];

await command(async () => {
  checkNode();
  ensurePackages(['postgresql', 'browser']);
  ensureDependencies();
  const { build } = await import('./build.mjs');
  await build();
  const { dataFolder, freePort } = await import('./cluster.mjs');
  const { startApplication } = await import('./application.mjs');
  const files = readdirSync(join(ROOT, 'benchmarks')).filter((name) => name.endsWith('.bench.ts'));
  for (const large of [false, true]) {
    const application = await startApplication({
      folder: dataFolder('.dewpond-bench'),
      port: await freePort(),
      fresh: true,
      large,
    });
    try {
      for (const file of files.filter((name) => LARGE.includes(name) === large)) {
        say(file);
        spawnSync(join(ROOT, 'node_modules/.bin/tsx'), [join(ROOT, 'benchmarks', file)], {
          stdio: 'inherit',
          env: { ...process.env, ...application.env, BASE_URL: application.url, BROWSER_PATH: browserPath() },
        });
      }
    } finally {
      await application.stop();
    }
  }
});
