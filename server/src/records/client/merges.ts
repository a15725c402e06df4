import type { ClientView } from '@dewpond/contract';
import { and, desc, eq, isNull } from 'drizzle-orm';
import { merge } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';

/** Merges that still stand, newest first: each can be taken back. */
export async function mergesInto(tx: Tenant, of: 'client' | 'dog', keptId: string): Promise<ClientView['merges']> {
  const rows = await tx
    .select()
    .from(merge)
    .where(and(eq(merge.of, of), eq(merge.keptId, keptId), isNull(merge.undoneAt)))
    .orderBy(desc(merge.at));
  return rows.map(({ id, moved, by, at }) => ({
    id,
    name: (moved.goneBefore as { name: string }).name,
    by,
    at: at.toISOString(),
  }));
}
