import { makeAuth } from '../platform/auth/auth';
import { readConfig } from '../platform/config/config';
import { connect } from '../platform/db/connect';
import { seedDemo } from '../demo/seedDemo';

const config = readConfig();
const databases = connect(config);
const seeded = await seedDemo(databases, makeAuth(config, databases), Date.now(), (words) => {
  console.log(`  ${words}`);
});
if (!seeded) console.log('  the demo world is there already');
await Promise.all(databases.pools.map((pool) => pool.end()));
