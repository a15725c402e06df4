import { sql, type SQL } from 'drizzle-orm';
import type { Tenant } from '../../platform/db/tenant';

/** A table as the database knows it, for whoever copies rows without knowing what they say. */
export interface TableOfHouse {
  readonly name: string;
  /** What tells its rows apart within a business. */
  readonly keys: readonly string[];
  /** All columns but those of bytes. */
  readonly columns: readonly string[];
  /** The column of a picture or paper; null: it has none. */
  readonly bytes: string | null;
  /** Tables whose rows its rows name. */
  readonly after: readonly string[];
}

/** Tables that do not leave this installation, and why. */
export const STAYS_BEHIND: Readonly<Record<string, string>> = {
  member_pin: 'six digits can be guessed from their hash: everybody chooses new ones',
  tablet_ticket: 'it opens with the PIN that stays behind',
  dog_due: 'it is made anew from the rest',
};

/** All tables of a business, each after those that its rows name. Throws where tables name each other in a circle. */
export async function tablesOfHouse(tx: Tenant): Promise<readonly TableOfHouse[]> {
  const { rows } = await tx.execute<{
    name: string;
    keys: string[];
    columns: string[];
    bytes: string[] | null;
    after: string[] | null;
  }>(sql`
    select c.relname as name,
      (select array_agg(a.attname::text order by array_position(i.indkey::int2[], a.attnum))
       from pg_index i join pg_attribute a on a.attrelid = c.oid and a.attnum = any (i.indkey)
       where i.indrelid = c.oid and i.indisprimary and a.attname <> 'business_id') as keys,
      (select array_agg(a.attname::text order by a.attnum) from pg_attribute a
       where a.attrelid = c.oid and a.attnum > 0 and not a.attisdropped and a.atttypid <> 'bytea'::regtype) as columns,
      (select array_agg(a.attname::text) from pg_attribute a
       where a.attrelid = c.oid and a.attnum > 0 and not a.attisdropped and a.atttypid = 'bytea'::regtype) as bytes,
      (select array_agg(distinct f.relname::text) from pg_constraint k join pg_class f on f.oid = k.confrelid
       where k.conrelid = c.oid and k.contype = 'f' and k.confrelid <> c.oid) as after
    from pg_class c where c.relnamespace = 'dewpond'::regnamespace and c.relkind = 'r' order by c.relname`);
  const tables = rows
    .filter(({ name }) => !Object.hasOwn(STAYS_BEHIND, name))
    .map(({ name, keys, columns, bytes, after }): TableOfHouse => {
      if (bytes && bytes.length > 1) throw new Error(`${name} has two columns of bytes.`);
      return { name, keys: keys ?? [], columns, bytes: bytes?.[0] ?? null, after: after ?? [] };
    });
  return inOrder(tables);
}

function inOrder(tables: readonly TableOfHouse[]): TableOfHouse[] {
  const sorted: TableOfHouse[] = [];
  const placed = new Set(Object.keys(STAYS_BEHIND));
  for (let left = tables; left.length > 0;) {
    const next = left.filter(({ after }) => after.every((name) => placed.has(name)));
    if (next.length === 0) throw new Error(`Tables name each other: ${left.map(({ name }) => name).join(', ')}`);
    sorted.push(...next);
    for (const { name } of next) placed.add(name);
    left = left.filter((table) => !placed.has(table.name));
  }
  return sorted;
}

const named = (names: readonly string[]): SQL =>
  sql.join(
    names.map((name) => sql.identifier(name)),
    sql`, `,
  );
export const tableNamed = (name: string): SQL => sql`dewpond.${sql.identifier(name)}`;

/** Where the bytes of a row are within the file of a house, from what tells it apart. */
export const pathOfBytes = (table: Pick<TableOfHouse, 'name'>, key: string): string => `bytes/${table.name}/${key}`;
const keyOf = ({ keys }: TableOfHouse): SQL =>
  sql`concat_ws('_', ${sql.join(
    keys.map((key) => sql`${sql.identifier(key)}::text`),
    sql`, `,
  )})`;
/** The same, of a row that was read. */
export const keyOfRow = ({ keys }: TableOfHouse, row: Readonly<Record<string, unknown>>): string =>
  keys.map((key) => String(row[key])).join('_');

const ROWS_AT_ONCE = 500;
const PICTURES_AT_ONCE = 10;

/** Rows as JSON, one a line, in the order of their keys. */
export async function* linesOf(tx: Tenant, table: TableOfHouse, only = sql`true`): AsyncGenerator<string> {
  const query = sql`select to_jsonb(r)::text from (
    select ${named(table.columns)} from ${tableNamed(table.name)} where ${only} order by ${named(table.keys.length > 0 ? table.keys : ['business_id'])}
  ) r`;
  for await (const rows of fetched<[string]>(tx, query, ROWS_AT_ONCE)) yield rows.map(([line]) => `${line}\n`).join('');
}

/** Pictures and papers of a table with their paths. */
export async function* bytesOf(
  tx: Tenant,
  table: TableOfHouse,
  only = sql`true`,
): AsyncGenerator<readonly [path: string, bytes: Buffer]> {
  if (table.bytes === null) return;
  const column = sql.identifier(table.bytes);
  const query = sql`select ${keyOf(table)}, ${column} from ${tableNamed(table.name)}
    where ${only} and ${column} is not null order by ${named(table.keys)}`;
  for await (const rows of fetched<[string, Buffer]>(tx, query, PICTURES_AT_ONCE))
    for (const [key, bytes] of rows) yield [pathOfBytes(table, key), bytes];
}

let cursors = 0;
async function* fetched<Row extends unknown[]>(tx: Tenant, query: SQL, atOnce: number): AsyncGenerator<Row[]> {
  const cursor = sql.identifier(`house_${(cursors += 1)}`);
  await tx.execute(sql`declare ${cursor} no scroll cursor for ${query}`);
  for (let got = atOnce; got === atOnce;) {
    const { rows } = await tx.execute(sql`fetch ${sql.raw(String(atOnce))} from ${cursor}`);
    got = rows.length;
    if (got > 0) yield rows.map((row) => Object.values(row) as Row);
  }
  await tx.execute(sql`close ${cursor}`);
}
