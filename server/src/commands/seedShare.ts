import { parentPort, workerData } from 'node:worker_threads';
import { shareOf, type LargeShare } from '../demo/large/seedShare';
import { readConfig } from '../platform/config/config';
import { connect } from '../platform/db/connect';

/** A thread that seeds visits of its share of the dogs, week by week as it is told; an empty week ends it. */
const databases = connect(readConfig());
const seedDays = shareOf(databases, workerData as LargeShare);
parentPort?.on('message', (days: Parameters<typeof seedDays> | null) => {
  const work = days ? seedDays(...days) : Promise.all(databases.pools.map((pool) => pool.end()));
  void work.then(
    () => {
      parentPort?.postMessage({ why: null });
      if (!days) parentPort?.close();
    },
    (error: unknown) => parentPort?.postMessage({ why: error instanceof Error ? error.message : String(error) }),
  );
});
