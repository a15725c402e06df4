// npm run rebuild-projections: makes findings, care and amounts anew from the events, on the running cluster.

import { attachCluster, dataFolder } from './cluster.mjs';
import { command } from './say.mjs';
import { runCommand, serverEnvironment } from './server.mjs';

await command(async () => {
  runCommand('rebuildProjections', serverEnvironment(attachCluster(dataFolder()), 'dewpond'), ['run']);
});
