import { availableParallelism } from 'node:os';
import { inThread } from '../demo/large/inThread';
import { makeAuth } from '../platform/auth/auth';
import { readConfig } from '../platform/config/config';
import { connect, openPool } from '../platform/db/connect';
import { seedDemo } from '../demo/seedDemo';

const config = readConfig();
const databases = connect(config);
const owner = openPool(config, 'owner', 1);
const large = process.argv.includes('--large')
  ? { shares: Math.min(4, availableParallelism()), worker: inThread, analyse: () => owner.query('analyze') }
  : null;
const tell = (words: string) => {
  console.log(`  ${words}`);
};
try {
  const seeded = await seedDemo(databases, makeAuth(config, databases), Date.now(), tell, large);
  if (!seeded) tell('the demo world is there already');
} catch (error) {
  tell(error instanceof Error ? error.message : String(error));
  process.exitCode = 1;
}
await Promise.all([...databases.pools, owner].map((pool) => pool.end()));
