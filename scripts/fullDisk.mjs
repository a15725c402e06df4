// A full disk: the database lies in a small room that is filled; what is sent is refused in words and loses nothing, a backup
// says why it was not made, and when there is room again all goes on.

import { spawnSync } from 'node:child_process';
import { rmSync, statfsSync, truncateSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { v7 } from 'uuid';
import { dataFolder, databaseUser, ensureDatabase, freePort, runningPostmaster, startCluster } from './cluster.mjs';
import { asked, sendVisits, signIn, written } from './sending.mjs';
import { say } from './say.mjs';
import { runCommand, serverEnvironment, startServer } from './server.mjs';

const DATABASE = 'dewpond_full';
const ROOM_MB = 320;

/** Whether all held; null where this machine lets nobody make a small room. @returns {Promise<boolean | null>} */
export async function fullDiskSuite() {
  const folder = dataFolder('.dewpond-full');
  const { uid = process.getuid?.(), gid = process.getgid?.() } = databaseUser();
  const room = join(folder, 'postgres');
  rmSync(room, { recursive: true, force: true });
  dataFolder('.dewpond-full');
  const mounted = spawnSync('mount', [
    '-t',
    'tmpfs',
    '-o',
    `size=${ROOM_MB}m,uid=${uid},gid=${gid},mode=0700`,
    'dewpond',
    room,
  ]);
  if (mounted.status !== 0) return null;
  try {
    return await fill(folder, room);
  } finally {
    const left = runningPostmaster(room);
    if (left) process.kill(left.pid, 'SIGQUIT');
    while (runningPostmaster(room)) await sleep(50);
    spawnSync('umount', ['-l', room]);
    rmSync(folder, { recursive: true, force: true });
  }
}

/** @param {string} folder @param {string} room */
async function fill(folder, room) {
  const databasePort = await freePort();
  let cluster = await startCluster(folder, { port: databasePort });
  ensureDatabase(cluster, DATABASE, { anew: true });
  const port = await freePort();
  const url = `http://127.0.0.1:${port}`;
  const env = serverEnvironment(cluster, DATABASE, { PUBLIC_URL: url, PORT: String(port), LOG_LEVEL: 'warn' });
  runCommand('migrate', env);
  runCommand('seed', env);
  const server = await startServer(env, join(folder, 'server.log'));
  const cookie = await signIn(url);
  const call = asked([port], url, cookie);
  const dogs = /** @type {{ items: { id: string }[] }} */ (await call('GET', '/api/dogs')).items;
  /** @type {Set<string>} */
  const acknowledged = new Set();
  await sendVisits('before', { call, dogs, acknowledged, events: 500 });

  const filler = join(room, 'filler');
  const free = statfsSync(room);
  writeFileSync(filler, Buffer.alloc(Math.max(0, free.bavail * free.bsize)));
  // More than what is left in files that are there already.
  const said = await untilRefused({ url, cookie, dogId: dogs[0]?.id ?? '', acknowledged });
  say(`the disk is full: ${said.status}, “${said.words}”`);

  truncateSync(filler, 0);
  rmSync(filler);
  // Where the journal itself had no room the database has stopped, and is started as `npm start` does it.
  cluster = await startCluster(folder, { port: databasePort });
  await sendVisits('after', { call, dogs, acknowledged, events: 500 });
  const there = written(cluster, DATABASE);
  const lost = [...acknowledged].filter((id) => !there.has(id)).length;
  say(`room again: ${acknowledged.size} acknowledged, ${lost} lost`);
  await server.stop();
  await cluster.stop();
  return said.status === 503 && /full|away/.test(said.words) && lost === 0;
}

/**
 * Sends until it is refused. @param {{ url: string, cookie: string, dogId: string, acknowledged: Set<string> }} how
 * @returns {Promise<{ status: number, words: string }>}
 */
async function untilRefused({ url, cookie, dogId, acknowledged }) {
  /** @param {string} path @param {object} body */
  const post = (path, body) =>
    fetch(url + path, {
      method: 'POST',
      headers: { cookie, origin: url, 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  for (let visits = 0; visits < 400; visits++) {
    const id = v7();
    const begun = await post('/api/visits', { id, dogId, appointmentId: null });
    if (!begun.ok) return refusal(begun);
    for (let batch = 0; batch < 5; batch++) {
      const events = Array.from({ length: 100 }, (_, i) => ({
        ...{ id: v7(), v: 3, counter: batch * 100 + i + 1, device: 'full', at: Date.now(), offset: 0, seen: {} },
        what: { type: 'noted', text: 'x'.repeat(900) },
      }));
      const sent = await post(`/api/visits/${id}/events`, { events });
      if (!sent.ok) return refusal(sent);
      for (const each of /** @type {{ taken: string[] }} */ (await sent.json()).taken) acknowledged.add(each);
    }
  }
  return { status: 0, words: 'It was never refused.' };
}

/** @param {Response} answer */
async function refusal(answer) {
  const { error } = /** @type {{ error: { message: string } }} */ (await answer.json());
  return { status: answer.status, words: error.message };
}
