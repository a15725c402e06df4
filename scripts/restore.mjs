// npm run restore -- a.backup: puts a backup into an installation that has no business yet. Tables of an older version are
// brought up to date by the next start.

import { checkNode, ensureDependencies, ensurePackages } from './machine.mjs';
import { Stopped, command, say } from './say.mjs';

await command(async () => {
  const [file, ...options] = process.argv.slice(2);
  if (!file) throw new Stopped('Which backup?', 'npm run restore -- path/to/dewpond-….backup');
  checkNode();
  ensurePackages(['postgresql']);
  ensureDependencies();
  const { build } = await import('./build.mjs');
  await build();
  const { restoreBackup } = await import('./restoreBackup.mjs');
  const { at, version, rows } = await restoreBackup(file, {
    keyFile: process.env['BACKUP_KEY_FILE'],
    over: options.includes('--over'),
  });
  say(`restored as it was on ${at} (version ${version}): ${rows} rows, every table the same. Now: npm start`);
});
