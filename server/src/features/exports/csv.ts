import { writeCsv, writeRows } from '@dewpond/core/importing';
import type { SQL } from 'drizzle-orm';
import type { QueryBuilder } from 'drizzle-orm/pg-core';
import type { Tenant } from '../../platform/db/tenant';
import { inPieces, type Query } from '../../platform/db/together';
import type { Business } from '../../records/business/business';

/** A file of the book, written piece by piece: a large one holds nobody up. */
export interface Exported {
  readonly type: string;
  /** `only`: of one client; what is of nobody in particular leaves it out of account. */
  readonly write: (tx: Tenant, business: Business, only?: SQL) => AsyncIterable<string>;
}

/** A table: its headings, its rows in their order, and the cells of a row. */
export const csv = <Q extends Query>(
  headings: readonly string[],
  select: (from: QueryBuilder, only: SQL | undefined) => Q,
  cells: (row: Q['_']['result'][number], business: Business) => readonly (string | number | null)[],
): Exported => ({
  type: 'text/csv; charset=utf-8',
  async *write(tx, business, only) {
    yield writeCsv(headings, []);
    for await (const rows of inPieces(tx, (from) => select(from, only)))
      yield writeRows(rows.map((row) => cells(row, business)));
  },
});
