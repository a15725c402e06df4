// npm run rotate-key: another key for links, calendars and sessions, when somebody has seen the old one. `-- --lost`: the
// old one is gone.

import { randomBytes } from 'node:crypto';
import { readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Stopped, command, say } from './say.mjs';

await command(async () => {
  const { attachedOrStarted } = await import('./realCluster.mjs');
  const { build } = await import('./build.mjs');
  const { runCommand, serverEnvironment } = await import('./server.mjs');
  if (process.env['AUTH_SECRET'] ?? process.env['AUTH_SECRET_FILE'])
    throw new Stopped(
      'The key of this installation comes from its settings.',
      'Unset AUTH_SECRET here, or change it where it is kept and run this with both: docs/running.md.',
    );
  await build();
  const database = await attachedOrStarted();
  try {
    const key = randomBytes(24).toString('base64url');
    const env = serverEnvironment(database, database.database, { NEW_AUTH_SECRET: key });
    runCommand('rotateKey', env, ['run', ...(process.argv.includes('--lost') ? ['lost'] : [])]);
    const file = join(database.folder, 'secrets.json');
    const secrets = JSON.parse(readFileSync(file, 'utf8'));
    writeFileSync(`${file}.new`, JSON.stringify({ ...secrets, AUTH_SECRET: key }, null, 2), { mode: 0o600 });
    renameSync(`${file}.new`, file);
    say('the new key is kept. Start the application anew; send owners new links from their dogs’ pages');
  } finally {
    await database.stop();
  }
});
