// Two PostgreSQL nodes on loopback that Patroni and etcd keep, HAProxy that leads to the one written to, PgBouncer in front:
// the files of deploy/failover, filled in. For the failover suite; nothing of it outlives the suite.

import { spawn } from 'node:child_process';
import { chownSync, mkdirSync, openSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { binariesFor, databaseUser, freePort, psql, runningPostmaster, secretsOf } from './cluster.mjs';
import { ensurePackages } from './machine.mjs';
import { filledIn } from './filledIn.mjs';
import { Stopped } from './say.mjs';

/** @typedef {'one' | 'two'} NodeName */
/** @typedef {{ readonly port: number, readonly rest: number, readonly data: string }} NodePlace */

const HOST = '127.0.0.1';
/** So long anything may take to come up, s. */
const PATIENCE_S = 90;

/** Waits until something holds. @param {string} what @param {() => Promise<boolean> | boolean} holds */
async function until(what, holds) {
  for (let tries = 0; tries < PATIENCE_S * 5; tries++) {
    if (await holds()) return;
    await sleep(200);
  }
  throw new Stopped(`${what} did not come up within ${PATIENCE_S} s.`, 'Its own words are in the data folder.');
}

/** Brings all of it up in a folder of its own. @param {string} folder that the database's user can reach */
export async function startTwoNodes(folder) {
  ensurePackages(['etcd', 'patroni', 'haproxy', 'pgbouncer']);
  /** @type {Record<string, string>} */
  const secrets = { ...secretsOf(folder), REPLICA_PASSWORD: 'only-on-this-machine' };
  const at = join(folder, 'nodes');
  const account = databaseUser();
  mkdirSync(at, { recursive: true });
  if (account.uid !== undefined) chownSync(at, account.uid, account.gid);
  const [etcdPort, etcdPeer, haproxyPort, haproxyReadPort, pgbouncerPort] = await ports(5);
  const places = /** @type {Record<NodeName, NodePlace>} */ ({
    one: { port: await freePort(), rest: await freePort(), data: join(at, 'one') },
    two: { port: await freePort(), rest: await freePort(), data: join(at, 'two') },
  });
  /** @type {import('node:child_process').ChildProcess[]} */
  const children = [];
  /** @param {string} name @param {string} program @param {string[]} args @param {NodeJS.ProcessEnv} [env] */
  const run = (name, program, args, env = {}) => {
    const log = openSync(join(folder, `${name}.log`), 'a');
    const child = spawn(program, args, {
      ...account,
      cwd: '/',
      detached: true,
      stdio: ['ignore', log, log],
      env: { ...process.env, ...env },
    });
    children.push(child);
    return child;
  };
  /** @param {string} name @param {string} text */
  const write = (name, text) => {
    const file = join(at, name);
    writeFileSync(file, text, { mode: 0o600 });
    if (account.uid !== undefined) chownSync(file, account.uid, account.gid);
    return file;
  };

  run('etcd', '/usr/bin/etcd', [
    ...['--data-dir', join(at, 'etcd'), '--listen-client-urls', `http://${HOST}:${etcdPort}`],
    ...['--advertise-client-urls', `http://${HOST}:${etcdPort}`, '--listen-peer-urls', `http://${HOST}:${etcdPeer}`],
    ...['--initial-advertise-peer-urls', `http://${HOST}:${etcdPeer}`],
    ...['--initial-cluster', `default=http://${HOST}:${etcdPeer}`],
  ]);
  await until('etcd', () => answers(`http://${HOST}:${etcdPort}/health`));

  /** @param {NodeName} name */
  const patroni = (name) => {
    const { port, rest, data } = places[name];
    const words = { NODE: name, HOST, REST_PORT: rest, PORT: port, ETCD: `${HOST}:${etcdPort}`, DATA: data };
    const more = { ...secrets, BIN: binariesFor(data), NETWORK: `${HOST}/32` };
    return run(`patroni-${name}`, '/usr/bin/patroni', [
      write(`${name}.yml`, filledIn('failover/patroni.yml', { ...words, ...more })),
    ]);
  };
  const keepers = { one: patroni('one'), two: /** @type {import('node:child_process').ChildProcess | null} */ (null) };
  await until('the first node', () => answers(`http://${HOST}:${places.one.rest}/primary`));
  keepers.two = patroni('two');
  await until('the standby', () => answers(`http://${HOST}:${places.two.rest}/sync`));

  const where = {
    ...{ HOST, HAPROXY_PORT: haproxyPort, HAPROXY_READ_PORT: haproxyReadPort },
    PGBOUNCER_PORT: pgbouncerPort,
  };
  const nodes = Object.fromEntries(
    Object.entries(places).flatMap(([name, { port, rest }]) => [
      [name.toUpperCase(), `${HOST}:${port}`],
      [`${name.toUpperCase()}_REST`, rest],
    ]),
  );
  run('haproxy', '/usr/sbin/haproxy', [
    '-f',
    write('haproxy.cfg', filledIn('failover/haproxy.cfg', { ...where, ...nodes })),
  ]);
  /** To the node that is written to, as its owner. */
  const cluster = {
    folder,
    port: haproxyPort,
    env: { ...secrets, DATABASE_PORT: String(haproxyPort) },
    stop: async () => {},
  };
  // It takes both for well until it has asked them, and would lead to the standby half of the time.
  await until('HAProxy', async () => {
    await sleep(300);
    const asks = Array.from({ length: 6 }, () =>
      psql(cluster, ['-d', 'postgres', '-Atc', 'select pg_is_in_recovery()'], { encoding: 'utf8' }),
    );
    return asks.every(({ stdout }) => String(stdout).trim() === 'f');
  });
  const users = write(
    'users.txt',
    ['app', 'auth', 'jobs']
      .map((role) => `"dewpond_${role}" "${secrets[`${role.toUpperCase()}_PASSWORD`]}"\n`)
      .join(''),
  );
  const bouncerFile = write('pgbouncer.ini', filledIn('failover/pgbouncer.ini', { ...where, USERS: users }));
  const startBouncer = () => run('pgbouncer', '/usr/sbin/pgbouncer', [bouncerFile]);
  let bouncer = startBouncer();

  return {
    haproxyPort,
    haproxyReadPort,
    pgbouncerPort,
    cluster,
    /** Ends a node as a machine that loses its power: its keeper and its database at once. @param {NodeName} name */
    kill: (name) => {
      const postmaster = runningPostmaster(places[name].data);
      keepers[name]?.kill('SIGKILL');
      if (postmaster) process.kill(postmaster.pid, 'SIGKILL');
    },
    /** It is switched on again, and follows the other. @param {NodeName} name */
    switchOn: async (name) => {
      keepers[name] = patroni(name);
      await until(`node ${name}`, () => answers(`http://${HOST}:${places[name].rest}/sync`));
    },
    /** @param {NodeName} name */
    isPrimary: (name) => answers(`http://${HOST}:${places[name].rest}/primary`),
    /** Ends the pooler in the middle of whatever it carries, and starts it anew. */
    restartBouncer: async () => {
      const gone = new Promise((done) => bouncer.once('exit', done));
      bouncer.kill('SIGKILL');
      await gone;
      bouncer = startBouncer();
    },
    stop: async () => {
      // Keepers first: they would start their databases again.
      for (const child of children) child.kill('SIGKILL');
      for (const { data } of Object.values(places)) {
        const postmaster = runningPostmaster(data);
        if (postmaster) process.kill(postmaster.pid, 'SIGQUIT');
        while (runningPostmaster(data)) await sleep(50);
      }
    },
  };
}

/** @param {number} count */
async function ports(count) {
  const found = [];
  for (let i = 0; i < count; i++) found.push(await freePort());
  return /** @type {[number, number, number, number, number]} */ (found);
}

/** @param {string} url */
const answers = (url) =>
  fetch(url, { signal: AbortSignal.timeout(1000) }).then(
    ({ ok }) => ok,
    () => false,
  );
