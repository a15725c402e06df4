import { enter, type Movement, type StockKind } from '@dewpond/core/stock';
import type { Day } from '@dewpond/core/units';
import { and, asc, desc, eq, inArray, sql } from 'drizzle-orm';
import { rollup } from 'd3-array';
import { v7 } from 'uuid';
import { isHere } from '../../platform/db/branch';
import { stockEntry } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { Refusal } from '../../platform/http/problem';

export interface NewEntry {
  readonly id?: string;
  readonly productId: string;
  readonly kind: StockKind;
  readonly movement: Movement;
  /** What the line says, where that is more than why. */
  readonly says?: string;
  readonly day: Day;
  readonly by: string;
  readonly personId?: string;
  readonly lotId?: string | null;
  readonly visitId?: string | null;
  readonly mixId?: string | null;
  readonly madeFrom?: string;
}

/** One writer a product at a time; several products are locked in the order of their ids, so that nobody waits in a ring. */
export async function lockProducts(tx: Tenant, productIds: readonly string[]): Promise<void> {
  for (const id of [...new Set(productIds)].toSorted())
    await tx.execute(
      sql`select pg_advisory_xact_lock(hashtextextended(current_setting('dewpond.business_id') || ${id}, 2))`,
    );
}

/** The newest balance of a product, or null while nothing was ever entered. */
async function lastOf(tx: Tenant, productId: string): Promise<{ number: number; after: number } | null> {
  const [last] = await tx
    .select({ number: stockEntry.number, after: stockEntry.afterMl })
    .from(stockEntry)
    .where(and(isHere(stockEntry.branchId), eq(stockEntry.productId, productId)))
    .orderBy(desc(stockEntry.number))
    .limit(1);
  return last ?? null;
}

/**
 * Adds a line to the ledger of the branch in force; throws {@link Refusal} with the core's words where it may not stand. The product must be
 * locked by {@link lockProducts} in this transaction.
 */
export async function addEntry(tx: Tenant, entry: NewEntry): Promise<{ id: string; ml: number; afterMl: number }> {
  const last = await lastOf(tx, entry.productId);
  const entered = enter(last?.after ?? 0, entry.movement);
  if (entered.kind === 'refused') throw new Refusal('bad input', entered.why, fieldsOf(entry.movement, entered.why));
  const id = entry.id ?? v7();
  await tx.insert(stockEntry).values({
    id,
    productId: entry.productId,
    kind: entry.kind,
    ml: entered.ml,
    afterMl: entered.after,
    reason: entry.says ?? entry.movement.reason,
    day: entry.day,
    by: entry.by,
    personId: entry.personId ?? null,
    lotId: entry.lotId ?? null,
    visitId: entry.visitId ?? null,
    mixId: entry.mixId ?? null,
    madeFrom: entry.madeFrom ?? '',
    number: (last?.number ?? 0) + 1,
  });
  return { id, ml: entered.ml, afterMl: entered.after };
}

/** What the refusal is about: without a reason it is the reason, else the amount. */
const fieldsOf = (movement: Movement, why: string) => ({
  fields: [{ path: /[Ss]ay why|says why/.test(why) && movement.reason === '' ? 'reason' : 'ml', message: why }],
});

/** What Dewpond itself takes out goes out even where the ledger knows of less: that is said, and asks for a count. */
export const OUT_UNSEEN = 'The ledger knew of less: count it.';

/** First day a product was delivered, brought or counted: before it there is no ledger to draw from. */
export async function openedOn(tx: Tenant, productIds: readonly string[]): Promise<Map<string, Day>> {
  if (productIds.length === 0) return new Map();
  const rows = await tx
    .select({ productId: stockEntry.productId, day: sql<string>`min(${stockEntry.day})::text` })
    .from(stockEntry)
    .where(
      and(
        isHere(stockEntry.branchId),
        inArray(stockEntry.productId, [...productIds]),
        inArray(stockEntry.kind, ['delivery', 'count', 'moved']),
      ),
    )
    .groupBy(stockEntry.productId);
  return new Map(rows.map(({ productId, day }) => [productId, day as Day]));
}

/** Of how many products something is there, by branch. */
export async function productsByBranch(tx: Tenant): Promise<Map<string, number>> {
  const rows = await tx
    .selectDistinctOn([stockEntry.branchId, stockEntry.productId], {
      branchId: stockEntry.branchId,
      after: stockEntry.afterMl,
    })
    .from(stockEntry)
    .orderBy(asc(stockEntry.branchId), asc(stockEntry.productId), desc(stockEntry.number));
  return rollup(
    rows.filter(({ after }) => after > 0),
    (list) => list.length,
    ({ branchId }) => branchId,
  );
}

/** Stock of every product with a ledger at the branch in force, ml. */
export async function stockByProduct(tx: Tenant): Promise<Map<string, number>> {
  const rows = await tx
    .selectDistinctOn([stockEntry.productId], { productId: stockEntry.productId, after: stockEntry.afterMl })
    .from(stockEntry)
    .where(isHere(stockEntry.branchId))
    .orderBy(asc(stockEntry.productId), desc(stockEntry.number));
  return new Map(rows.map(({ productId, after }) => [productId, after]));
}
