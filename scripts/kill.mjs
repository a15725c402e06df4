// The kill suite: events are sent to two processes while servers and the database are killed; what was acknowledged stays.

import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { v7 } from 'uuid';
import { dataFolder, ensureDatabase, freePort, psql, runningPostmaster, startCluster } from './cluster.mjs';
import { ROOT } from './machine.mjs';
import { runCommand, serverEnvironment, startServer } from './server.mjs';
import { say } from './say.mjs';

/** @typedef {'server' | 'postmaster'} Victim */

const EVENTS = 10_000;
const CLIENTS = 4;
/** Events of one visit: more than any dog has. */
const OF_A_VISIT = 500;
const BATCH = 25;
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
      const there = written(cluster);
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
      Array.from({ length: CLIENTS }, (_, i) => sendVisits(`tablet ${i + 1}`, { call, dogs, acknowledged })),
    ).finally(() => (done = true)),
    killer(),
  ]);
  const there = written(cluster);
  const all = sent.flat();
  // Seeded visits have events, too: only ours are counted.
  const found = all.filter((id) => there.has(id)).length;
  const lost = rows.reduce((sum, row) => sum + Number(row['lost']), 0);
  await Promise.all(servers.map((each) => each.stop()));
  await cluster.stop();
  rmSync(folder, { recursive: true, force: true });
  rows.push({ kill: 'end', of: 'all', acknowledged: acknowledged.size, lost: all.length - found, 'well again, ms': 0 });
  report(rows);
  const wellSoon = rows.filter(({ of }) => of === 'postmaster').every((row) => Number(row['well again, ms']) <= 1000);
  if (!wellSoon) say('after a kill of the database it took more than a second until all was well');
  return lost === 0 && found === EVENTS && acknowledged.size === EVENTS && wellSoon;
}

/** Ids of all events that are in the database. @param {import('./cluster.mjs').Cluster} cluster */
function written(cluster) {
  const sql = 'select id from dewpond.visit_event';
  const { stdout } = psql(cluster, ['-d', DATABASE, '-Atc', sql], { encoding: 'utf8', maxBuffer: 1 << 28 });
  return new Set(String(stdout).trim().split('\n'));
}

/** How long it took until both servers answer well, ms. @param {readonly number[]} ports @param {number} since */
async function healthy(ports, since) {
  for (;;) {
    const well = await Promise.all(
      ports.map((port) =>
        fetch(`http://127.0.0.1:${port}/api/health`, { signal: AbortSignal.timeout(2000) })
          .then(({ ok }) => ok)
          .catch(() => false),
      ),
    );
    if (well.every(Boolean)) return Math.round(performance.now() - since);
    await sleep(20);
  }
}

/**
 * One tablet: visits of notes, batch by batch; returns the ids it sent.
 * @param {string} name
 * @param {{ call: ReturnType<typeof asked>, dogs: readonly { id: string }[], acknowledged: Set<string> }} salon
 */
async function sendVisits(name, { call, dogs, acknowledged }) {
  /** @type {string[]} */
  const sent = [];
  for (let from = 0; from < EVENTS / CLIENTS; from += OF_A_VISIT) {
    const visitId = v7();
    const dogId = dogs[sent.length % dogs.length]?.id;
    await call('POST', '/api/visits', { id: visitId, dogId, appointmentId: null });
    for (let at = 0; at < OF_A_VISIT; at += BATCH) {
      const events = Array.from({ length: BATCH }, (_, i) => note(name, at + i + 1));
      sent.push(...events.map(({ id }) => id));
      const answer = /** @type {{ taken: string[], known: string[], refused: unknown[] }} */ (
        await call('POST', `/api/visits/${visitId}/events`, { events })
      );
      if (answer.refused.length > 0) throw new Error(`refused: ${JSON.stringify(answer.refused[0])}`);
      for (const id of [...answer.taken, ...answer.known]) acknowledged.add(id);
    }
  }
  return sent;
}

/** A note, as the device `name` writes it. @param {string} name @param {number} counter */
const note = (name, counter) => ({
  id: v7(),
  v: 3,
  counter,
  device: name,
  at: Date.now(),
  offset: 0,
  seen: {},
  what: { type: 'noted', text: 'a word' },
});

/** @param {string} url */
async function signIn(url) {
  const answer = await fetch(`${url}/api/auth/sign-in/email`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: url },
    body: JSON.stringify({ email: 'ines@withyquay.example', password: 'reeds-and-chalk' }),
  });
  return answer.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ');
}

/**
 * Asks one of the processes, now this and now that, until one answers. What came twice does nothing twice.
 * @param {readonly number[]} ports @param {string} origin @param {string} cookie
 */
function asked(ports, origin, cookie) {
  let turn = 0;
  /** @param {string} method @param {string} path @param {object} [body] @returns {Promise<unknown>} */
  return async (method, path, body) => {
    for (let tries = 0; tries < 3000; tries++) {
      const port = ports[(turn += 1) % ports.length];
      const answer = await fetch(`http://127.0.0.1:${port}${path}`, {
        method,
        headers: { cookie, origin, 'content-type': 'application/json' },
        ...(body ? { body: JSON.stringify(body) } : {}),
        signal: AbortSignal.timeout(15_000),
      }).catch(() => null);
      if (answer?.ok) {
        const said = await answer.json().catch(() => null);
        if (said !== null) return said;
      } else if (answer && answer.status !== 503)
        throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
      await sleep(20);
    }
    throw new Error(`${method} ${path}: nobody answered`);
  };
}

/** Prints the table, and keeps it beside the results of the benches. @param {readonly Record<string, string | number>[]} rows */
function report(rows) {
  console.table(rows);
  const machine = `${cpus().length} × ${cpus()[0]?.model.trim() ?? 'unknown'}, Node ${process.versions.node}`;
  const results = join(ROOT, 'benchmarks/results');
  mkdirSync(results, { recursive: true });
  writeFileSync(join(results, 'kill.json'), `${JSON.stringify({ name: 'kill', machine, rows }, null, 2)}\n`);
}
