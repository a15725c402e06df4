import { EMPTY_CARD } from '@dewpond/core/clients';
import { withoutPlaces } from '@dewpond/core/route';
import type { Day } from '@dewpond/core/units';
import { ERASED, unreadOf, withoutWords, type Happening } from '@dewpond/core/events';
import { and, eq, inArray, isNotNull, or, sql } from 'drizzle-orm';
import {
  appointment,
  branch,
  importRun,
  client,
  dog,
  dogDue,
  findingSeen,
  homePhoto,
  homeTick,
  household,
  incidentSeen,
  instruction,
  letter,
  merge,
  message,
  mixTaken,
  ownerAnswer,
  ownerLink,
  photo,
  photoShown,
  referral,
  heldWork,
  refusedEvent,
  sheetEdit,
  sheetPdf,
  visit,
  visitEvent,
} from '../../platform/db/schema';
import { lastName } from '../../records/client/households';
import type { Tenant } from '../../platform/db/tenant';
import { readEvent } from '../../records/visit/load';
import type { ClientReach } from '../../records/client/reach';

/**
 * Takes out everything that names a client; what was seen, done, used and paid for stays without a name. For good. What
 * becomes of each column is decided in `wordsOfPeople.ts`.
 */
export async function eraseClient(tx: Tenant, { row, twins, dogs, visits }: ClientReach, today: Day): Promise<void> {
  await tx.execute(sql`select set_config('dewpond.erasing', 'yes', true)`);
  const cards = [row, ...twins];
  const dogIds = dogs.map(({ id }) => id);
  for (const each of cards) await eraseCard(tx, each, today);
  await renameHouseholds(tx, cards);
  await leaveTheRound(tx, cards);
  for (const each of dogs) await eraseDog(tx, each, today);
  for (const each of cards) await eraseTalk(tx, each.id);
  if (dogIds.length > 0) await eraseTalkOfDogs(tx, dogIds);
  if (dogIds.length > 0) await eraseHeld(tx, dogIds);
  if (visits.length > 0) await eraseVisits(tx, visits);
  await eraseSnapshots(
    tx,
    [...cards.map(({ id }) => id), ...dogIds],
    [...cards, ...dogs].map(({ importId }) => importId),
  );
  await tx.execute(sql`select set_config('dewpond.erasing', '', true)`);
}

async function eraseCard(tx: Tenant, row: ClientReach['row'], today: Day): Promise<void> {
  await tx
    .update(client)
    .set({
      name: 'Erased client',
      card: EMPTY_CARD,
      householdId: null,
      archivedOn: today,
      version: sql`${client.version} + 1`,
    })
    .where(eq(client.id, row.id));
}

/** A table of driving times has its stops by the names of clients. */
async function leaveTheRound(tx: Tenant, cards: readonly ClientReach['row'][]): Promise<void> {
  const names = cards.map(({ name }) => name);
  for (const { id, van } of await tx.select({ id: branch.id, van: branch.van }).from(branch))
    if (van?.table)
      await tx
        .update(branch)
        .set({ van: { ...van, table: withoutPlaces(van.table, names) } })
        .where(eq(branch.id, id));
}

/**
 * A household is called after one of those who belong to it; with nobody left it has no name. The one they were in, and
 * any they have left since that still bears their name.
 */
async function renameHouseholds(tx: Tenant, cards: readonly ClientReach['row'][]): Promise<void> {
  const theirs = cards.flatMap(({ householdId }) => householdId ?? []);
  const names = cards.map(({ name }) => lastName(name));
  for (const { id } of await tx
    .select({ id: household.id })
    .from(household)
    .where(or(inArray(household.id, theirs), inArray(household.name, names)))) {
    const [heir] = await tx.select({ name: client.name }).from(client).where(eq(client.householdId, id)).limit(1);
    await tx
      .update(household)
      .set({ name: heir ? lastName(heir.name) : '' })
      .where(eq(household.id, id));
  }
}

async function eraseDog(tx: Tenant, { id, profile }: ClientReach['dogs'][number], today: Day): Promise<void> {
  await tx
    .update(dog)
    .set({
      name: 'Erased dog',
      profile: {
        ...profile,
        name: 'Erased dog',
        note: '',
        chip: '',
        reactions: '',
        handling: { ...profile.handling, marks: [] },
      },
      chip: null,
      homeBath: null,
      archivedOn: today,
      version: sql`${dog.version} + 1`,
    })
    .where(eq(dog.id, id));
  // What was next due says on whose word.
  await tx.update(dogDue).set({ madeOn: null, next: null, takes: null }).where(eq(dogDue.dogId, id));
}

/** What was said between owner and salon, and the doors that stand open to the owner. */
async function eraseTalk(tx: Tenant, clientId: string): Promise<void> {
  await tx
    .update(message)
    .set({
      recipient: ERASED,
      subject: ERASED,
      words: ERASED,
      lastWord: '',
      state: sql`case when ${message.state} = 'waiting' then 'withdrawn' else ${message.state} end`,
    })
    .where(eq(message.clientId, clientId));
}

async function eraseTalkOfDogs(tx: Tenant, dogIds: readonly string[]): Promise<void> {
  const dogs = [...dogIds];
  await tx
    .update(ownerLink)
    .set({ revokedAt: sql`coalesce(${ownerLink.revokedAt}, now())` })
    .where(inArray(ownerLink.dogId, dogs));
  await tx.update(ownerAnswer).set({ note: '' }).where(inArray(ownerAnswer.dogId, dogs));
  await tx.update(homeTick).set({ note: '' }).where(inArray(homeTick.dogId, dogs));
  await tx.delete(homePhoto).where(inArray(homePhoto.dogId, dogs));
  await tx
    .update(appointment)
    .set({ note: '', agreed: sql`jsonb_set(${appointment.agreed}, '{name}', '""')` })
    .where(inArray(appointment.dogId, dogs));
  for (const each of await tx.select().from(referral).where(inArray(referral.dogId, dogs)))
    await tx
      .update(referral)
      .set({
        answer: each.answer && { ...each.answer, words: '' },
        vet: each.vet && { ...each.vet, who: ERASED, words: ERASED },
      })
      .where(eq(referral.id, each.id));
  const said = await tx
    .update(instruction)
    .set({
      who: ERASED,
      says: sql`case when ${instruction.says}->>'kind' = 'avoid'
        then jsonb_set(${instruction.says}, '{ingredient}', ${JSON.stringify(ERASED)}::jsonb) else ${instruction.says} end`,
    })
    .where(inArray(instruction.dogId, dogs))
    .returning({ id: instruction.id });
  if (said.length > 0)
    await tx.delete(letter).where(
      inArray(
        letter.instructionId,
        said.map(({ id }) => id),
      ),
    );
}

/** Work of a lost tablet at visits that were begun there and not taken in. */
async function eraseHeld(tx: Tenant, dogs: readonly string[]): Promise<void> {
  const begun = tx
    .select({ id: heldWork.visitId })
    .from(heldWork)
    .where(and(eq(heldWork.kind, 'visit'), inArray(sql`${heldWork.content}->>'dogId'`, [...dogs])));
  await tx.delete(heldWork).where(inArray(heldWork.visitId, begun));
}

/** Words, sheets and pictures of visits; within `dewpond.erasing`. */
export async function eraseVisits(tx: Tenant, visits: readonly string[]): Promise<void> {
  const ids = [...visits];
  for (const { id, personId, what, ...row } of await tx
    .select()
    .from(visitEvent)
    .where(inArray(visitEvent.visitId, ids))) {
    // Older events are brought up to date first: what was tapped names nobody, whatever shape it was kept in.
    const read = readEvent({ id, person: personId, what, ...row }).what;
    // Of what cannot be read nobody knows where its words are: its kind is all that stays.
    const newer = unreadOf(read);
    const bare = newer ? ({ type: newer.type } as unknown as Happening) : withoutWords(read);
    if (bare !== read) await tx.update(visitEvent).set({ what: bare }).where(eq(visitEvent.id, id));
  }
  await tx.update(visit).set({ ownerSaid: '', closingNote: '' }).where(inArray(visit.id, ids));
  await tx.delete(refusedEvent).where(inArray(refusedEvent.visitId, ids));
  await tx.delete(heldWork).where(inArray(heldWork.visitId, ids));
  await tx.update(incidentSeen).set({ done: ERASED, told: '', words: '' }).where(inArray(incidentSeen.visitId, ids));
  await tx
    .update(mixTaken)
    .set({ override: ERASED })
    .where(and(inArray(mixTaken.visitId, ids), isNotNull(mixTaken.override)));
  await tx
    .update(findingSeen)
    .set({ more: sql`${findingSeen.more} - 'words'` })
    .where(inArray(findingSeen.visitId, ids));
  for (const table of [photoShown, photo, sheetPdf, sheetEdit])
    await tx.delete(table).where(inArray(table.visitId, ids));
}

/** Copies kept for taking something back: a merge, an import. */
async function eraseSnapshots(tx: Tenant, ids: readonly string[], imports: readonly (string | null)[]): Promise<void> {
  await tx
    .update(merge)
    .set({
      moved: { rows: {}, keptBefore: null, goneBefore: { name: ERASED } },
      undoneAt: sql`coalesce(${merge.undoneAt}, now())`,
    })
    .where(or(inArray(merge.keptId, [...ids]), inArray(merge.goneId, [...ids])));
  const from = imports.filter((each) => each !== null);
  if (from.length > 0)
    await tx
      .update(importRun)
      .set({
        rows: [],
        fileName: ERASED,
        report: sql`case when ${importRun.report} is null then null else jsonb_set(${importRun.report}, '{words}', '""') end`,
      })
      .where(inArray(importRun.id, from));
}
