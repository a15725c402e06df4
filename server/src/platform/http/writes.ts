import { and, eq, inArray, sql } from 'drizzle-orm';
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core';
import type { Tenant } from '../db/tenant';
import { conflict, notFound } from './problem';
import { assertSame } from './sameContent';

/** Rows that clients make: their id is the client's, what was first sent is known by its hash. */
type MadeOutside = PgTable & {
  readonly businessId: PgColumn;
  readonly id: PgColumn;
  readonly madeFrom: PgColumn;
};
/** Rows that people change who saw a version of them. */
type Versioned = PgTable & { readonly id: PgColumn; readonly version: PgColumn };

type RowToWrite<Table extends PgTable> = Table['$inferInsert'];
interface SentWrite {
  readonly id: string;
  /** Hash of what was sent, `contentHash`. */
  readonly madeFrom: string;
}

/**
 * Whether the same was sent before: then it is done, and nothing is done again. Another content under the same id is
 * refused. Asked first by routes whose checks would not pass a second time.
 */
export async function wasSentBefore(tx: Tenant, table: MadeOutside, { id, madeFrom }: SentWrite): Promise<boolean> {
  const [known] = await tx.select({ madeFrom: table.madeFrom }).from(table).where(eq(table.id, id));
  if (known === undefined) return false;
  assertSame(known.madeFrom as string, madeFrom);
  return true;
}

/**
 * The one way to write something new. Answers whether it is: the same sent again, or by two connections at the same
 * moment, is written once. Another content under the same id is refused.
 */
export async function insertOnce<Table extends MadeOutside>(
  tx: Tenant,
  table: Table,
  row: RowToWrite<Table> & SentWrite,
): Promise<boolean> {
  const written = await tx
    .insert(table)
    .values(row)
    .onConflictDoNothing({ target: [table.businessId, table.id] })
    .returning({ id: table.id });
  return written.length > 0 || !(await wasSentBefore(tx, table, row));
}

/** The same for several, in two statements: all of them are written, or one is refused and none is. */
export async function insertAllOnce<Table extends MadeOutside>(
  tx: Tenant,
  table: Table,
  rows: readonly (RowToWrite<Table> & SentWrite)[],
): Promise<void> {
  const written: MadeOutside = table;
  await tx
    .insert(table)
    .values([...rows])
    .onConflictDoNothing({ target: [table.businessId, table.id] });
  const ids = rows.map(({ id }) => id);
  const kept = await tx
    .select({ id: written.id, madeFrom: written.madeFrom })
    .from(written)
    .where(inArray(written.id, ids));
  const sent = new Map(rows.map(({ id, madeFrom }) => [id, madeFrom]));
  for (const { id, madeFrom } of kept) assertSame(madeFrom as string, sent.get(id as string) ?? '');
}

/** The change of a row as someone saw it; writes nothing where it has another version by now. */
export const asSeen = <Table extends Versioned>(
  tx: Tenant,
  table: Table,
  { id, version }: { readonly id: string; readonly version: number },
  set: Partial<RowToWrite<Table>>,
): PromiseLike<{ version: number }[]> =>
  tx
    .update(table)
    .set({ ...set, version: sql`${table.version} + 1` })
    .where(and(eq(table.id, id), eq(table.version, version)))
    .returning({ version: table.version }) as unknown as PromiseLike<{ version: number }[]>;

interface Guarded {
  /** "dog": what there is none of, and what someone else changed. */
  readonly what: string;
  /** How it stands now, as the one who asked may see it; undefined: it is gone. */
  readonly current: () => PromiseLike<unknown>;
  /** What was sent. */
  readonly yours: unknown;
}

/**
 * The one way to change a row that someone saw: `write` names the version that was seen and returns what it wrote, as
 * {@link asSeen} does. Nothing written is never success: the row is gone (404), or someone was faster (409, with both
 * versions).
 */
export async function updateGuarded(
  write: PromiseLike<readonly { readonly version: number }[]>,
  { what, current, yours }: Guarded,
): Promise<{ version: number }> {
  const [written] = await write;
  if (written) return { version: written.version };
  const now = await current();
  if (now === undefined || now === null) throw notFound(what);
  throw conflict(`Someone else changed this ${what} meanwhile.`, now, yours);
}
