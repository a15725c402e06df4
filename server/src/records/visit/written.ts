import { isDeepStrictEqual } from 'node:util';
import { and, eq, getTableColumns, inArray, isNotNull, or, sql, type Column, type SQL } from 'drizzle-orm';
import type { PgTable, QueryBuilder } from 'drizzle-orm/pg-core';
import {
  amountUsed,
  cleanDown,
  dog,
  findingSeen,
  handoverAnswer,
  incidentSeen,
  lot,
  lotTouched,
  mixTaken,
  photoShown,
  placeCare,
  referral,
  stageTook,
  stockEntry,
  taskDone,
  toolUsed,
  visit,
} from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { anyOf, ownColumns, together, type AskedFor, type RowsOf } from '../../platform/db/together';

/** What every row of a visit bears. */
export interface VisitKey {
  readonly visitId: string;
  readonly dogId: string;
  readonly day: string;
}

/** The tables that a visit is written into, each with the list of what stands in it, and the columns that name a row within the
 * visit. */
export const PROJECTIONS = {
  findings: { table: findingSeen, written: 'wroteFindings', keys: ['place', 'sign'] },
  care: { table: placeCare, written: 'wroteCare', keys: ['place'] },
  tasks: { table: taskDone, written: 'wroteTasks', keys: ['task'] },
  answers: { table: handoverAnswer, written: 'wroteAnswers', keys: ['question'] },
  took: { table: stageTook, written: 'wroteTook', keys: ['stage'] },
  tools: { table: toolUsed, written: 'wroteTools', keys: ['part'] },
  incidents: { table: incidentSeen, written: 'wroteIncidents', keys: ['eventId'] },
  cleanDowns: { table: cleanDown, written: 'wroteCleanDowns', keys: ['eventId'] },
  photos: { table: photoShown, written: 'wrotePhotos', keys: ['photoId'] },
  amounts: { table: amountUsed, written: 'wroteAmounts', keys: ['productId'] },
  mixes: { table: mixTaken, written: 'wroteMixes', keys: ['mixId'] },
  lots: { table: lotTouched, written: 'wroteLots', keys: ['lotId'] },
} as const;
export type Projected = keyof typeof PROJECTIONS;
type RowOf<K extends Projected> = Omit<(typeof PROJECTIONS)[K]['table']['$inferInsert'], 'businessId'>;
/** All that a visit comes to, as rows; a table that is not named stays as it is. */
export type Projection = { readonly [K in Projected]?: readonly RowOf<K>[] };

/** What stands written of a visit, and what its use is reckoned against, as selects. */
export const writtenQueries = (select: QueryBuilder, ids: AskedFor<readonly string[]>) => ({
  wroteFindings: select.select(ownColumns(findingSeen)).from(findingSeen).where(anyOf(findingSeen.visitId, ids)),
  wroteCare: select.select(ownColumns(placeCare)).from(placeCare).where(anyOf(placeCare.visitId, ids)),
  wroteTasks: select.select(ownColumns(taskDone)).from(taskDone).where(anyOf(taskDone.visitId, ids)),
  wroteAnswers: select
    .select(ownColumns(handoverAnswer))
    .from(handoverAnswer)
    .where(anyOf(handoverAnswer.visitId, ids)),
  wroteTook: select.select(ownColumns(stageTook)).from(stageTook).where(anyOf(stageTook.visitId, ids)),
  wroteTools: select.select(ownColumns(toolUsed)).from(toolUsed).where(anyOf(toolUsed.visitId, ids)),
  wroteIncidents: select.select(ownColumns(incidentSeen)).from(incidentSeen).where(anyOf(incidentSeen.visitId, ids)),
  wroteCleanDowns: select.select(ownColumns(cleanDown)).from(cleanDown).where(anyOf(cleanDown.visitId, ids)),
  wrotePhotos: select.select(ownColumns(photoShown)).from(photoShown).where(anyOf(photoShown.visitId, ids)),
  wroteAmounts: select.select(ownColumns(amountUsed)).from(amountUsed).where(anyOf(amountUsed.visitId, ids)),
  wroteMixes: select.select(ownColumns(mixTaken)).from(mixTaken).where(anyOf(mixTaken.visitId, ids)),
  wroteLots: select.select(ownColumns(lotTouched)).from(lotTouched).where(anyOf(lotTouched.visitId, ids)),
  drawn: select
    .select({ productId: stockEntry.productId, ml: stockEntry.ml, branchId: stockEntry.branchId })
    .from(stockEntry)
    .where(anyOf(stockEntry.visitId, ids)),
  openedLots: select
    .select({ id: lot.id, productId: lot.productId, openedOn: lot.openedOn, emptiedOn: lot.emptiedOn })
    .from(lot)
    .where(
      and(
        isNotNull(lot.openedOn),
        sql`${lot.branchId} in ${select.select({ id: dog.branchId }).from(visit).innerJoin(dog, eq(dog.id, visit.dogId)).where(anyOf(visit.id, ids))}`,
      ),
    ),
  dogsReferrals: select
    .select(ownColumns(referral))
    .from(referral)
    .where(sql`${referral.dogId} in ${select.select({ dogId: visit.dogId }).from(visit).where(anyOf(visit.id, ids))}`),
});
export type Written = RowsOf<ReturnType<typeof writtenQueries>>;

const writtenRows = together((select, { ids }: { ids: AskedFor<readonly string[]> }) => writtenQueries(select, ids));

export const loadWritten = (tx: Tenant, visitId: string): Promise<Written> => writtenRows(tx, { ids: [visitId] });

type ProjectedRow = Readonly<Record<string, unknown>>;

/** Writes what a visit comes to where it differs from what stands written: nothing for a table in which nothing does. */
export async function writeDifference(
  tx: Tenant,
  visitId: string,
  written: Written,
  wanted: Projection,
): Promise<void> {
  await Promise.all(
    (Object.keys(wanted) as Projected[]).map((name) =>
      writeTable(
        tx,
        visitId,
        name,
        written[PROJECTIONS[name].written] as readonly ProjectedRow[],
        (wanted[name] ?? []) as readonly ProjectedRow[],
      ),
    ),
  );
}

async function writeTable(
  tx: Tenant,
  visitId: string,
  name: Projected,
  written: readonly ProjectedRow[],
  wanted: readonly ProjectedRow[],
): Promise<void> {
  const { keys } = PROJECTIONS[name];
  const table = PROJECTIONS[name].table as unknown as PgTable;
  const columns = getTableColumns(table) as Readonly<Record<string, Column>>;
  const column = (each: string): Column => columns[each] as Column;
  const keyOf = (row: ProjectedRow): string => keys.map((key) => String(row[key])).join('\n');
  const before = new Map(written.map((row) => [keyOf(row), row]));
  const after = new Map(wanted.map((row) => [keyOf(row), row]));
  const gone = written.filter((row) => !after.has(keyOf(row)));
  const changed = wanted.filter((row) => !isSame(before.get(keyOf(row)), row));
  const named = (rows: readonly ProjectedRow[]): SQL | undefined => {
    const [key, ...more] = keys;
    if (more.length === 0)
      return inArray(
        column(key),
        rows.map((row) => row[key]),
      );
    return or(...rows.map((row) => and(...keys.map((each) => eq(column(each), row[each])))));
  };
  if (gone.length > 0) await tx.delete(table).where(and(eq(column('visitId'), visitId), named(gone)));
  if (changed.length === 0) return;
  const target = ['businessId', 'visitId', ...keys].map((each) => column(each) as never);
  const set = Object.fromEntries(
    Object.keys(changed[0] ?? {})
      .filter((each) => !target.includes(column(each) as never))
      .map((each) => [each, sql`excluded.${sql.identifier(column(each).name)}`]),
  );
  await tx.insert(table).values(changed).onConflictDoUpdate({ target, set });
}

/** Whether every value that is wanted stands written. */
const isSame = (before: ProjectedRow | undefined, row: ProjectedRow): boolean =>
  before !== undefined &&
  Object.entries(row).every(([name, value]) => isDeepStrictEqual(value ?? null, before[name] ?? null));
