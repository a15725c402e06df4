// npm run demo: everything from nothing to a running application with the demo world. `-- --fresh` starts it anew, `--small`
// has only the dogs that have stories.

import { checkNode, ensureDependencies, ensurePackages } from './machine.mjs';
import { command, say } from './say.mjs';
import { checkPort } from './port.mjs';

const PORT = Number(process.env['PORT'] ?? 4310);

await command(async () => {
  checkNode();
  await checkPort(PORT);
  ensurePackages(['postgresql']);
  ensureDependencies();
  const { build } = await import('./build.mjs');
  await build();
  const { dataFolder } = await import('./cluster.mjs');
  const { startApplication, stopWithUs } = await import('./application.mjs');
  /** @type {Awaited<ReturnType<typeof startApplication>> | undefined} */
  let application;
  const end = stopWithUs(async () => application?.stop());
  application = await startApplication({
    folder: dataFolder(),
    port: PORT,
    fresh: process.argv.includes('--fresh'),
    large: !process.argv.includes('--small'),
  });
  void application.ended.then(end);
  say('ready; Ctrl-C stops everything');
  console.log(`\n  Dewpond: ${application.url}   sign in as ines@withyquay.example with reeds-and-chalk\n`);
});
