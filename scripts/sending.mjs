// Tablets that send events to several processes while something is killed, and what came of it.

import { mkdirSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { v7 } from 'uuid';
import { psql } from './cluster.mjs';
import { ROOT } from './machine.mjs';

/** Events of one visit: more than any dog has. */
const OF_A_VISIT = 500;
const BATCH = 25;

/** Ids of all events that are in a database. @param {import('./cluster.mjs').Cluster} cluster @param {string} database */
export function written(cluster, database) {
  const sql = 'select id from dewpond.visit_event';
  const { stdout } = psql(cluster, ['-d', database, '-Atc', sql], { encoding: 'utf8', maxBuffer: 1 << 28 });
  return new Set(String(stdout).trim().split('\n'));
}

/** How long it took until both servers answer well, ms. @param {readonly number[]} ports @param {number} since */
export async function healthy(ports, since) {
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
 * One tablet: visits of notes, batch by batch; returns the ids it sent. `looks`: it reads the visit after each batch, and is
 * told those that were acknowledged and are not in what it reads.
 * @param {string} name
 * @param {{ call: ReturnType<typeof asked>, dogs: readonly { id: string }[], acknowledged: Set<string>, events: number, looks?: (missed: number) => void }} salon
 */
export async function sendVisits(name, { call, dogs, acknowledged, events, looks }) {
  /** @type {string[]} */
  const sent = [];
  for (let from = 0; from < events; from += OF_A_VISIT) {
    const visitId = v7();
    const dogId = dogs[sent.length % dogs.length]?.id;
    await call('POST', '/api/visits', { id: visitId, dogId, appointmentId: null });
    for (let at = 0; at < OF_A_VISIT; at += BATCH) {
      const notes = Array.from({ length: BATCH }, (_, i) => note(name, at + i + 1));
      sent.push(...notes.map(({ id }) => id));
      const answer = /** @type {{ taken: string[], known: string[], refused: unknown[] }} */ (
        await call('POST', `/api/visits/${visitId}/events`, { events: notes })
      );
      if (answer.refused.length > 0) throw new Error(`refused: ${JSON.stringify(answer.refused[0])}`);
      for (const id of [...answer.taken, ...answer.known]) acknowledged.add(id);
      if (!looks) continue;
      const read = /** @type {{ events: { id: string }[] }} */ (await call('GET', `/api/visits/${visitId}/events`));
      const there = new Set(read.events.map(({ id }) => id));
      looks(notes.filter(({ id }) => !there.has(id)).length);
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
export async function signIn(url) {
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
export function asked(ports, origin, cookie) {
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

/** Prints a table, and keeps it beside the results of the benches. @param {string} name @param {readonly Record<string, string | number>[]} rows */
export function report(name, rows) {
  console.table(rows);
  const machine = `${cpus().length} × ${cpus()[0]?.model.trim() ?? 'unknown'}, Node ${process.versions.node}`;
  const results = join(ROOT, 'benchmarks/results');
  mkdirSync(results, { recursive: true });
  writeFileSync(join(results, `${name}.json`), `${JSON.stringify({ name, machine, rows }, null, 2)}\n`);
}
