import {
  Column,
  SQL,
  Table,
  fillPlaceholders,
  getTableColumns,
  getTableName,
  is,
  sql,
  type Placeholder,
} from 'drizzle-orm';
import { PgDialect, PgJson, PgJsonb, QueryBuilder } from 'drizzle-orm/pg-core';
import type { Tenant } from './tenant';

/** A `select` that was built and not run. */
export interface Query {
  readonly _: { readonly result: readonly unknown[] };
  getSQL(): SQL;
}
/** The rows of each select. */
export type RowsOf<Q extends Readonly<Record<string, Query>>> = { readonly [K in keyof Q]: Q[K]['_']['result'] };
declare const asked: unique symbol;
/** A value that is given each time the statement is asked. */
export type AskedFor<T> = Placeholder & { readonly [asked]?: T };
/** What is given for a statement that asks for these. */
type AnswersOf<A> = { readonly [K in keyof A]: A[K] extends AskedFor<infer T> ? T : never };

/** Equal to one of a list that is given each time: the statement has one text, however long the list. */
export const anyOf = (column: Column, list: AskedFor<readonly string[]>): SQL => sql`${column} = any(${list})`;

/** The values of a list, column by column; a column of an empty list is null. */
type SelectedColumns = readonly (readonly unknown[] | null)[];
/** What is known of a query once it is built: how to make rows of the values in it. */
type ReadRows = (columns: SelectedColumns) => unknown[];

const dialect = new PgDialect();

/**
 * Several lists of rows in one statement and one round trip; built once, whoever asks how often. Each list comes as
 * JSON, column by column: that is how the database writes it fastest, and the engine reads it.
 * @param build makes the selects from placeholders for what is given each time.
 */
export function together<A extends object, Q extends Readonly<Record<string, Query>>>(
  build: (select: QueryBuilder, asked: A) => Q,
): (tx: Tenant, given: AnswersOf<A>) => Promise<RowsOf<Q>> {
  let made: ReturnType<typeof prepare> | undefined;
  return async (tx, given) => {
    made ??= prepare(build(new QueryBuilder(), placeholders as A));
    const { text, params, names, readers } = made;
    const { rows } = await tx.$client.query<unknown[]>({
      text,
      values: fillPlaceholders(params, given),
      rowMode: 'array',
    } as never);
    const lists = (rows[0] ?? []) as SelectedColumns[];
    return Object.fromEntries(
      names.map((name, i) => [name, readers[i]?.(lists[i] ?? []) ?? []]),
    ) as unknown as RowsOf<Q>;
  };
}

/**
 * The rows of a long select, so many at a time, all as they are when the first is read: whoever asks in between is
 * served in between.
 * @param build makes the select, all values in it.
 */
export async function* inPieces<Q extends Query>(
  tx: Tenant,
  build: (select: QueryBuilder) => Q,
  atOnce = 250,
): AsyncGenerator<Q['_']['result']> {
  const query = build(new QueryBuilder());
  const fields = fieldsOf(query);
  const read = readerOf(query, fields);
  const names = sql.raw(fields.map((_, i) => `c${i}`).join());
  const { sql: text, params } = dialect.sqlToQuery(
    sql`select json_build_array(${names}) from (${query.getSQL()}) q(${names})`,
  );
  const cursor = `piece_${(cursors += 1)}`;
  await tx.$client.query({ text: `declare ${cursor} no scroll cursor for ${text}`, values: params });
  for (let got = atOnce; got === atOnce;) {
    const { rows } = await tx.$client.query<[unknown[]]>({
      text: `fetch ${atOnce} from ${cursor}`,
      rowMode: 'array',
    } as never);
    got = rows.length;
    yield read(fields.map((_, at) => rows.map(([values]) => values[at])));
  }
  await tx.$client.query({ text: `close ${cursor}` });
}
/** A cursor lives as long as its transaction, and two of them may be open in one. */
let cursors = 0;

/** A placeholder for whatever is asked for by name. */
const placeholders: unknown = new Proxy({}, { get: (_, name) => sql.placeholder(String(name)) });

function prepare(queries: Readonly<Record<string, Query>>) {
  const readers: ReadRows[] = [];
  const lists = Object.values(queries).map((query) => {
    const fields = fieldsOf(query);
    readers.push(readerOf(query, fields));
    const names = fields.map((_, i) => `c${i}`);
    const columns = sql.raw(names.map((name) => `json_agg(${name})`).join());
    return sql`(select json_build_array(${columns}) from (${query.getSQL()}) q(${sql.raw(names.join())}))`;
  });
  const { sql: text, params } = dialect.sqlToQuery(sql`select ${sql.join(lists, sql`, `)}`);
  return { text, params, names: Object.keys(queries), readers };
}

/** One value of a row: where it goes in it, and how it is made of a value of JSON; null: it is one. */
interface SelectedField {
  readonly path: readonly string[];
  readonly column: Column | null;
  readonly decode: ((value: unknown) => unknown) | null;
}

/** The selected values in their order, as drizzle itself lists them. */
const fieldsOf = (query: Query): SelectedField[] =>
  fieldsIn((query as unknown as { readonly config: { readonly fields: object } }).config.fields, []);

function fieldsIn(fields: object, path: readonly string[]): SelectedField[] {
  return Object.entries(fields).flatMap(([name, field]: [string, unknown]): SelectedField[] => {
    const here = [...path, name];
    if (is(field, Column)) return [{ path: here, column: field, decode: decodesOf(field) }];
    if (is(field, Table)) return fieldsIn(getTableColumns(field), here);
    if (is(field, SQL) || is(field, SQL.Aliased)) return [{ path: here, column: null, decode: null }];
    return fieldsIn(field as object, here);
  });
}

function decodesOf(column: Column): SelectedField['decode'] {
  const isItself =
    is(column, PgJsonb) || is(column, PgJson) || column.mapFromDriverValue === Column.prototype.mapFromDriverValue;
  return isItself ? null : (value) => column.mapFromDriverValue(value);
}

/** Rows of one table, or of several side by side; what a left join did not find is null. */
function readerOf(query: Query, fields: readonly SelectedField[]): ReadRows {
  const { joinsNotNullableMap: always } = query as unknown as {
    readonly joinsNotNullableMap: Readonly<Record<string, boolean>>;
  };
  const parts = [...new Set(fields.filter(({ path }) => path.length > 1).map(({ path }) => path[0] ?? ''))];
  const mayMiss = (part: string) =>
    fields
      .filter(({ path }) => path.length > 1 && path[0] === part)
      .every(({ column }) => column !== null && always[getTableName(column.table)] === false);
  const optional = parts.filter(mayMiss);
  return (columns) => {
    const rows = Array.from({ length: columns[0]?.length ?? 0 }, () => {
      const row: Record<string, unknown> = {};
      for (const part of parts) row[part] = {};
      return row;
    });
    for (const [at, { path, decode }] of fields.entries()) {
      const values = columns[at] ?? [];
      const [first = '', second] = path;
      for (let i = 0; i < rows.length; i++) {
        const value = values[i];
        const decoded = value === null || decode === null ? value : decode(value);
        const row = rows[i] as Record<string, unknown>;
        if (second === undefined) row[first] = decoded;
        else (row[first] as Record<string, unknown>)[second] = decoded;
      }
    }
    for (const row of rows)
      for (const part of optional)
        if (Object.values(row[part] as object).every((value) => value === null)) row[part] = null;
    return rows;
  };
}

/** The columns of a table but for the business: whoever reads in its transaction knows whose they are. */
export function ownColumns<T extends Table>(table: T): Omit<T['_']['columns'], 'businessId'> {
  const { businessId: _, ...columns } = getTableColumns(table) as T['_']['columns'] & { businessId: unknown };
  return columns;
}
