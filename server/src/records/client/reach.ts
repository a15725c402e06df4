import { and, eq, inArray, isNull } from 'drizzle-orm';
import { appointment, client, dog, merge, visit } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';

/** What hangs on a client. */
export interface ClientReach {
  readonly row: typeof client.$inferSelect;
  /** Cards that were merged into this one: the same person, under another spelling. */
  readonly twins: readonly (typeof client.$inferSelect)[];
  readonly dogs: readonly (typeof dog.$inferSelect)[];
  readonly visits: readonly string[];
  readonly open: boolean;
  readonly booked: readonly string[];
}

export async function reachOfClient(tx: Tenant, clientId: string, now: number): Promise<ClientReach | null> {
  const [row] = await tx.select().from(client).where(eq(client.id, clientId));
  if (!row) return null;
  const twinIds = await mergedInto(tx, 'client', [clientId]);
  const twins = twinIds.length === 0 ? [] : await tx.select().from(client).where(inArray(client.id, twinIds));
  const dogs = await dogsOf(tx, [clientId, ...twinIds]);
  const ids = dogs.map(({ id }) => id);
  const visits = ids.length === 0 ? [] : await tx.select().from(visit).where(inArray(visit.dogId, ids));
  const bookings =
    ids.length === 0
      ? []
      : await tx
          .select()
          .from(appointment)
          .where(and(inArray(appointment.dogId, ids), eq(appointment.state, 'booked')));
  const ahead = bookings.filter(({ startsAt }) => startsAt.getTime() > now);
  return {
    row,
    twins,
    dogs,
    visits: visits.map(({ id }) => id),
    open: visits.some(({ closed }) => closed === null),
    booked: dogs.filter(({ id }) => ahead.some(({ dogId }) => dogId === id)).map(({ name }) => name),
  };
}

/** What was merged into these, and into that again. */
async function mergedInto(tx: Tenant, of: 'client' | 'dog', survivorIds: readonly string[]): Promise<string[]> {
  const rows = await tx
    .select({ survivor: merge.keptId, gone: merge.goneId })
    .from(merge)
    .where(and(eq(merge.of, of), isNull(merge.undoneAt)));
  const found = new Set(survivorIds);
  for (let before = -1; before !== found.size;) {
    before = found.size;
    for (const { survivor, gone } of rows) if (found.has(survivor)) found.add(gone);
  }
  return [...found].filter((id) => !survivorIds.includes(id));
}

/** Dogs of these clients, and those that turned out to be one of them. */
async function dogsOf(tx: Tenant, clientIds: readonly string[]): Promise<ClientReach['dogs']> {
  const own = await tx
    .select()
    .from(dog)
    .where(inArray(dog.clientId, [...clientIds]));
  const ids = own.map(({ id }) => id);
  const merged = await mergedInto(tx, 'dog', ids);
  return merged.length === 0 ? own : [...own, ...(await tx.select().from(dog).where(inArray(dog.id, merged)))];
}
