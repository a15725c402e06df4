import { spawnSync } from 'node:child_process';
import { chmodSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { ENDPOINTS, RIGHTS } from '@dewpond/contract';
import { sql } from 'drizzle-orm';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import {
  binariesFor,
  databaseUser,
  dataFolder,
  ensureDatabase,
  psql,
  startCluster,
} from '../../../scripts/cluster.mjs';
import { makeApp } from '../app';
import { makeBeginLink } from '../features/begin/beginLink';
import { makeAuth } from '../platform/auth/auth';
import { readConfig } from '../platform/config/config';
import { connect, type Databases } from '../platform/db/connect';
import { migrateDatabase } from '../platform/db/migrate';
import { business } from '../platform/db/schema';
import { inTenant, readInTenant, type BusinessId } from '../platform/db/tenant';
import { config, databases as alone, log, openSalon, services } from './salon';

test('what is said to read cannot write, with or without a standby', async () => {
  const { businessId } = await openSalon();
  const renamed = readInTenant(alone, businessId, (tx) => tx.update(business).set({ name: 'Written by a read' }));
  await expect(renamed).rejects.toMatchObject({ cause: { code: '25006' } });
});

/** Two nodes as PostgreSQL makes them by itself: one is written to, the other follows. */
const NAMES = ['.dewpond-primary', '.dewpond-follower'] as const;
const DATABASE = 'dewpond_standby';
/** Shorter than in use: the tests wait for it. */
const LEFT_ALONE_MS = 500;
type DatabaseNode = Awaited<ReturnType<typeof startCluster>>;
let primary: DatabaseNode;
let follower: DatabaseNode;
let databases: Databases;
let app: ReturnType<typeof makeApp>;
let cookie: string;
let businessId: BusinessId;

const clear = () => NAMES.forEach((name) => rmSync(dataFolder(name), { recursive: true, force: true, maxRetries: 5 }));
const ask = (node: DatabaseNode, statement: string, database = DATABASE) => {
  const { status, stdout, stderr } = psql(node, ['-d', database, '-Atc', statement], { encoding: 'utf8' });
  expect(status, String(stderr)).toBe(0);
  return String(stdout).trim();
};
/** The follower is a copy of the whole node, and bears its password. */
const startFollower = async (port?: number): Promise<DatabaseNode> => {
  const started = await startCluster(dataFolder(NAMES[1]), port === undefined ? {} : { port });
  return { ...started, env: { ...primary.env, DATABASE_PORT: String(started.port) } };
};
function copyPrimary(): void {
  const [from, to] = NAMES.map((name) => join(dataFolder(name), 'postgres')) as [string, string];
  const made = spawnSync(
    join(binariesFor(from), 'pg_basebackup'),
    ['-R', '-D', to, '-h', '127.0.0.1', '-p', String(primary.port), '-U', 'dewpond_owner', '--checkpoint=fast'],
    {
      ...databaseUser(),
      cwd: '/',
      encoding: 'utf8',
      env: { ...process.env, PGPASSWORD: primary.env['OWNER_PASSWORD'] },
    },
  );
  expect(made.status, made.stderr).toBe(0);
  // PostgreSQL starts in no folder that others may look into.
  chmodSync(to, 0o700);
}
const settings = (port: number) =>
  readConfig({
    ...{ AUTH_SECRET: config.AUTH_SECRET, PUBLIC_URL: config.PUBLIC_URL, LOG_LEVEL: 'silent' },
    ...{ ...primary.env, DATABASE_NAME: DATABASE, READ_HOST: '127.0.0.1', READ_PORT: String(port) },
  });
const reads = () => ({ ...databases.standby?.reads });
const rename = (name: string) => inTenant(databases, businessId, (tx) => tx.update(business).set({ name }));
const nameRead = (how?: { isStreamed: boolean }) =>
  readInTenant(
    databases,
    businessId,
    async (tx) => {
      const [row] = await tx.select({ name: business.name }).from(business);
      return row?.name;
    },
    how,
  );
/** Past the time in which a standby that was away is left alone. */
const untilAskedAgain = async () => {
  const before = reads().standby;
  await expect
    .poll(async () => (await nameRead(), reads().standby), { timeout: 20_000, interval: LEFT_ALONE_MS / 2 })
    .toBeGreaterThan(before ?? 0);
};

beforeAll(async () => {
  clear();
  primary = await startCluster(dataFolder(NAMES[0]));
  // A read that stands in the way of what the primary cleared away is ended at once.
  ask(primary, 'alter system set max_standby_streaming_delay = 0', 'postgres');
  ensureDatabase(primary, DATABASE);
  await migrateDatabase(settings(1));
  copyPrimary();
  follower = await startFollower();
  const there = settings(follower.port);
  const made = connect(there);
  databases = { ...made, standby: made.standby?.leftAloneFor(LEFT_ALONE_MS) ?? null };
  app = makeApp(there, { ...services, databases }, log, makeAuth(there, databases));
  const id = v7();
  businessId = id as BusinessId;
  const manager = { name: 'Noor', email: `${id}@example.test`, password: 'wet otters at dawn' };
  const begun = await request(app)
    .post('/api/begin')
    .send({
      ...{
        id,
        examples: true,
        manager,
        token: (await makeBeginLink(databases, there.PUBLIC_URL, Date.now())).split('#')[1],
      },
      business: {
        ...{ name: 'Coracle', country: 'GB', zone: 'Europe/London', units: 'metric', currency: 'GBP' },
        ...{ language: 'en-GB', phone: '', liftAloneKg: 16, earHair: 'done' },
      },
    });
  expect(begun.status, JSON.stringify(begun.body)).toBe(201);
  const { email, password } = manager;
  const signedIn = await request(app).post('/api/auth/sign-in/email').send({ email, password });
  cookie = (signedIn.headers['set-cookie'] as unknown as string[]).map((each) => each.split(';')[0]).join('; ');
}, 120_000);
afterAll(async () => {
  await Promise.all(databases.pools.map((pool) => pool.end()));
  await follower.stop();
  await primary.stop();
  clear();
}, 120_000);

describe('reads from the standby', () => {
  test('what was written a moment ago is read there, every time', async () => {
    await untilAskedAgain();
    const before = reads().standby ?? 0;
    for (const name of Array.from({ length: 50 }, (_, i) => `Coracle ${i}`)) {
      await rename(name);
      expect(await nameRead()).toBe(name);
    }
    expect(reads().standby).toBeGreaterThan(before);
  });

  test('so do many at once: none reads less than was acknowledged when it began', async () => {
    let acknowledged = 0;
    const isOver = () => acknowledged === 40;
    await rename('0');
    const writes = async () => {
      while (!isOver()) {
        await rename(String(acknowledged + 1));
        acknowledged += 1;
      }
    };
    const read: { least: number; read: number }[] = [];
    const reader = async () => {
      while (!isOver()) {
        const least = acknowledged;
        read.push({ least, read: Number(await nameRead()) });
      }
    };
    await Promise.all([writes(), ...Array.from({ length: 6 }, reader)]);
    expect(read.filter((each) => !(each.read >= each.least))).toEqual([]);
    expect(new Set(read.map(({ least }) => least)).size).toBeGreaterThan(10);
  });

  test('every list of the contract answers there as at the primary', async () => {
    const lists = Object.keys(ENDPOINTS).filter((key) => /^GET [^:]+$/.test(key) && key in RIGHTS);
    expect(lists.length).toBeGreaterThan(20);
    let readThere = 0;
    for (const key of lists) {
      const [, path = ''] = key.split(' ');
      const get = () => request(app).get(path).set('Cookie', cookie);
      const { status } = await get();
      // Some want to be asked something.
      expect([200, 422], path).toContain(status);
      if (status === 422) continue;
      const before = reads().standby ?? 0;
      await expect.poll(async () => ((await get()).status, reads().standby), { interval: 100 }).toBeGreaterThan(before);
      readThere += 1;
    }
    expect(readThere).toBeGreaterThan(20);
  });

  test('one that lags behind is not asked: nobody reads what is old', async () => {
    ask(follower, 'select pg_wal_replay_pause()');
    const before = reads();
    await rename('Written while it lags');
    expect(await nameRead()).toBe('Written while it lags');
    expect(reads()).toEqual({ standby: before.standby, primary: (before.primary ?? 0) + 1 });
    const took = [];
    for (let i = 0; i < 3; i++) {
      const since = performance.now();
      await nameRead();
      took.push(performance.now() - since);
    }
    // It is left alone now: nobody waits for it again.
    expect(Math.min(...took)).toBeLessThan(50);
    ask(follower, 'select pg_wal_replay_resume()');
    await untilAskedAgain();
  });

  test('a read that the primary outran is done again, there; one that is on its way already is told', async () => {
    const outrun = (isStreamed: boolean) => {
      const asked: unknown[] = [];
      const result = readInTenant(
        databases,
        businessId,
        async (tx) => {
          const of = async () =>
            (await tx.execute<{ inet: string }>(sql`select inet_server_port() as inet from dewpond.business`)).rows[0]
              ?.inet;
          asked.push(await of());
          if (asked.length === 1) {
            await rename(`Outrun ${isStreamed}`);
            ask(primary, 'vacuum dewpond.business');
            await sleep(1000);
          }
          return of();
        },
        { asOfNow: true, isStreamed },
      );
      return { result, asked };
    };
    const once = outrun(false);
    expect(await once.result).toBe(primary.port);
    expect(once.asked).toEqual([follower.port, primary.port]);
    await untilAskedAgain();
    const streamed = outrun(true);
    await expect(streamed.result).rejects.toThrow();
    expect(streamed.asked).toEqual([follower.port]);
    await untilAskedAgain();
  });

  test('without it everything is read at the primary, and there again when it is back', async () => {
    await follower.stop();
    expect((await request(app).get('/api/today').set('Cookie', cookie)).status).toBe(200);
    follower = await startFollower(follower.port);
    await untilAskedAgain();
  });

  test('one that became a primary of its own is no standby any more', async () => {
    await rename('Known to both');
    await untilAskedAgain();
    expect(ask(follower, 'select pg_promote()')).toBe('t');
    // By its log alone it is ahead: nothing more is written where the others write.
    ask(follower, "update dewpond.business set name = 'Known to the other only'");
    const before = reads().standby;
    const until = performance.now() + 5 * LEFT_ALONE_MS;
    while (performance.now() < until) {
      expect(await nameRead()).toBe('Known to both');
      await sleep(LEFT_ALONE_MS / 5);
    }
    expect(reads().standby).toBe(before);
  }, 30_000);
});
