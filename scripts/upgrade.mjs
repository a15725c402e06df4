// npm run upgrade: a backup, the newest version, its packages, its tables. What runs meanwhile runs on; start it anew after.

import { spawnSync } from 'node:child_process';
import { ROOT, checkNode, ensureDependencies, ensurePackages } from './machine.mjs';
import { Stopped, command, say } from './say.mjs';

/** @param {string[]} args */
const git = (...args) => spawnSync('git', args, { cwd: ROOT, encoding: 'utf8' });

await command(async () => {
  checkNode();
  ensurePackages(['postgresql']);
  if (!process.argv.includes('--tables-only')) {
    ensureDependencies();
    const before = git('rev-parse', '--short', 'HEAD').stdout.trim();
    const { build } = await import('./build.mjs');
    await build();
    const { makeBackup } = await import('./makeBackup.mjs');
    const { file } = await makeBackup({
      to: process.env['BACKUP_DIR'],
      keyFile: process.env['BACKUP_KEY_FILE'],
      keep: Number(process.env['BACKUP_KEEP'] ?? 14),
    });
    say(`backed up: ${file}`);
    say(`the way back: git checkout ${before || '(the version of before)'}, then npm run restore -- ${file} --over`);
    fetchNewest();
    // The newest version's own script does the rest.
    const { status } = spawnSync(process.execPath, [`${ROOT}/scripts/upgrade.mjs`, '--tables-only'], {
      stdio: 'inherit',
    });
    if (status !== 0) throw new Stopped('The upgrade stopped half-way.', 'The way back stands above.');
    return;
  }
  ensureDependencies();
  const { build } = await import('./build.mjs');
  await build();
  const { attachedOrStarted } = await import('./realCluster.mjs');
  const { runCommand, serverEnvironment } = await import('./server.mjs');
  const database = await attachedOrStarted();
  try {
    say('bringing tables up to date');
    runCommand('migrate', serverEnvironment(database, database.database));
  } finally {
    await database.stop();
  }
  say('up to date. Start the application anew: systemctl restart dewpond, or npm start');
});

/** The newest version where this is a clone with somewhere to fetch it from. */
function fetchNewest() {
  if (git('rev-parse', '--abbrev-ref', '@{upstream}').status !== 0) {
    say('this is no clone with an upstream: what lies in this folder is taken as the newest version');
    return;
  }
  const { status, stderr } = git('pull', '--ff-only', '--quiet');
  if (status !== 0)
    throw new Stopped(
      `The newest version could not be fetched: ${stderr.trim().split('\n').at(-1)}`,
      'Nothing was changed. Look at `git status`, and try again.',
    );
}
