// A database that dies is started again; three times within ten minutes is no accident any more.

import { join } from 'node:path';
import { runningPostmaster, startCluster } from './cluster.mjs';
import { say } from './say.mjs';

const LOOK_MS = 500;
const TRIES = 3;
const WITHIN_MS = 10 * 60_000;

/**
 * Looks after the cluster of this folder on its port until told to stop; `onGivenUp` is called once it died too often.
 * @param {import('./cluster.mjs').Cluster} cluster @param {(why: string) => void} onGivenUp
 * @returns {{ stop: () => Promise<void> }} stops looking, then the database
 */
export function keepDatabase(cluster, onGivenUp) {
  const postgres = join(cluster.folder, 'postgres');
  let kept = cluster;
  let busy = false;
  /** @type {number[]} */
  const deaths = [];
  const look = async () => {
    if (busy || runningPostmaster(postgres)) return;
    busy = true;
    const now = Date.now();
    deaths.push(now);
    if (deaths.filter((at) => now - at < WITHIN_MS).length > TRIES) {
      clearInterval(timer);
      onGivenUp(
        `it died ${TRIES + 1} times within ten minutes; its own words are in ${join(cluster.folder, 'postgres.log')}`,
      );
      return;
    }
    say('the database has died; starting it again');
    try {
      kept = await startCluster(cluster.folder, { port: cluster.port });
    } catch (error) {
      say(`it did not start: ${error instanceof Error ? error.message.split('\n')[0] : error}`);
    }
    busy = false;
  };
  const timer = setInterval(() => void look(), LOOK_MS);
  return {
    stop: async () => {
      clearInterval(timer);
      await kept.stop();
    },
  };
}
