import { spawnSync } from 'node:child_process';
import { readFileSync, readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { gunzipSync } from 'node:zlib';
import pg from 'pg';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { makeApp } from '../app';
import { rebuildProjections } from '../commands/rebuildProjections';
import { makeAuth } from '../platform/auth/auth';
import { connect, connectionString, type Databases } from '../platform/db/connect';
import { changesOf, migrateDatabase } from '../platform/db/migrate';
import { heldToContract } from './held';
import { config, log, services } from './salon';

/*
 * The demo's database as each version left it that was shown to somebody, dumped by pg_dump: named by the last of its
 * migrations. A version that is released puts its own beside them: `npm run keep-shape`.
 */

const FOLDER = fileURLToPath(new URL('shapes', import.meta.url));
const SHAPES = readdirSync(FOLDER)
  .filter((file) => file.endsWith('.sql.gz'))
  .toSorted();
/** Before it a step covered other care than now: made anew, some lines were last done on another day. */
const STEPS_AS_NOW = '0037';
const DATABASE = `${config.DATABASE_NAME}_shape`;
const settings = { ...config, DATABASE_NAME: DATABASE };
/** What people told; of it nothing may be lost. */
const TOLD = [
  'client',
  'dog',
  'visit',
  'visit_event',
  'appointment',
  'stock_entry',
  'instruction',
  'message',
  'product',
];

async function asOwner<T>(database: string, work: (owner: pg.Client) => Promise<T>): Promise<T> {
  const at = connectionString({ ...config, DATABASE_NAME: database }, 'owner');
  const owner = new pg.Client({ connectionString: at });
  await owner.connect();
  return work(owner).finally(() => owner.end());
}

/** How many rows each table has that there is. */
const countsOf = (owner: pg.Client) =>
  TOLD.reduce<Promise<Record<string, number>>>(async (before, table) => {
    const counts = await before;
    const { rows: known } = await owner.query<{ is: boolean }>(
      `select to_regclass('dewpond.${table}') is not null as is`,
    );
    if (!known[0]?.is) return counts;
    const { rows } = await owner.query<{ n: number }>(`select count(*)::int as n from dewpond.${table}`);
    return { ...counts, [table]: rows[0]?.n ?? 0 };
  }, Promise.resolve({}));

test('there are shapes to try', () => {
  expect(SHAPES.length).toBeGreaterThan(4);
});

describe.each(SHAPES)('a database as %s', (file) => {
  let databases: Databases;
  let before: Record<string, number>;
  let changes: number;
  beforeAll(async () => {
    await asOwner('postgres', async (owner) => {
      await owner.query(`drop database if exists ${DATABASE} with (force)`);
      await owner.query(`create database ${DATABASE}`);
    });
    const reach = [
      '-h',
      config.DATABASE_HOST,
      '-p',
      String(config.DATABASE_PORT),
      '-U',
      'dewpond_owner',
      '-d',
      DATABASE,
    ];
    const { status, stderr } = spawnSync('psql', [...reach, '-q', '-v', 'ON_ERROR_STOP=1'], {
      env: { ...process.env, PGPASSWORD: config.OWNER_PASSWORD },
      input: gunzipSync(readFileSync(`${FOLDER}/${file}`)),
      maxBuffer: 1 << 28,
    });
    if (status !== 0) throw new Error(String(stderr));
    [before, changes] = await asOwner(DATABASE, async (owner) => [await countsOf(owner), await changesOf(owner)]);
    await migrateDatabase(settings);
    databases = connect(settings);
  }, 120_000);
  afterAll(async () => {
    await Promise.all(databases.pools.map((pool) => pool.end()));
    await asOwner('postgres', (owner) => owner.query(`drop database ${DATABASE} with (force)`));
  });

  test('is brought up to date, and nothing that people told is lost', async () => {
    const [after, now] = await asOwner(DATABASE, async (owner) => [await countsOf(owner), await changesOf(owner)]);
    expect(now).toBeGreaterThanOrEqual(changes);
    expect(before['visit_event']).toBeGreaterThan(100);
    for (const [table, count] of Object.entries(before)) expect([table, after[table]]).toEqual([table, count]);
  });

  test('is signed in to as before, and every dog, visit and list answers as the contract says', async () => {
    const app = heldToContract(
      makeApp(settings, { ...services, databases, now: Date.now }, log, makeAuth(settings, databases)),
    );
    const signedIn = await request(app)
      .post('/api/auth/sign-in/email')
      .set('Origin', config.PUBLIC_URL)
      .send({ email: 'ines@withyquay.example', password: 'reeds-and-chalk' });
    expect(signedIn.status).toBe(200);
    const cookie = (signedIn.headers['set-cookie'] as unknown as string[]).map((each) => each.split(';')[0]).join('; ');
    const get = async (path: string): Promise<Record<string, unknown>> => {
      const { status, body } = await request(app).get(path).set('Cookie', cookie);
      expect([path, status, status === 200 ? null : body]).toEqual([path, 200, null]);
      return body as Record<string, unknown>;
    };
    for (const path of [
      'today',
      'dogs',
      'clients',
      'ahead',
      'mixing',
      'stock',
      'watch',
      'business',
      'hours',
      'branches',
      'people',
      'referrals',
      'messages',
      'vets',
      'audit',
      'kept',
      'status',
    ])
      await get(`/api/${path}`);
    const dogs = (await get('/api/dogs'))['items'] as { readonly id: string }[];
    expect(dogs.length).toBeGreaterThan(5);
    const told = async () => {
      const all = [];
      for (const { id } of dogs) all.push(await get(`/api/dogs/${id}`), await get(`/api/dogs/${id}/history`));
      return all;
    };
    const first = await told();
    const { rows: visits } = await asOwner(DATABASE, (owner) =>
      owner.query<{ id: string }>(
        `select v.id from dewpond.visit v join dewpond.business b using (business_id) where b.name like 'Withy%'`,
      ),
    );
    for (const { id } of visits) await get(`/api/visits/${id}`);
    // Made anew from the events, everything says the same.
    if (file < STEPS_AS_NOW) return;
    await rebuildProjections(databases);
    expect(await told()).toEqual(first);
  }, 120_000);
});
