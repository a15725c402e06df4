import { newVisit, type HeldGroup } from '@dewpond/contract';
import { and, asc, eq, getTableColumns, inArray, isNull } from 'drizzle-orm';
import type { Router } from 'express';
import type { Asker } from '../../platform/asker';
import { dog, heldWork, member, visit } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { Refusal, notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { drawAnew, PICTURE } from '../../platform/images/drawAnew';
import { enqueue } from '../../platform/jobs/jobs';
import { SHEET_JOB } from '../../records/documents/sheetPdf';
import { beginVisit } from './beginVisit';
import { keepPicture, madeFromBytes } from './photos';
import { takeEvents } from './takeEvents';

type HeldRow = typeof heldWork.$inferSelect;
const { bytes: _, content: __, ...SEEN } = getTableColumns(heldWork);

/** What of a tablet waits, or was decided, one person's work at one visit at a time. */
async function groupsOf(tx: Tenant, tabletId: string): Promise<HeldGroup[]> {
  const rows = await tx
    .select({ its: SEEN, person: member.name, dog: dog.name })
    .from(heldWork)
    .innerJoin(member, eq(member.id, heldWork.memberId))
    .leftJoin(visit, eq(visit.id, heldWork.visitId))
    .leftJoin(dog, eq(dog.id, visit.dogId))
    .where(eq(heldWork.tabletId, tabletId))
    .orderBy(asc(heldWork.at), asc(heldWork.id));
  const groups = new Map<string, (typeof rows)[number][]>();
  for (const row of rows) {
    const key = `${row.its.visitId} ${row.its.memberId}`;
    groups.set(key, [...(groups.get(key) ?? []), row]);
  }
  return [...groups.values()].flatMap((group) => {
    const [first] = group;
    const last = group.at(-1);
    if (!first || !last) return [];
    const open = group.some(({ its }) => its.decidedAt === null);
    const isTaken = group.some(({ its }) => its.isTaken === true);
    return {
      ...{ visitId: first.its.visitId, memberId: first.its.memberId, person: first.person, dog: first.dog },
      ...{ from: first.its.at.toISOString(), to: last.its.at.toISOString() },
      entries: group.filter(({ its }) => its.kind === 'event').length,
      pictures: group.filter(({ its }) => its.kind === 'picture').length,
      state: open ? ('waiting' as const) : isTaken ? ('taken' as const) : ('not taken' as const),
      decidedBy: group.find(({ its }) => its.decidedBy !== null)?.its.decidedBy ?? null,
      refused: [...new Set(group.flatMap(({ its }) => its.refused ?? []))],
    };
  });
}

/** The person as whom their work is taken in: with their name, and what they may. */
async function asMember(tx: Tenant, asker: Asker, memberId: string): Promise<Asker> {
  const [its] = await tx.select().from(member).where(eq(member.id, memberId));
  if (!its) throw notFound('person');
  return { ...asker, personId: its.personId, personName: its.name, role: its.role, byPin: false };
}

/** What may be said to a refusal of one piece: the others are taken all the same. */
const wordsOf = (error: unknown): string => {
  if (error instanceof Refusal && error.kind !== 'busy') return error.message;
  throw error;
};

/** Takes one person's work at one visit in. Answers which pieces could not be taken, and why. */
async function takeIn(
  tx: Tenant,
  asker: Asker,
  { rows, now }: { readonly rows: readonly HeldRow[]; readonly now: number },
): Promise<ReadonlyMap<string, string>> {
  const refused = new Map<string, string>();
  const [first] = rows;
  if (!first) return refused;
  const who = await asMember(tx, asker, first.memberId);
  // Begun there by whoever of them: what another did at it is taken in first as well as second.
  const [begun] = await tx
    .select({ content: heldWork.content })
    .from(heldWork)
    .where(and(eq(heldWork.visitId, first.visitId), eq(heldWork.kind, 'visit')));
  let { visitId } = first;
  try {
    if (begun) await beginVisit(tx, who, newVisit.parse(begun.content), now);
  } catch (error) {
    const words = wordsOf(error);
    const before = error instanceof Refusal ? (error.more.current as { id?: string } | undefined)?.id : undefined;
    // Another device had begun the same booking: its visit is the one.
    if (before === undefined) return new Map(rows.map(({ id }) => [id, words]));
    visitId = before;
  }
  const events = rows.filter(({ kind }) => kind === 'event').map(({ content }) => content);
  try {
    const taken = await takeEvents(tx, who, visitId, events, now);
    for (const { id, words } of taken.refused) refused.set(id, words);
    if (taken.nowClosed) await enqueue(tx, SHEET_JOB, { businessId: asker.businessId, visitId });
  } catch (error) {
    const words = wordsOf(error);
    return new Map(rows.map(({ id }) => [id, words]));
  }
  for (const { id, bytes } of rows.filter(({ kind }) => kind === 'picture')) {
    if (bytes === null) continue;
    await drawAnew(bytes, PICTURE)
      .then((drawn) => keepPicture(tx, who, { id, visitId, madeFrom: madeFromBytes(visitId, bytes), drawn }))
      .catch((error: unknown) => refused.set(id, wordsOf(error)));
  }
  return refused;
}

interface HeldDecided {
  readonly ids: readonly string[];
  readonly take: boolean;
  /** By id, why it could not be taken. */
  readonly refused: ReadonlyMap<string, string>;
  readonly now: number;
}

/** Writes down what was decided: once for all of it, and once for each reason why some could not be taken. */
async function decided(tx: Tenant, asker: Asker, { ids, take, refused, now }: HeldDecided): Promise<void> {
  const by = { decidedAt: new Date(now), decidedBy: asker.personName, personId: asker.personId };
  await tx
    .update(heldWork)
    .set({ ...by, isTaken: take })
    .where(inArray(heldWork.id, [...ids]));
  for (const words of new Set(refused.values())) {
    const its = ids.filter((id) => refused.get(id) === words);
    await tx.update(heldWork).set({ isTaken: false, refused: words }).where(inArray(heldWork.id, its));
  }
}

/** A manager's word on what a lost tablet had recorded. */
export function heldRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/tablets/:id/held', async ({ tx, params }) => ({
    items: await groupsOf(tx, params.id),
  }));

  route(router, services, 'POST /api/tablets/:id/held', async ({ tx, asker, params, body, now }) => {
    const { visitId, memberId, take } = body;
    const rows = await tx
      .select()
      .from(heldWork)
      .where(
        and(
          eq(heldWork.tabletId, params.id),
          eq(heldWork.visitId, visitId),
          eq(heldWork.memberId, memberId),
          isNull(heldWork.decidedAt),
        ),
      )
      .orderBy(asc(heldWork.at), asc(heldWork.id))
      .for('update');
    const refused = take ? await takeIn(tx, asker, { rows, now }) : new Map<string, string>();
    await decided(tx, asker, { ids: rows.map(({ id }) => id), take, refused, now });
    return {};
  });
}
