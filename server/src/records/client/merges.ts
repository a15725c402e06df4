import type { ClientView } from '@dewpond/contract';
import { and, desc, eq, isNull, sql } from 'drizzle-orm';
import type { QueryBuilder } from 'drizzle-orm/pg-core';
import { merge } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { together, type AskedFor } from '../../platform/db/together';

type Mergeable = 'client' | 'dog';

/** Merges that still stand, newest first: each can be taken back. */
export const mergeQuery = (select: QueryBuilder, of: Mergeable, survivorId: AskedFor<string>) =>
  select
    .select()
    .from(merge)
    .where(and(eq(merge.of, of), sql`${merge.keptId} = ${survivorId}`, isNull(merge.undoneAt)))
    .orderBy(desc(merge.at));

export const asMerge = ({ id, moved, by, at }: typeof merge.$inferSelect): ClientView['merges'][number] => ({
  id,
  name: (moved.goneBefore as { name: string }).name,
  by,
  at: at.toISOString(),
});

const clientMerges = together((select, { survivorId }: { survivorId: AskedFor<string> }) => ({
  merges: mergeQuery(select, 'client', survivorId),
}));

export const mergesIntoClient = async (tx: Tenant, survivorId: string): Promise<ClientView['merges']> =>
  (await clientMerges(tx, { survivorId })).merges.map(asMerge);
