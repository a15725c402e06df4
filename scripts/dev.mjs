// npm run dev: Vite for the screens and the server with reload, on the demo's own data.

import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { checkNode, ensureDependencies, ensurePackages, ROOT } from './machine.mjs';
import { command, say } from './say.mjs';
import { checkPort } from './port.mjs';

const PORT = Number(process.env['PORT'] ?? 4310);
const WEB_PORT = PORT + 1;

await command(async () => {
  checkNode();
  await checkPort(PORT);
  await checkPort(WEB_PORT);
  ensurePackages(['postgresql']);
  ensureDependencies();
  const { dataFolder, ensureDatabase, startCluster } = await import('./cluster.mjs');
  const { stopWithUs } = await import('./application.mjs');
  const { build } = await import('./build.mjs');
  const { runCommand, serverEnvironment } = await import('./server.mjs');
  await build();
  const cluster = await startCluster(dataFolder());
  ensureDatabase(cluster, 'dewpond');
  // The browser speaks to Vite, which passes /api on: that is the origin the server must know.
  const env = serverEnvironment(cluster, 'dewpond', {
    PORT: String(PORT),
    WEB_PORT: String(WEB_PORT),
    PUBLIC_URL: `http://127.0.0.1:${WEB_PORT}`,
    NODE_ENV: 'development',
    WEB_DIST: '',
  });
  runCommand('migrate', env);
  runCommand('seed', env);
  const bin = (/** @type {string} */ name) => join(ROOT, 'node_modules/.bin', name);
  const children = [
    spawn(bin('tsx'), ['watch', '--clear-screen=false', join(ROOT, 'server/src/main.ts')], {
      env,
      stdio: ['ignore', 'inherit', 'inherit'],
    }),
    spawn(bin('vite'), ['--host', '127.0.0.1'], {
      cwd: join(ROOT, 'web'),
      env,
      stdio: ['ignore', 'inherit', 'inherit'],
    }),
  ];
  const end = stopWithUs(async () => {
    for (const child of children) child.kill('SIGTERM');
    await cluster.stop();
  });
  for (const child of children) child.once('exit', () => void end());
  say(`http://127.0.0.1:${WEB_PORT}   sign in as ines@withyquay.example with reeds-and-chalk`);
});
