import type { MergePreview, Moved } from '@dewpond/contract';
import { ALL_CONSENTS, CONSENTS, addressLine, mergeCards } from '@dewpond/core/clients';
import { eq, inArray, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { client, dog, merge, weighing } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Asker } from '../../platform/asker';
import type { Services } from '../../platform/http/context';
import { conflict, notFound, Refusal } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { contentHash } from '../../platform/http/sameContent';
import {
  DOG_TABLES,
  copyTicks,
  dogsOfClient,
  hangingOn,
  messagesOf,
  moveMessages,
  moveWeights,
  rehang,
} from './tables';

type ClientRow = typeof client.$inferSelect;
type DogRow = typeof dog.$inferSelect;

/** Two that are the same become one: shown first, done in one transaction, taken back whole. */
export function mergeRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/clients/:id/merge', async ({ tx, params, query }) =>
    previewClients(tx, await bothClients(tx, params.id, query.gone)),
  );
  route(router, services, 'GET /api/dogs/:id/merge', async ({ tx, params, query }) =>
    previewDogs(tx, await bothDogs(tx, params.id, query.gone)),
  );

  route(router, services, 'POST /api/clients/:id/merge', async ({ tx, asker, params, body, today }) => {
    const both = await bothClients(tx, params.id, body.goneId);
    if (await alreadyDone(tx, body.id, params.id, body.goneId)) return { id: body.id };
    assertMayMerge(await previewClients(tx, both));
    const dogs = (await dogsOfClient(tx, both.gone.id)).map(({ id }) => id);
    const messages = await messagesOf(tx, both.gone.id);
    await keep(tx, asker, body.id, 'client', both, { dog: dogs, message: messages });
    await moveMessages(tx, messages, both.survivor.id);
    if (dogs.length > 0) await tx.update(dog).set({ clientId: both.survivor.id }).where(inArray(dog.id, dogs));
    await tx
      .update(client)
      .set({
        card: mergeCards(both.survivor.card, both.gone.card),
        householdId: both.survivor.householdId ?? both.gone.householdId,
        version: sql`${client.version} + 1`,
      })
      .where(eq(client.id, both.survivor.id));
    await archive(tx, both.gone.id, today);
    return { id: body.id };
  });

  route(router, services, 'POST /api/dogs/:id/merge', async ({ tx, asker, params, body, today }) => {
    const both = await bothDogs(tx, params.id, body.goneId);
    if (await alreadyDone(tx, body.id, params.id, body.goneId)) return { id: body.id };
    assertMayMerge(await previewDogs(tx, both));
    const rows = await hangingOn(tx, both.gone.id);
    const days = await newDays(tx, both);
    await keep(tx, asker, body.id, 'dog', both, { ...rows, weighing: days });
    await rehang(tx, rows, both.survivor.id);
    await moveWeights(tx, both.gone.id, both.survivor.id, days);
    await copyTicks(tx, both.gone.id, both.survivor.id);
    await tx
      .update(dog)
      .set({ archivedOn: today, chip: null, version: sql`${dog.version} + 1` })
      .where(eq(dog.id, both.gone.id));
    const chip = both.survivor.chip ?? both.gone.chip;
    await tx
      .update(dog)
      .set({
        chip,
        profile: {
          ...both.survivor.profile,
          chip: chip ?? '',
          note: joined(both.survivor.profile.note, both.gone.profile.note),
        },
        vetId: both.survivor.vetId ?? both.gone.vetId,
        version: sql`${dog.version} + 1`,
      })
      .where(eq(dog.id, both.survivor.id));
    return { id: body.id };
  });

  route(router, services, 'POST /api/merges/:id/undo', async ({ tx, params, now }) => {
    const [row] = await tx.select().from(merge).where(eq(merge.id, params.id)).for('update');
    if (!row) throw notFound('merge');
    if (row.undoneAt === null) {
      await (row.of === 'client' ? undoClients : undoDogs)(tx, row.keptId, row.goneId, row.moved);
      await tx
        .update(merge)
        .set({ undoneAt: new Date(now) })
        .where(eq(merge.id, row.id));
    }
    return { id: row.id };
  });
}

interface Both<T> {
  readonly survivor: T;
  readonly gone: T;
}

async function bothClients(tx: Tenant, survivorId: string, goneId: string): Promise<Both<ClientRow>> {
  const rows = await tx
    .select()
    .from(client)
    .where(inArray(client.id, [survivorId, goneId]))
    .for('update');
  return pair(rows, survivorId, goneId, 'client');
}
async function bothDogs(tx: Tenant, survivorId: string, goneId: string): Promise<Both<DogRow>> {
  const rows = await tx
    .select()
    .from(dog)
    .where(inArray(dog.id, [survivorId, goneId]))
    .for('update');
  return pair(rows, survivorId, goneId, 'dog');
}
function pair<T extends { id: string }>(rows: readonly T[], survivorId: string, goneId: string, what: string): Both<T> {
  const survivor = rows.find((row) => row.id === survivorId);
  const gone = rows.find((row) => row.id === goneId);
  if (!survivor || !gone) throw notFound(what);
  return { survivor, gone };
}

function assertMayMerge({ refused }: MergePreview): void {
  if (refused) throw new Refusal('conflict', refused);
}

const SAME = 'That is one and the same already.';
const AWAY = 'That one is archived. Bring it back first.';

async function previewClients(tx: Tenant, { survivor, gone }: Both<ClientRow>): Promise<MergePreview> {
  const dogs = await dogsOfClient(tx, gone.id);
  const [before, after] = [survivor.card, mergeCards(survivor.card, gone.card)];
  const consents = ALL_CONSENTS.filter(
    (each) => JSON.stringify(before.consents[each]) !== JSON.stringify(after.consents[each]),
  );
  return {
    of: 'client',
    survivor: { id: survivor.id, name: survivor.name },
    gone: { id: gone.id, name: gone.name },
    moves:
      dogs.length > 0
        ? [`${dogs.length === 1 ? 'the dog' : `${dogs.length} dogs:`} ${dogs.map(({ name }) => name).join(', ')}`]
        : [],
    gains: [
      ...after.phones.slice(before.phones.length).map(({ number }) => number),
      ...after.emails.slice(before.emails.length),
      ...(addressLine(after.address) === addressLine(before.address) ? [] : [addressLine(after.address)]),
      ...consents.map((each) => `${CONSENTS[each]}: ${after.consents[each]?.yes ? 'yes' : 'no'}`),
      ...(after.note === before.note ? [] : ['its note']),
    ],
    refused: survivor.id === gone.id ? SAME : survivor.archivedOn || gone.archivedOn ? AWAY : null,
  };
}

async function previewDogs(tx: Tenant, both: Both<DogRow>): Promise<MergePreview> {
  const { survivor, gone } = both;
  const rows = await hangingOn(tx, gone.id);
  const weights = await newDays(tx, both);
  const names = Object.keys(DOG_TABLES) as (keyof typeof DOG_TABLES)[];
  const twoChips = survivor.chip !== null && gone.chip !== null && survivor.chip !== gone.chip;
  return {
    of: 'dog',
    survivor: { id: survivor.id, name: survivor.name },
    gone: { id: gone.id, name: gone.name },
    moves: [
      ...names.filter((name) => rows[name].length > 0).map((name) => DOG_TABLES[name](rows[name].length)),
      ...(weights.length > 0 ? [`${weights.length} ${weights.length === 1 ? 'weight' : 'weights'}`] : []),
    ],
    gains: [
      ...(survivor.chip === null && gone.chip !== null ? [`chip ${gone.chip}`] : []),
      ...(gone.profile.note === '' || gone.profile.note === survivor.profile.note ? [] : ['its note']),
    ],
    refused:
      survivor.id === gone.id
        ? SAME
        : survivor.archivedOn || gone.archivedOn
          ? AWAY
          : twoChips
            ? 'They have two different chips: two dogs.'
            : null,
  };
}

async function newDays(tx: Tenant, { survivor, gone }: Both<DogRow>): Promise<string[]> {
  const days = async (id: string) =>
    (await tx.select({ day: weighing.day }).from(weighing).where(eq(weighing.dogId, id))).map((row) => row.day);
  const known = new Set(await days(survivor.id));
  return (await days(gone.id)).filter((day) => !known.has(day));
}

async function alreadyDone(tx: Tenant, id: string, survivorId: string, goneId: string): Promise<boolean> {
  const [known] = await tx.select().from(merge).where(eq(merge.id, id));
  if (!known) return false;
  if (known.keptId !== survivorId || known.goneId !== goneId)
    throw conflict('That id was already used for something else. Nothing was changed.', known, {
      keptId: survivorId,
      goneId,
    });
  return true;
}

const keep = (
  tx: Tenant,
  asker: Asker,
  id: string,
  of: 'client' | 'dog',
  { survivor, gone }: Both<{ readonly id: string }>,
  rows: Moved['rows'],
) =>
  tx.insert(merge).values({
    id,
    of,
    keptId: survivor.id,
    goneId: gone.id,
    moved: { rows, keptBefore: survivor, goneBefore: gone },
    by: asker.personName,
    personId: asker.personId,
  });

const archive = (tx: Tenant, id: string, today: string) =>
  tx
    .update(client)
    .set({ archivedOn: today, householdId: null, version: sql`${client.version} + 1` })
    .where(eq(client.id, id));

const joined = (survivor: string, gone: string): string =>
  gone === '' || gone === survivor ? survivor : [survivor, gone].filter(Boolean).join('\n');

async function undoClients(tx: Tenant, survivorId: string, goneId: string, { rows, keptBefore, goneBefore }: Moved) {
  const [survivor, gone] = [keptBefore as ClientRow, goneBefore as ClientRow];
  const dogs = rows['dog'] ?? [];
  if (dogs.length > 0)
    await tx
      .update(dog)
      .set({ clientId: goneId })
      .where(inArray(dog.id, [...dogs]));
  await moveMessages(tx, rows['message'] ?? [], goneId);
  const [now] = await tx.select({ card: client.card }).from(client).where(eq(client.id, survivorId));
  // A card that was written on since keeps what was written.
  const untouched = contentHash(now?.card) === contentHash(mergeCards(survivor.card, gone.card));
  await tx
    .update(client)
    .set({
      ...(untouched ? { card: survivor.card } : {}),
      householdId: survivor.householdId,
      version: sql`${client.version} + 1`,
    })
    .where(eq(client.id, survivorId));
  await tx
    .update(client)
    .set({ archivedOn: null, householdId: gone.householdId, version: sql`${client.version} + 1` })
    .where(eq(client.id, goneId));
}

async function undoDogs(tx: Tenant, survivorId: string, goneId: string, { rows, keptBefore, goneBefore }: Moved) {
  const [survivor, gone] = [keptBefore as DogRow, goneBefore as DogRow];
  await rehang(tx, rows, goneId);
  // Copies of weights that came from the other dog.
  for (const on of rows['weighing'] ?? [])
    await tx.delete(weighing).where(sql`${weighing.dogId} = ${survivorId} and ${weighing.day} = ${on}`);
  for (const [id, row] of [
    [survivorId, survivor],
    [goneId, gone],
  ] as const)
    await tx.update(dog).set({ chip: null, archivedOn: row.archivedOn }).where(eq(dog.id, id));
  const [now] = await tx.select({ profile: dog.profile }).from(dog).where(eq(dog.id, survivorId));
  await tx
    .update(dog)
    .set({
      chip: survivor.chip,
      vetId: survivor.vetId,
      // What was changed since stays, but for what the merge itself brought.
      profile: { ...(now?.profile ?? survivor.profile), chip: survivor.profile.chip, note: survivor.profile.note },
      version: sql`${dog.version} + 1`,
    })
    .where(eq(dog.id, survivorId));
  await tx
    .update(dog)
    .set({ chip: gone.chip, version: sql`${dog.version} + 1` })
    .where(eq(dog.id, goneId));
}
