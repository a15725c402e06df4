import { spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import pg from 'pg';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { dataFolder, ensureDatabase, psql, startCluster } from '../../../scripts/cluster.mjs';
import { readConfig } from '../platform/config/config';
import { connect, connectionString } from '../platform/db/connect';
import { migrateDatabase } from '../platform/db/migrate';
import { addDog, config, openSalon, type Salon } from './salon';
import { heldToContract } from './held';
import { makeApp } from '../app';
import { auth, log, services } from './salon';
import { visitDog } from './tableSide';
import request from 'supertest';

/** A cluster of its own, as on another machine: other transaction numbers, object ids and passwords. */
const FOLDER = '.dewpond-restored';
let cluster: Awaited<ReturnType<typeof startCluster>>;
let copy: typeof config;

let salon: Salon;
let dogId: string;
beforeAll(async () => {
  salon = await openSalon();
  ({ dogId } = await addDog(salon));
  await visitDog(salon, dogId);
  await salon.call('GET /api/dogs');
  rmSync(dataFolder(FOLDER), { recursive: true, force: true });
  cluster = await startCluster(dataFolder(FOLDER));
  const { OWNER_PASSWORD, APP_PASSWORD, AUTH_PASSWORD, JOBS_PASSWORD } = readConfig({ ...process.env, ...cluster.env });
  const there = { OWNER_PASSWORD, APP_PASSWORD, AUTH_PASSWORD, JOBS_PASSWORD, DATABASE_PORT: cluster.port };
  copy = { ...config, ...there, DATABASE_NAME: 'dewpond_restored' };
  // The roles come with the application, as on any new machine.
  ensureDatabase(cluster, 'dewpond_empty');
  await migrateDatabase({ ...copy, DATABASE_NAME: 'dewpond_empty' });
  ensureDatabase(cluster, copy.DATABASE_NAME);
  const env = { ...process.env, PGPASSWORD: config.OWNER_PASSWORD };
  const reach = ['-h', config.DATABASE_HOST, '-p', String(config.DATABASE_PORT), '-U', 'dewpond_owner'];
  const dump = spawnSync('pg_dump', [...reach, config.DATABASE_NAME], { env, maxBuffer: 1 << 30 });
  const load = psql(cluster, ['-q', '-v', 'ON_ERROR_STOP=1', copy.DATABASE_NAME], { input: dump.stdout });
  if (load.status !== 0) throw new Error(String(load.stderr));
  await migrateDatabase(copy);
}, 120_000);
afterAll(async () => {
  await cluster.stop();
  rmSync(dataFolder(FOLDER), { recursive: true, force: true });
});

async function withOwner<T>(settings: typeof config, work: (owner: pg.Client) => Promise<T>): Promise<T> {
  const owner = new pg.Client({ connectionString: connectionString(settings, 'owner') });
  await owner.connect();
  try {
    return await work(owner);
  } finally {
    await owner.end();
  }
}

const tablesOf = async (owner: pg.Client): Promise<string[]> =>
  (
    await owner.query<{ name: string }>(
      `select format('%I.%I', table_schema, table_name) as name from information_schema.tables
       where table_schema in ('dewpond', 'auth') and table_type = 'BASE TABLE' order by 1`,
    )
  ).rows.map(({ name }) => name);
const contentOf = (owner: pg.Client, table: string) =>
  owner
    .query<{ hash: string | null }>(`select md5(string_agg(t::text, E'\\n' order by t::text)) as hash from ${table} t`)
    .then(({ rows }) => rows[0]?.hash ?? null);

test('a book that was dumped and restored has every row of every table', async () => {
  const before = await withOwner(config, async (owner) => {
    const tables = await tablesOf(owner);
    return Promise.all(tables.map(async (table) => [table, await contentOf(owner, table)] as const));
  });
  expect(before.length).toBeGreaterThan(40);
  await withOwner(copy, async (owner) => {
    for (const [table, hash] of before) expect([table, await contentOf(owner, table)]).toEqual([table, hash]);
  });
});

test('no column means something in its own cluster only', async () => {
  const kinds = await withOwner(config, (owner) =>
    owner.query(
      `select table_name, column_name, udt_name from information_schema.columns where table_schema in ('dewpond', 'auth')
       and udt_name in ('xid', 'xid8', 'oid', 'cid', 'tid', 'pg_lsn', 'pg_snapshot', 'regclass', 'regproc')`,
    ),
  );
  expect(kinds.rows).toEqual([]);
});

test('every screen of it says the same as before', async () => {
  const databases = connect(copy);
  const restored = heldToContract(makeApp(copy, { ...services, databases }, log, auth));
  // Whoever was signed in when the book was dumped is signed in there, too.
  const { cookie } = salon;
  for (const path of [
    '/api/dogs',
    `/api/dogs/${dogId}`,
    `/api/dogs/${dogId}/history`,
    '/api/stock',
    '/api/mixing',
    '/api/business',
    '/api/today',
  ]) {
    const [one, other] = await Promise.all([
      salon.call(`GET ${path}` as never).then(({ body }) => body as unknown),
      request(restored).get(path).set('Cookie', cookie),
    ]);
    expect([path, other.status, other.body]).toEqual([path, 200, one]);
  }
  const due = (await request(restored).get('/api/dogs').set('Cookie', cookie)).body as {
    items: { reckoned: boolean }[];
  };
  expect(due.items.every(({ reckoned }) => reckoned)).toBe(true);
  await Promise.all(databases.pools.map((pool) => pool.end()));
});
