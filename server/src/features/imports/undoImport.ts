import { eq, inArray, sql } from 'drizzle-orm';
import { appointment, client, dog, importRun, instruction, programme, visit, weighing } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { Refusal } from '../../platform/http/problem';

/** Takes a whole import back, unless work hangs on it already: what happened to a dog is never thrown away. */
export async function undoImport(tx: Tenant, id: string): Promise<void> {
  const dogs = tx.select({ id: dog.id }).from(dog).where(eq(dog.importId, id));
  for (const table of [visit, appointment, instruction, programme]) {
    const [used] = await tx
      .select({ name: dog.name })
      .from(table)
      .innerJoin(dog, eq(dog.id, table.dogId))
      .where(eq(dog.importId, id))
      .limit(1);
    if (used)
      throw new Refusal(
        'conflict',
        `${used.name} has visits, bookings or instructions since. Archive what you do not want by hand; nothing was undone.`,
      );
  }
  const [joined] = await tx
    .select({ owner: client.name, name: dog.name })
    .from(dog)
    .innerJoin(client, eq(client.id, dog.clientId))
    .where(sql`${client.importId} = ${id} and ${dog.importId} is distinct from ${id}`)
    .limit(1);
  if (joined)
    throw new Refusal(
      'conflict',
      `${joined.owner} has ${joined.name} since, who is not of this import. Nothing was undone.`,
    );
  await tx.delete(weighing).where(inArray(weighing.dogId, dogs));
  await tx.delete(dog).where(eq(dog.importId, id));
  await tx.delete(client).where(eq(client.importId, id));
  await tx.update(importRun).set({ state: 'undone' }).where(eq(importRun.id, id));
}
