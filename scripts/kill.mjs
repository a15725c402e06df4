// The kill suite: events are sent to two processes while servers and the database are killed; what was acknowledged stays.

import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { dataFolder, ensureDatabase, freePort, runningPostmaster, startCluster } from './cluster.mjs';
import { runCommand, serverEnvironment, startServer } from './server.mjs';
import { say } from './say.mjs';
import { asked, healthy, report, sendVisits, signIn, written } from './sending.mjs';

/** @typedef {'server' | 'postmaster'} Victim */

const EVENTS = 10_000;
const CLIENTS = 4;
const DATABASE = 'dewpond_kill';
/** Ten kills of a server and three of the database, spread over the whole run. */
const VICTIMS = /** @type {Victim[]} */ (
  'server server postmaster server server server postmaster server server server postmaster server server'.split(' ')
);

/** Sends 10,000 events by four clients through thirteen kills; prints a table, keeps it, and says whether all held. @returns {Promise<boolean>} */
export async function killSuite() {
  rmSync(dataFolder('.dewpond-kill'), { recursive: true, force: true });
  const folder = dataFolder('.dewpond-kill');
  const databasePort = await freePort();
  let cluster = await startCluster(folder, { port: databasePort });
  ensureDatabase(cluster, DATABASE, { anew: true });
  const ports = [await freePort(), await freePort()];
  const url = `http://127.0.0.1:${ports[0]}`;
  const env = serverEnvironment(cluster, DATABASE, { PUBLIC_URL: url, LOG_LEVEL: 'warn' });
  runCommand('migrate', env);
  runCommand('seed', env);
  const start = (/** @type {number} */ which) =>
    startServer({ ...env, PORT: String(ports[which]) }, join(folder, `server-${which}.log`));
  const servers = [await start(0), await start(1)];

  /** @type {Set<string>} */
  const acknowledged = new Set();
  let done = false;
  const session = await signIn(url);
  const call = asked(ports, url, session);
  const dogs = /** @type {{ items: { id: string }[] }} */ (await call('GET', '/api/dogs')).items;

  /** @type {Record<string, string | number>[]} */
  const rows = [];
  const killer = async () => {
    for (const [i, victim] of VICTIMS.entries()) {
      while (acknowledged.size < ((i + 1) * EVENTS) / (VICTIMS.length + 1) && !done) await sleep(5);
      const which = i % 2;
      if (victim === 'server') {
        process.kill(servers[which]?.pid ?? 0, 'SIGKILL');
        await servers[which]?.ended;
      } else {
        const postgres = join(folder, 'postgres');
        process.kill(runningPostmaster(postgres)?.pid ?? 0, 'SIGKILL');
        while (runningPostmaster(postgres)) await sleep(5);
      }
      const then = [...acknowledged];
      let since = performance.now();
      if (victim === 'server') servers[which] = await start(which);
      else {
        cluster = await startCluster(folder, { port: databasePort });
        since = performance.now();
      }
      const wellAfter = await healthy(ports, since);
      const there = written(cluster, DATABASE);
      rows.push({
        kill: i + 1,
        of: victim === 'server' ? `server ${which + 1}` : 'postmaster',
        acknowledged: then.length,
        lost: then.filter((id) => !there.has(id)).length,
        'well again, ms': wellAfter,
      });
    }
  };

  const [sent] = await Promise.all([
    Promise.all(
      Array.from({ length: CLIENTS }, (_, i) =>
        sendVisits(`tablet ${i + 1}`, { call, dogs, acknowledged, events: EVENTS / CLIENTS }),
      ),
    ).finally(() => (done = true)),
    killer(),
  ]);
  const there = written(cluster, DATABASE);
  const all = sent.flat();
  // Seeded visits have events, too: only ours are counted.
  const found = all.filter((id) => there.has(id)).length;
  const lost = rows.reduce((sum, row) => sum + Number(row['lost']), 0);
  await Promise.all(servers.map((each) => each.stop()));
  await cluster.stop();
  rmSync(folder, { recursive: true, force: true });
  rows.push({ kill: 'end', of: 'all', acknowledged: acknowledged.size, lost: all.length - found, 'well again, ms': 0 });
  report('kill', rows);
  const wellSoon = rows.filter(({ of }) => of === 'postmaster').every((row) => Number(row['well again, ms']) <= 1000);
  if (!wellSoon) say('after a kill of the database it took more than a second until all was well');
  return lost === 0 && found === EVENTS && acknowledged.size === EVENTS && wellSoon;
}
