import { asc, sql, type Column, type SQL } from 'drizzle-orm';
import type { AskedFor } from './together';

/** So many rows come as one page. How long that holds everybody else up: decision 0036. */
export const PAGE_OF_LIST = 1000;

interface NamedRow {
  readonly id: string;
  readonly name: string;
}

/** Order of a list that comes page by page. */
export const byName = ({ name, id }: { readonly name: Column; readonly id: Column }): SQL[] => [asc(name), asc(id)];

/** The last row of the page before, as a statement asks for it; nulls: the first page. */
export interface LastRow {
  readonly lastId: AskedFor<string | null>;
  readonly lastName: AskedFor<string | null>;
}

/** Rows after it. */
export const afterLast = (
  { name, id }: { readonly name: Column; readonly id: Column },
  { lastId, lastName }: LastRow,
): SQL => sql`(${lastId}::uuid is null or (${name}, ${id}) > (${lastName}, ${lastId}::uuid))`;

/** What {@link nextAfter} told, taken apart. */
export const lastRow = (after: string | undefined) =>
  after === undefined ? { lastId: null, lastName: null } : { lastId: after.slice(0, 36), lastName: after.slice(37) };

/** What the next page is asked for with; null: that was all. */
export function nextAfter(rows: readonly NamedRow[]): string | null {
  const last = rows.length < PAGE_OF_LIST ? undefined : rows.at(-1);
  return last === undefined ? null : `${last.id} ${last.name}`;
}
