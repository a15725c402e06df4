import { sql } from 'drizzle-orm';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { connectionString } from '../platform/db/connect';
import { client, dog } from '../platform/db/schema';
import { inTenant } from '../platform/db/tenant';
import { addDog, config, databases, openSalon, type KeptDog, type Salon } from './salon';

let owner: pg.Client;
beforeAll(async () => {
  owner = new pg.Client({ connectionString: connectionString(config, 'owner') });
  await owner.connect();
});
afterAll(() => owner.end());

describe('the catalogue of the database', () => {
  const rows = async <T extends pg.QueryResultRow>(text: string) => (await owner.query<T>(text)).rows;

  test('every table of a business has forced row security with a policy, and lets no other table in', async () => {
    const tables = await rows<{ name: string; secured: boolean; forced: boolean; policies: string }>(
      `select c.relname as name, c.relrowsecurity as secured, c.relforcerowsecurity as forced,
              (select count(*) from pg_policy p where p.polrelid = c.oid) as policies
       from pg_class c join pg_namespace n on n.oid = c.relnamespace where n.nspname = 'dewpond' and c.relkind in ('r', 'p')`,
    );
    expect(tables.length).toBeGreaterThan(10);
    expect(tables.filter((table) => !table.secured || !table.forced || Number(table.policies) === 0)).toEqual([]);
    const elsewhere = await rows(
      `select 1 from information_schema.columns where column_name = 'business_id' and table_schema <> 'dewpond'`,
    );
    expect(elsewhere).toEqual([]);
  });

  test('business_id comes first in every primary key and foreign key, but for the business itself', async () => {
    const keys = await rows<{ table: string; kind: string; first: string }>(
      `select c.conrelid::regclass::text as table, c.contype as kind, a.attname as first
       from pg_constraint c join pg_namespace n on n.oid = c.connamespace
       join pg_attribute a on a.attrelid = c.conrelid and a.attnum = c.conkey[1]
       where n.nspname = 'dewpond' and c.contype in ('p', 'f')`,
    );
    expect(keys.length).toBeGreaterThan(25);
    expect(keys.filter((key) => key.first !== 'business_id')).toEqual([]);
  });

  // What a distributed PostgreSQL needs to keep a business on one machine (docs/scale.md).
  test('so it does in every unique index, every exclusion, and on the far side of every foreign key', async () => {
    const indexes = await rows<{ index: string; first: string }>(
      `select i.indexrelid::regclass::text as index, coalesce(a.attname, 'an expression') as first
       from pg_index i join pg_class c on c.oid = i.indrelid join pg_namespace n on n.oid = c.relnamespace
       left join pg_attribute a on a.attrelid = i.indrelid and a.attnum = i.indkey[0]
       where n.nspname = 'dewpond' and (i.indisunique or i.indisexclusion)`,
    );
    expect(indexes.length).toBeGreaterThan(60);
    expect(indexes.filter(({ first }) => first !== 'business_id')).toEqual([]);
    const far = await rows<{ key: string; first: string; schema: string }>(
      `select c.conname as key, a.attname as first, f.relnamespace::regnamespace::text as schema
       from pg_constraint c join pg_namespace n on n.oid = c.connamespace
       join pg_class f on f.oid = c.confrelid
       join pg_attribute a on a.attrelid = c.confrelid and a.attnum = c.confkey[1]
       where n.nspname = 'dewpond' and c.contype = 'f'`,
    );
    expect(far.length).toBeGreaterThan(25);
    expect(far.filter(({ first, schema }) => first !== 'business_id' || schema !== 'dewpond')).toEqual([]);
  });

  test('the roles of the application neither own, nor bypass, nor create', async () => {
    const roles = await rows<{ name: string; power: boolean }>(
      `select rolname as name, rolsuper or rolbypassrls or rolcreaterole or rolcreatedb as power from pg_roles where rolname in ('dewpond_app', 'dewpond_auth', 'dewpond_jobs')`,
    );
    expect(roles).toHaveLength(3);
    expect(roles.filter((role) => role.power)).toEqual([]);
    const owned = await rows(
      `select 1 from pg_class c join pg_roles r on r.oid = c.relowner where r.rolname in ('dewpond_app', 'dewpond_auth')`,
    );
    expect(owned).toEqual([]);
  });

  test('the app role cannot read sign-ins, change events, or read jobs', async () => {
    const right = async (role: string, table: string, kind: string) =>
      (await rows<{ may: boolean }>(`select has_table_privilege('${role}', '${table}', '${kind}') as may`))[0]?.may;
    expect(await right('dewpond_app', 'dewpond.visit_event', 'update')).toBe(false);
    expect(await right('dewpond_app', 'dewpond.visit_event', 'delete')).toBe(false);
    expect(await right('dewpond_app', 'jobs.job', 'select')).toBe(false);
    const usage = await rows<{ may: boolean }>(
      `select has_schema_privilege('dewpond_app', 'auth', 'usage') or has_schema_privilege('dewpond_auth', 'dewpond', 'usage') or has_schema_privilege('dewpond_jobs', 'dewpond', 'usage') as may`,
    );
    expect(usage).toEqual([{ may: false }]);
  });
});

describe('two salons', () => {
  let a: Salon;
  let b: Salon;
  let dogOfB: KeptDog;
  beforeAll(async () => {
    [a, b] = [await openSalon(), await openSalon()];
    await addDog(a, { name: 'Wren' });
    dogOfB = await addDog(b, { name: 'Rook' });
  });

  test('a handler without any "where" still sees one business only', async () => {
    const seen = await inTenant(databases, a.businessId, (tx) =>
      tx.select({ name: dog.name, businessId: dog.businessId }).from(dog),
    );
    expect(seen.map((row) => row.name)).toEqual(['Wren']);
    const all = await owner.query('select count(*)::int as n from dewpond.dog');
    expect((all.rows as { n: number }[])[0]?.n).toBeGreaterThan(1);
  });

  test('an update or delete without "where" leaves the other business alone', async () => {
    await inTenant(databases, a.businessId, (tx) => tx.update(client).set({ name: 'changed by A' }));
    await inTenant(databases, a.businessId, (tx) => tx.execute(sql`delete from dewpond.instruction`));
    const theirs = await inTenant(databases, b.businessId, (tx) => tx.select({ name: client.name }).from(client));
    expect(theirs.map((row) => row.name)).toEqual(['Folake Adeyemi']);
  });

  test('a row cannot be written for another business, nor hang on one of its rows', async () => {
    const profile = (await inTenant(databases, b.businessId, (tx) => tx.select().from(dog)))[0]?.profile;
    if (!profile) throw new Error('no dog');
    const values = { id: v7(), clientId: dogOfB.clientId, name: 'Stray', profile, madeFrom: 'x' };
    const write = (businessId: Salon['businessId']) =>
      inTenant(databases, a.businessId, (tx) => tx.insert(dog).values({ ...values, businessId }));
    await expect(write(b.businessId)).rejects.toMatchObject({ cause: { code: '42501' } });
    await expect(write(a.businessId)).rejects.toMatchObject({ cause: { code: '23503' } });
  });

  test('outside a tenant transaction nothing is seen at all', async () => {
    expect((await databases.app.query('select id from dewpond.dog')).rows).toEqual([]);
  });

  test.each([
    ['GET /api/dogs/:id', undefined],
    ['GET /api/dogs/:id/mix', undefined],
    ['PUT /api/dogs/:id', { version: 1, profile: { name: 'Mine', weightKg: 5 } }],
    [
      'POST /api/dogs/:id/instructions',
      {
        id: v7(),
        by: 'vet',
        who: 'X',
        place: null,
        says: { kind: 'bar', task: 'bath' },
        from: '2026-01-01',
        until: null,
      },
    ],
  ] as const)('%s with an id of the other business is not found', async (key, body) => {
    const { status, body: answer } = await a.call(key, { id: dogOfB.dogId, ...(body ? { body } : {}) });
    expect(status).toBe(404);
    expect(answer.error.message).toBe('There is no such dog here.');
  });

  test('a booking or a visit for a dog of the other business is refused', async () => {
    const booking = {
      id: v7(),
      dogId: dogOfB.dogId,
      kind: 'full visit',
      startsAt: '2026-12-01T09:00:00Z',
      minutes: 60,
      memberId: a.memberId,
    };
    expect((await a.call('POST /api/appointments', { body: booking })).status).toBe(422);
    expect(
      (await a.call('POST /api/visits', { body: { id: v7(), dogId: dogOfB.dogId, appointmentId: null } })).status,
    ).toBe(422);
  });
});
