// npm run migration -- a_name: writes the SQL that brings databases to the tables as they are declared now.
// `--custom` gives an empty file, for triggers, rights and rows that have to move.

import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './machine.mjs';
import { Stopped, command } from './say.mjs';

await command(async () => {
  const [name, ...options] = process.argv.slice(2);
  if (!name || !/^[a-z][a-z0-9_]*$/.test(name))
    throw new Stopped(
      'A migration has a name of small letters and underscores.',
      'Say for example: npm run migration -- visit_index',
    );
  const { status } = spawnSync(join(ROOT, 'node_modules/.bin/drizzle-kit'), ['generate', '--name', name, ...options], {
    cwd: join(ROOT, 'server'),
    stdio: 'inherit',
  });
  process.exitCode = status ?? 1;
});
