// npm start: Dewpond for a business of one's own, on an empty database or on what is there. Settings: docs/running.md.

import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { checkNode, ensureDependencies, ensurePackages } from './machine.mjs';
import { Stopped, command, say } from './say.mjs';
import { checkPort } from './port.mjs';

const PORT = Number(process.env['PORT'] ?? 4310);
const isExternal = Boolean(process.env['DATABASE_URL'] ?? process.env['DATABASE_URL_FILE']);

await command(async () => {
  checkNode();
  await checkPort(PORT);
  if (!isExternal) ensurePackages(['postgresql']);
  ensureDependencies();
  const { build } = await import('./build.mjs');
  await build();
  const { realDatabase } = await import('./realDatabase.mjs');
  const { servingAccount } = await import('./account.mjs');
  const { answerOf, runCommand, startServer } = await import('./server.mjs');
  const { stopWithUs } = await import('./application.mjs');
  const account = servingAccount();
  /** @type {Awaited<ReturnType<typeof realDatabase>> | undefined} */
  let database;
  /** @type {Awaited<ReturnType<typeof startServer>> | undefined} */
  let server;
  let isStopping = false;
  const end = stopWithUs(async () => {
    isStopping = true;
    await server?.stop();
    await database?.stop();
  });
  database = await realDatabase((why) => {
    console.error(`\nStopped: the database cannot be kept running: ${why}.\n`);
    process.exitCode = 1;
    void end();
  });
  const { folder, env } = database;
  try {
    /** @type {NodeJS.ProcessEnv} */
    const serving = JSON.parse(answerOf('settings', env));
    say('bringing tables up to date');
    runCommand('migrate', env);
    const { PATH, TZ, LANG, NODE_OPTIONS } = process.env;
    const its = { PATH, TZ, LANG, NODE_OPTIONS, NODE_ENV: 'production', MIGRATIONS: env['MIGRATIONS'], ...serving };
    server = await startServer(its, join(folder, 'server.log'), account);
    void server.ended.then(() => {
      // By itself, and not because we stop: whoever looks after us starts it again.
      if (!isStopping) {
        console.error(
          `\nStopped: the application ended by itself. Its own words are in ${join(folder, 'server.log')}.\n`,
        );
        process.exitCode = 1;
      }
      void end();
    });
    // For commands beside it, which print addresses.
    writeFileSync(join(folder, 'address'), serving['PUBLIC_URL'] ?? '');
    const link = answerOf('beginLink', its).trim();
    say('ready; Ctrl-C stops everything');
    console.log(`\n  Dewpond: ${serving['PUBLIC_URL']}\n`);
    if (link !== '')
      console.log(
        `  Nobody works here yet. This link begins your business; it opens once, within a week:\n\n  ${link}\n`,
      );
  } catch (error) {
    await server?.stop();
    await database.stop();
    throw error instanceof Stopped ? error : new Stopped(String(error), 'Nothing was started.');
  }
});
