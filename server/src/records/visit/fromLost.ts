import type { FromLost } from '@dewpond/contract';
import { and, eq } from 'drizzle-orm';
import { heldWork, member } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';

/** What of a visit came from a tablet that was reported lost, and who took it in; null: nothing. */
export async function fromLost(tx: Tenant, visitId: string): Promise<FromLost | null> {
  const rows = await tx
    .select({ person: member.name, by: heldWork.decidedBy, at: heldWork.decidedAt })
    .from(heldWork)
    .innerJoin(member, eq(member.id, heldWork.memberId))
    .where(and(eq(heldWork.visitId, visitId), eq(heldWork.isTaken, true), eq(heldWork.kind, 'event')));
  const [first] = rows;
  if (!first) return null;
  const people = [...new Set(rows.map(({ person }) => person))];
  return { entries: rows.length, people, takenBy: first.by ?? '', at: (first.at ?? new Date(0)).toISOString() };
}
