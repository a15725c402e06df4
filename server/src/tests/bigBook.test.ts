import { sql } from 'drizzle-orm';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { connectionString } from '../platform/db/connect';
import { inTenant } from '../platform/db/tenant';
import { addDog, config, databases, openSalon, type Salon } from './salon';

/** Twenty thousand dogs of one business, and as many again of everything that names one. */
const DOGS = 20_000;
const OF_THE_BOOK = [
  'client',
  'dog',
  'visit',
  'message',
  'made_mix',
  'refused_event',
  'appointment',
  'finding',
  'dog_due',
] as const;

let salon: Salon;
let dogId: string;
const owner = new pg.Client({ connectionString: connectionString(config, 'owner') });

/** A value of each column's kind that is not given: what is in them does not matter here, how many there are does. */
const ANY: Readonly<Record<string, string>> = {
  uuid: 'gen_random_uuid()',
  text: `'x' || n`,
  integer: 'n',
  smallint: 'n % 100',
  bigint: 'n',
  numeric: 'n',
  real: 'n',
  'double precision': 'n',
  boolean: 'false',
  date: `date '2026-01-01' + n % 300`,
  'timestamp with time zone': `timestamptz '2026-01-01' + n * interval '1 minute'`,
  jsonb: `'{}'::jsonb`,
  ARRAY: `'{}'`,
};

/** Rows of a table, one for each number: as given, else anything. */
async function fill(table: string, given: Readonly<Record<string, string>>): Promise<void> {
  const { rows } = await owner.query<{ name: string; kind: string; optional: boolean }>(
    `select column_name as name, data_type as kind, is_nullable = 'YES' as optional
     from information_schema.columns where table_schema = 'dewpond' and table_name = $1`,
    [table],
  );
  const columns = rows.filter(({ name, optional }) => name in given || !optional);
  const values = columns.map(({ name, kind }) => given[name] ?? ANY[kind] ?? 'null');
  await owner.query(
    `insert into dewpond.${table} (${columns.map(({ name }) => `"${name}"`).join()})
     select ${values.join()} from generate_series(1, ${DOGS}) n`,
  );
}

const numbered = (kind: string) => `md5('${kind}' || n)::uuid`;

beforeAll(async () => {
  salon = await openSalon();
  ({ dogId } = await addDog(salon));
  await owner.connect();
  // Keys to other tables are not looked up, and no trigger runs: only the amount matters.
  await owner.query('set session_replication_role = replica');
  const business_id = `'${salon.businessId}'::uuid`;
  await fill('client', { business_id, id: numbered('client') });
  await fill('dog', { business_id, id: numbered('dog'), client_id: numbered('client') });
  const of = { business_id, dog_id: numbered('dog'), visit_id: numbered('visit') };
  await fill('visit', {
    ...of,
    id: numbered('visit'),
    closed: `case when n % 50 > 0 then 'finished' end`,
    back_on: `case when n % 50 = 0 then date '2026-01-01' + n % 300 end`,
  });
  await fill('made_mix', { ...of, product_ml: '1', total_ml: '25' });
  await fill('appointment', { ...of, ends_at: `timestamptz '2026-01-01' + (n + 30) * interval '1 minute'` });
  for (const table of ['message', 'refused_event', 'finding']) await fill(table, of);
  await fill('dog_due', { ...of, made_on: `case when n % 100 > 0 then date '2026-03-02' end` });
  await owner.query('set session_replication_role = default');
  for (const table of OF_THE_BOOK) await owner.query(`analyze dewpond.${table}`);
}, 120_000);
afterAll(async () => {
  // All of this business's rows: what names a dog that is gone would keep the database from being restored.
  const { rows } = await owner.query<{ name: string }>(
    `select c.table_name as name from information_schema.columns c join information_schema.tables t
       using (table_schema, table_name)
     where c.table_schema = 'dewpond' and c.column_name = 'business_id' and t.table_type = 'BASE TABLE'`,
  );
  await owner.query('set session_replication_role = replica');
  for (const { name } of rows)
    await owner.query(`delete from dewpond.${name} where business_id = $1`, [salon.businessId]);
  await owner.end();
});

interface Node {
  readonly 'Node Type': string;
  readonly 'Index Name'?: string;
  readonly 'Relation Name'?: string;
  readonly Plans?: readonly Node[];
}
const nodesOf = (node: Node): readonly Node[] => [node, ...(node.Plans ?? []).flatMap(nodesOf)];

/** How the application's role, with its row security, would go about it. */
async function plan(select: string): Promise<readonly Node[]> {
  const { rows } = await inTenant(databases, salon.businessId, (tx) =>
    tx.execute<{ 'QUERY PLAN': readonly { readonly Plan: Node }[] }>(sql.raw(`explain (format json) ${select}`)),
  );
  return rows.flatMap((row) => row['QUERY PLAN'].flatMap(({ Plan }) => nodesOf(Plan)));
}

describe('in a book of 20,000 dogs an index finds', () => {
  test.each([
    [
      'visits to be finished today',
      'visit_away',
      `select id from dewpond.visit where closed is null and back_on = '2026-03-02'`,
    ],
    ['messages about one dog', 'message_by_dog', `select id from dewpond.message where dog_id = md5('dog7')::uuid`],
    ['mixes for one dog', 'made_mix_by_dog', `select id from dewpond.made_mix where dog_id = md5('dog7')::uuid`],
    [
      'refused events of one visit',
      'refused_event_by_visit',
      `select id from dewpond.refused_event where visit_id = md5('visit7')::uuid`,
    ],
    ['visits of one dog', 'visit_by_dog', `select id from dewpond.visit where dog_id = any(array[md5('dog7')::uuid])`],
    [
      'bookings of one dog',
      'appointment_by_dog',
      `select id from dewpond.appointment where dog_id = any(array[md5('dog7')::uuid])`,
    ],
    [
      'findings of one dog',
      'finding_by_dog',
      `select place from dewpond.finding where dog_id = any(array[md5('dog7')::uuid])`,
    ],
  ])('%s', async (_, index, select) => {
    const nodes = await plan(select);
    expect(nodes.map((node) => node['Index Name']).filter((name) => name !== undefined)).toEqual([index]);
    expect(nodes.filter((node) => node['Node Type'] === 'Seq Scan')).toEqual([]);
  });

  test('dogs of which what is due is stale', async () => {
    const nodes = await plan(
      `select d.id from dewpond.dog_due s join dewpond.dog d on d.id = s.dog_id
       where d.archived_on is null and (s.made_on is null or s.made_on <> '2026-03-02')
       order by s.made_on asc nulls first limit 40`,
    );
    expect(nodes.map((node) => node['Index Name'])).toContain('dog_due_by_day');
    expect(nodes.filter((node) => node['Node Type'] === 'Seq Scan')).toEqual([]);
  });

  test('one dog, by its page', async () => {
    expect((await salon.call('GET /api/dogs/:id', { id: dogId })).status).toBe(200);
  });
});
