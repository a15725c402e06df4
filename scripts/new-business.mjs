// npm run new-business: a link by which one more business begins in this installation.

import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { command, say } from './say.mjs';

await command(async () => {
  const { attachedOrStarted } = await import('./realCluster.mjs');
  const { answerOf, serverEnvironment } = await import('./server.mjs');
  const database = await attachedOrStarted();
  try {
    const file = join(database.folder, 'address');
    const address = existsSync(file) ? { PUBLIC_URL: readFileSync(file, 'utf8'), TRUST_PROXY: '1' } : {};
    const env = { ...serverEnvironment(database, database.database), ...address };
    say('this link begins one business; it opens once, within a week:');
    console.log(`\n  ${answerOf('beginLink', env, ['another']).trim()}\n`);
  } finally {
    await database.stop();
  }
});
