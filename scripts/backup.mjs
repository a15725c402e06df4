// npm run backup: everything of this installation in one file, looked at by restoring it elsewhere and comparing every table.

import { checkNode, ensureDependencies, ensurePackages } from './machine.mjs';
import { command, say } from './say.mjs';

await command(async () => {
  checkNode();
  ensurePackages(['postgresql']);
  ensureDependencies();
  const { build } = await import('./build.mjs');
  await build();
  const { makeBackup } = await import('./makeBackup.mjs');
  const made = await makeBackup({
    to: process.env['BACKUP_DIR'],
    keyFile: process.env['BACKUP_KEY_FILE'],
    keep: Number(process.env['BACKUP_KEEP'] ?? 14),
  });
  say(
    `${made.file}: ${(made.bytes / 1e6).toFixed(1)} MB, ${made.rows} rows in ${made.tables} tables, restored once and the same`,
  );
  if (process.env['BACKUP_KEY_FILE'] === undefined)
    say('it is not sealed: whoever has the file has the book. BACKUP_KEY_FILE names a file with a passphrase');
});
