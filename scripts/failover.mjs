// The failover suite: events are sent to two processes behind a pooler while the pooler is killed and the node that is written
// to loses its power; what was acknowledged is on the other one, and is read at once, from the standby where there is one.

import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { dataFolder, ensureDatabase, freePort } from './cluster.mjs';
import { asked, healthy, report, sendVisits, signIn, written } from './sending.mjs';
import { runCommand, serverEnvironment, startServer } from './server.mjs';
import { say } from './say.mjs';
import { startTwoNodes } from './twoNodes.mjs';

const EVENTS = 2000;
const CLIENTS = 4;
const DATABASE = 'dewpond_failover';

/** Two processes, PgBouncer, HAProxy, two nodes: 2,000 events through what goes wrong. Whether all held. @returns {Promise<boolean>} */
export async function failoverSuite() {
  rmSync(dataFolder('.dewpond-failover'), { recursive: true, force: true });
  const folder = dataFolder('.dewpond-failover');
  const nodes = await startTwoNodes(folder);
  try {
    return await through(nodes, folder);
  } catch (error) {
    for (const each of ['server-0', 'server-1', 'pgbouncer', 'patroni-two'])
      say(`${each}: ${tail(join(folder, `${each}.log`))}`);
    throw error;
  } finally {
    await nodes.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** How often a process has read where, by its own figures. @param {number} port */
async function readsOf(port) {
  const headers = { authorization: 'Bearer of-the-suite' };
  const text = await (await fetch(`http://127.0.0.1:${port}/metrics`, { headers })).text();
  const of = (/** @type {string} */ from) =>
    Number(new RegExp(`dewpond_reads_total\\{from="${from}"\\} (\\d+)`).exec(text)?.[1] ?? 0);
  return { standby: of('standby'), primary: of('primary') };
}

/** The last words of a log. @param {string} file */
const tail = (file) => (existsSync(file) ? readFileSync(file, 'utf8').slice(-3000) : 'no log');

/** @param {Awaited<ReturnType<typeof startTwoNodes>>} nodes @param {string} folder */
async function through(nodes, folder) {
  const { cluster } = nodes;
  ensureDatabase(cluster, DATABASE, { anew: true });
  const ports = [await freePort(), await freePort()];
  const url = `http://127.0.0.1:${ports[0]}`;
  const direct = serverEnvironment(cluster, DATABASE, { PUBLIC_URL: url, LOG_LEVEL: 'warn' });
  runCommand('migrate', direct);
  runCommand('seed', direct);
  /** @type {NodeJS.ProcessEnv} */
  const pooled = {
    ...direct,
    ...{ DATABASE_PORT: String(nodes.pgbouncerPort), PREPARED_STATEMENTS: 'no' },
    ...{ LISTEN_HOST: '127.0.0.1', LISTEN_PORT: String(nodes.haproxyPort) },
    ...{ READ_HOST: '127.0.0.1', READ_PORT: String(nodes.haproxyReadPort), METRICS_TOKEN: 'of-the-suite' },
  };
  delete pooled['OWNER_PASSWORD'];
  const servers = [];
  for (const [i, port] of ports.entries())
    servers.push(await startServer({ ...pooled, PORT: String(port) }, join(folder, `server-${i}.log`)));

  /** @type {Set<string>} */
  const acknowledged = new Set();
  let readTooLittle = 0;
  let done = false;
  const call = asked(ports, url, await signIn(url));
  const dogs = /** @type {{ items: { id: string }[] }} */ (await call('GET', '/api/dogs')).items;

  /** @type {Record<string, string | number>[]} */
  const rows = [];
  /** @param {number} share @param {string} what @param {() => Promise<void> | void} does */
  const at = async (share, what, does) => {
    while (acknowledged.size < share * EVENTS && !done) await sleep(5);
    const then = [...acknowledged];
    const since = performance.now();
    await does();
    const wellAfter = await healthy(ports, since);
    const there = written(cluster, DATABASE);
    const lost = then.filter((id) => !there.has(id)).length;
    rows.push({ what, acknowledged: then.length, lost, 'well again, ms': wellAfter });
    say(`${what}: ${then.length} acknowledged, ${lost} lost, well again after ${wellAfter} ms`);
  };
  const breaking = async () => {
    await at(0.25, 'the pooler is killed', nodes.restartBouncer);
    await at(0.5, 'the node that is written to loses its power', async () => {
      nodes.kill('one');
      while (!(await nodes.isPrimary('two'))) await sleep(50);
    });
    await at(0.75, 'the lost node comes back and follows', () => nodes.switchOn('one'));
  };
  const [sent] = await Promise.all([
    Promise.all(
      Array.from({ length: CLIENTS }, (_, i) =>
        sendVisits(`tablet ${i + 1}`, {
          ...{ call, dogs, acknowledged, events: EVENTS / CLIENTS },
          looks: (missed) => (readTooLittle += missed),
        }),
      ),
    ).finally(() => (done = true)),
    breaking(),
  ]);
  const reads = await Promise.all(ports.map(readsOf));
  const from = (/** @type {'standby' | 'primary'} */ node) => reads.reduce((sum, each) => sum + each[node], 0);
  await Promise.all(servers.map((each) => each.stop()));
  const there = written(cluster, DATABASE);
  const all = sent.flat();
  const missing = all.filter((id) => !there.has(id)).length;
  rows.push({ what: 'at the end', acknowledged: acknowledged.size, lost: missing, 'well again, ms': 0 });
  report('failover', [
    ...rows,
    { what: 'read at the standby', reads: from('standby'), 'acknowledged and not in it': readTooLittle },
    { what: 'read at the primary meanwhile', reads: from('primary') },
  ]);
  return (
    acknowledged.size === EVENTS && rows.every(({ lost }) => lost === 0) && readTooLittle === 0 && from('standby') > 0
  );
}
