// The production build: the web application by Vite, the server bundled by esbuild. Skipped when nothing changed.

import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ROOT } from './machine.mjs';
import { command, say } from './say.mjs';
import { squeeze } from './squeeze.mjs';

const SOURCES = [
  'core/src',
  'contract/src',
  'server/src',
  'web/src',
  ...['core', 'contract', 'server', 'web'].map((each) => `${each}/package.json`),
  'web/index.html',
  'web/owner.html',
  'web/vite.config.ts',
  'web/vite.owner.config.ts',
  'web/public',
  'web/ownerPublic',
  'package-lock.json',
  'scripts/build.mjs',
  'scripts/squeeze.mjs',
];
const ENTRIES = [
  'main',
  ...['migrate', 'settings', 'beginLink', 'rotateKey', 'moveIn', 'seed', 'seedShare', 'rebuildProjections'].map(
    (each) => `commands/${each}`,
  ),
];
/** Runs in threads of its own, beside `main`. */
const WORKER = 'worker';

/** @param {string} path @returns {string[]} */
function filesBelow(path) {
  if (!existsSync(path)) return [];
  try {
    return readdirSync(path, { withFileTypes: true })
      .toSorted((a, b) => (a.name < b.name ? -1 : 1))
      .flatMap((entry) => filesBelow(join(path, entry.name)));
  } catch {
    return [path];
  }
}

function sourceHash() {
  const hash = createHash('sha256');
  for (const file of SOURCES.flatMap((source) => filesBelow(join(ROOT, source))))
    hash.update(file.slice(ROOT.length)).update(readFileSync(file));
  return hash.digest('hex');
}

/** Builds what is out of date; a second start takes no time. */
export async function build() {
  const stamp = join(ROOT, 'server/dist/.built-from');
  const hash = sourceHash();
  if (
    existsSync(stamp) &&
    readFileSync(stamp, 'utf8') === hash &&
    existsSync(join(ROOT, 'web/dist/of-owner/owner.html'))
  )
    return;
  say('building the application (some ten seconds)');
  await buildServer();
  const vite = await import('vite');
  await vite.build({ root: join(ROOT, 'web'), logLevel: 'warn' });
  await vite.build({
    root: join(ROOT, 'web'),
    configFile: join(ROOT, 'web/vite.owner.config.ts'),
    logLevel: 'warn',
  });
  await squeeze(join(ROOT, 'web/dist'));
  mkdirSync(join(ROOT, 'server/dist'), { recursive: true });
  writeFileSync(stamp, hash);
}

const WORKER_ENTRY = { in: join(ROOT, `server/src/${WORKER}.tsx`), out: 'worker' };

/** The thread beside the server, for tests that run the server from its source. */
export const buildWorker = () => bundle([WORKER_ENTRY]);

const buildServer = () =>
  bundle([
    ...ENTRIES.map((entry) => ({ in: join(ROOT, `server/src/${entry}.ts`), out: basename(entry) })),
    WORKER_ENTRY,
  ]);

/** @param {{ in: string, out: string }[]} entryPoints */
async function bundle(entryPoints) {
  const esbuild = await import('esbuild');
  await esbuild.build({
    entryPoints,
    outdir: join(ROOT, 'server/dist'),
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    jsx: 'automatic',
    sourcemap: true,
    // Our own workspaces are bundled; packages stay where npm put them.
    plugins: [
      {
        name: 'packages-outside',
        setup: (setup) =>
          void setup.onResolve({ filter: /^[^./]/ }, ({ path }) =>
            path.startsWith('@dewpond/') ? undefined : { path, external: true },
          ),
      },
    ],
    logLevel: 'warning',
  });
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await command(build);
