import { asShown } from '@dewpond/core/dog';
import { addDays, type Day } from '@dewpond/core/units';
import { and, eq, inArray, sql } from 'drizzle-orm';
import { dog, instruction, product } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { LoadedVisit } from './load';

/**
 * What was told at the table becomes what it is told at the desk: a bottle that was brought stands on the shelf, a word
 * of a vet or owner is an instruction from that day on, and one that was ended ends the day before. Each is written once;
 * what somebody changed at the desk since stays as it is.
 */
export async function writeWords(tx: Tenant, loaded: LoadedVisit): Promise<void> {
  const { row, state } = loaded;
  await keepMarks(tx, loaded);
  const { bottles, told, ended } = state;
  if (bottles.length > 0)
    await tx
      .insert(product)
      .values(
        bottles.map(({ ingredients, ...bottle }) => ({ ...bottle, ingredients: [...ingredients], madeFrom: row.id })),
      )
      .onConflictDoNothing();
  if (told.length > 0) {
    const [known] = await tx.select({ id: dog.id }).from(dog).where(eq(dog.id, row.dogId));
    if (known)
      await tx
        .insert(instruction)
        .values(
          told.map(({ id, by, who, place, says, until }) => ({
            id,
            dogId: row.dogId,
            by,
            who,
            place: place && `${place.site}/${place.side}`,
            says,
            fromDay: row.day,
            untilDay: until,
            madeFrom: row.id,
          })),
        )
        .onConflictDoNothing();
  }
  if (ended.length > 0)
    await tx
      .update(instruction)
      .set({ untilDay: addDays(row.day as Day, -1) })
      .where(and(inArray(instruction.id, [...ended]), eq(instruction.dogId, row.dogId)));
}

/** What showed more than once is written on the dog, when it is first told; what somebody takes off the card stays off. */
async function keepMarks(tx: Tenant, { row, state, planned }: LoadedVisit): Promise<void> {
  const fresh = state.marksKept.filter((what) => !row.marksKept.includes(what));
  if (fresh.length === 0) return;
  const [known] = await tx.select({ profile: dog.profile }).from(dog).where(eq(dog.id, row.dogId));
  if (!known) return;
  const { canStandThroughBath, handling } = asShown(
    {
      ...planned.facts,
      canStandThroughBath: known.profile.canStandThroughBath,
      handling: known.profile.handling,
    },
    fresh,
  );
  const asWritten = { ...handling, minds: [...handling.minds], marks: [...handling.marks] };
  await tx
    .update(dog)
    .set({ profile: { ...known.profile, canStandThroughBath, handling: asWritten }, version: sql`${dog.version} + 1` })
    .where(eq(dog.id, row.dogId));
}
