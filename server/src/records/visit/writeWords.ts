import { asShown } from '@dewpond/core/dog';
import { placeKey } from '@dewpond/core/places';
import { addDays, type Day } from '@dewpond/core/units';
import { and, eq, inArray, sql } from 'drizzle-orm';
import { dog, instruction, product } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { LoadedVisit } from './load';

/** What of a visit has been written into the book: the ids of bottles and words, and of words that were ended. */
export const wordsOf = ({ state: { bottles, told, ended } }: Pick<LoadedVisit, 'state'>): string[] => [
  ...[...bottles, ...told].map(({ id }) => id),
  ...ended.map(endOf),
];
const endOf = (word: string): string => `end ${word}`;

/**
 * What was told at the table becomes what it is told at the desk: a bottle that was brought stands on the shelf, a word
 * of a vet or owner is an instruction from that day on, and one that was ended ends the day before. Each is written when
 * it is first told and never again: what somebody changes at the desk since stays as it is.
 */
export async function writeWords(tx: Tenant, loaded: LoadedVisit): Promise<void> {
  const { row, state } = loaded;
  await keepMarks(tx, loaded);
  const isNew = (key: string): boolean => !row.wordsWritten.includes(key);
  const bottles = state.bottles.filter(({ id }) => isNew(id));
  const told = state.told.filter(({ id }) => isNew(id));
  const ended = state.ended.filter((id) => isNew(endOf(id)));
  if (bottles.length > 0)
    await tx
      .insert(product)
      .values(
        bottles.map(({ ingredients, ...bottle }) => ({ ...bottle, ingredients: [...ingredients], madeFrom: row.id })),
      )
      .onConflictDoNothing();
  if (told.length > 0)
    await tx
      .insert(instruction)
      .values(
        told.map(({ id, by, who, place, says, until }) => ({
          id,
          dogId: row.dogId,
          by,
          who,
          place: place && placeKey(place),
          says,
          fromDay: row.day,
          untilDay: until,
          madeFrom: row.id,
        })),
      )
      .onConflictDoNothing();
  if (ended.length > 0)
    await tx
      .update(instruction)
      .set({ untilDay: addDays(row.day as Day, -1), version: sql`${instruction.version} + 1` })
      .where(and(inArray(instruction.id, ended), eq(instruction.dogId, row.dogId)));
}

/** What showed more than once is written on the dog, when it is first told; what somebody takes off the card stays off. */
async function keepMarks(tx: Tenant, { row, state, planned }: LoadedVisit): Promise<void> {
  const fresh = state.marksKept.filter((what) => !row.marksKept.includes(what));
  if (fresh.length === 0) return;
  const [known] = await tx.select({ profile: dog.profile }).from(dog).where(eq(dog.id, row.dogId));
  if (!known) return;
  const { canStandThroughBath: stands, handling: noted } = known.profile;
  const { canStandThroughBath, handling } = asShown(
    { ...planned.facts, canStandThroughBath: stands, handling: noted },
    fresh,
  );
  const asWritten = { ...handling, minds: [...handling.minds], likes: [...handling.likes], marks: [...handling.marks] };
  await tx
    .update(dog)
    .set({ profile: { ...known.profile, canStandThroughBath, handling: asWritten }, version: sql`${dog.version} + 1` })
    .where(eq(dog.id, row.dogId));
}
