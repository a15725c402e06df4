import { EMPTY_CARD } from '@dewpond/core/clients';
import type { Day } from '@dewpond/core/units';
import { ERASED, upToDate, withoutWords } from '@dewpond/core/visit';
import { and, eq, inArray, isNull, or, sql } from 'drizzle-orm';
import {
  appointment,
  importRun,
  client,
  dog,
  findingSeen,
  homePhoto,
  homeTick,
  incidentSeen,
  instruction,
  letter,
  merge,
  message,
  ownerLink,
  photo,
  photoShown,
  referral,
  refusedEvent,
  sheetEdit,
  sheetPdf,
  visit,
  visitEvent,
} from '../db/schema';
import type { Tenant } from '../db/tenant';

/** What hangs on a client. */
interface Reach {
  readonly row: typeof client.$inferSelect;
  readonly dogs: readonly (typeof dog.$inferSelect)[];
  readonly visits: readonly string[];
  readonly open: boolean;
  readonly booked: readonly string[];
}

export async function reachOfErasing(tx: Tenant, clientId: string, now: number): Promise<Reach | null> {
  const [row] = await tx.select().from(client).where(eq(client.id, clientId));
  if (!row) return null;
  const dogs = await tx.select().from(dog).where(eq(dog.clientId, clientId));
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
    dogs,
    visits: visits.map(({ id }) => id),
    open: visits.some(({ closed }) => closed === null),
    booked: dogs.filter(({ id }) => ahead.some(({ dogId }) => dogId === id)).map(({ name }) => name),
  };
}

/** Takes out everything that names a client; what was seen, done, used and paid for stays without a name. For good. */
export async function eraseClient(tx: Tenant, { row, dogs, visits }: Reach, today: Day): Promise<void> {
  await tx.execute(sql`select set_config('dewpond.erasing', 'yes', true)`);
  const dogIds = dogs.map(({ id }) => id);
  await eraseCards(tx, row, dogs, today);
  await eraseTalk(tx, row.id, dogIds);
  if (visits.length > 0) await eraseVisits(tx, visits);
  await eraseSnapshots(tx, [row.id, ...dogIds], [row.importId, ...dogs.map(({ importId }) => importId)]);
  await tx.execute(sql`select set_config('dewpond.erasing', '', true)`);
}

async function eraseCards(tx: Tenant, row: Reach['row'], dogs: Reach['dogs'], today: Day): Promise<void> {
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
  for (const { id, profile } of dogs)
    await tx
      .update(dog)
      .set({
        name: 'Erased dog',
        profile: { ...profile, name: 'Erased dog', note: '', chip: '' },
        chip: null,
        archivedOn: today,
        version: sql`${dog.version} + 1`,
      })
      .where(eq(dog.id, id));
}

/** What was said between owner and salon, and the doors that stand open to the owner. */
async function eraseTalk(tx: Tenant, clientId: string, dogIds: readonly string[]): Promise<void> {
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
  if (dogIds.length === 0) return;
  const dogs = [...dogIds];
  await tx
    .update(ownerLink)
    .set({ revokedAt: sql`coalesce(${ownerLink.revokedAt}, now())` })
    .where(inArray(ownerLink.dogId, dogs));
  await tx.update(homeTick).set({ note: '' }).where(inArray(homeTick.dogId, dogs));
  await tx.delete(homePhoto).where(inArray(homePhoto.dogId, dogs));
  await tx.update(appointment).set({ note: '' }).where(inArray(appointment.dogId, dogs));
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
    .set({ who: ERASED })
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

async function eraseVisits(tx: Tenant, visits: readonly string[]): Promise<void> {
  const ids = [...visits];
  for (const { id, personId, what, ...row } of await tx
    .select()
    .from(visitEvent)
    .where(inArray(visitEvent.visitId, ids))) {
    // Older events are brought up to date first: what was tapped names nobody, whatever shape it was kept in.
    const read = upToDate({ id, person: personId, what, ...row }).what;
    const bare = withoutWords(read);
    if (bare !== read) await tx.update(visitEvent).set({ what: bare }).where(eq(visitEvent.id, id));
  }
  await tx.delete(refusedEvent).where(inArray(refusedEvent.visitId, ids));
  await tx.update(incidentSeen).set({ done: ERASED, told: '', words: '' }).where(inArray(incidentSeen.visitId, ids));
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
  if (from.length > 0) await tx.update(importRun).set({ rows: [] }).where(inArray(importRun.id, from));
}

/** In words: what goes, what stays and why. */
export async function erasureWords(
  tx: Tenant,
  { row, dogs, visits }: Reach,
): Promise<{ erases: string[]; keeps: string[] }> {
  const count = async (table: typeof photo | typeof sheetPdf) =>
    visits.length === 0
      ? 0
      : (
          await tx
            .select({ id: table.visitId })
            .from(table)
            .where(inArray(table.visitId, [...visits]))
        ).length;
  const messages = (await tx.select({ id: message.id }).from(message).where(eq(message.clientId, row.id))).length;
  const pictures = await count(photo);
  const fromHome = await tx
    .select({ id: homePhoto.id })
    .from(homePhoto)
    .where(
      inArray(
        homePhoto.dogId,
        dogs.map(({ id }) => id),
      ),
    );
  const open = await tx
    .select({ id: ownerLink.id })
    .from(ownerLink)
    .where(
      and(
        inArray(
          ownerLink.dogId,
          dogs.map(({ id }) => id),
        ),
        isNull(ownerLink.revokedAt),
      ),
    );
  const many = (n: number, one: string, more: string) => (n === 0 ? [] : [n === 1 ? `one ${one}` : `${n} ${more}`]);
  return {
    erases: [
      `The name ${row.name}, telephone numbers, e-mail addresses, address, note, and what was agreed to`,
      ...(dogs.length > 0 ? [`Names, chips and notes of ${dogs.map(({ name }) => name).join(', ')}`] : []),
      ...many(pictures, 'picture', 'pictures'),
      ...many(fromHome.length, 'picture from home', 'pictures from home'),
      ...many(messages, 'message: its address and text', 'messages: their addresses and texts'),
      ...many(open.length, 'private page is closed', 'private pages are closed'),
      'Every word said, noted or quoted at visits, letters of vets, sheets as they were sent',
    ],
    keeps: [
      ...many(
        visits.length,
        'visit without a name: day, what was seen and done',
        'visits without a name: days, what was seen and done',
      ),
      'Products, lots and amounts used: a lot must be traced, and costs belong to the books',
      'Bookings without a name: times and prices belong to the books',
      'Who in the salon saw, changed or sent what',
    ],
  };
}
