// npm run new-business: a link by which one more business begins in this installation.

import { command, say } from './say.mjs';

await command(async () => {
  const { attachedOrStarted } = await import('./realCluster.mjs');
  const { answerOf, serverEnvironment } = await import('./server.mjs');
  const database = await attachedOrStarted();
  try {
    const env = serverEnvironment(database, database.database);
    say('this link begins one business; it opens once, within a week:');
    console.log(`\n  ${answerOf('beginLink', env, ['another']).trim()}\n`);
  } finally {
    await database.stop();
  }
});
