// npm run psql -- …: psql on the running cluster, as the owner role.

import { attachCluster, dataFolder, psql } from './cluster.mjs';
import { command } from './say.mjs';

await command(async () => {
  const args = process.argv.slice(2);
  const { status } = psql(attachCluster(dataFolder()), ['-d', 'dewpond', ...args], { stdio: 'inherit' });
  process.exitCode = status ?? 1;
});
