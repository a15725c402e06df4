import { newerEvent, visitEvent as eventSchema, type NewVisitEvent, type RefusedEvent } from '@dewpond/contract';
import { mayTake } from '@dewpond/core/dilution';
import { blockers } from '@dewpond/core/visit';
import { inOrder, saw, type VisitEvent } from '@dewpond/core/events';
import { whyNotHere } from '@dewpond/core/rights';
import { eq, sql } from 'drizzle-orm';
import { z } from 'zod';
import { madeMix, refusedEvent, visitEvent } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { anyOf, together, type AskedFor } from '../../platform/db/together';
import type { Asker } from '../../platform/asker';
import { contentHash } from '../../platform/http/sameContent';
import { unstorable } from '../../platform/http/storable';
import { stockedOf, stockedQueries, type StockedBusiness } from '../../records/business/business';
import { productOf } from '../../records/shelf/shelf';
import { readEvent, replay, visitQueries, visitsOf, type LoadedVisit } from '../../records/visit/load';
import { project } from '../../records/visit/project';
import { writtenQueries } from '../../records/visit/written';
import { notFound } from '../../platform/http/problem';

export interface TakenEvents {
  readonly taken: string[];
  readonly known: string[];
  readonly refused: RefusedEvent[];
  readonly visit: LoadedVisit;
  /** These events closed the visit. */
  readonly nowClosed: boolean;
}

/** Further ahead than this no clock that was ever measured goes wrong by itself. */
const FAR_FUTURE_MS = 366 * 86_400_000;
/** A refused event is kept as it came, up to this much text. */
const STORED_CHARACTERS = 20_000;

/** All that a tap is judged with and written against, in one statement. */
const tapRows = together(
  (
    select,
    { visitIds, eventIds }: { visitIds: AskedFor<readonly string[]>; eventIds: AskedFor<readonly string[]> },
  ) => ({
    ...stockedQueries(select),
    ...visitQueries(select, visitIds),
    ...writtenQueries(select, visitIds),
    sameIds: select
      .select({ id: visitEvent.id, madeFrom: visitEvent.madeFrom })
      .from(visitEvent)
      .where(anyOf(visitEvent.id, eventIds)),
  }),
);

/**
 * Takes events in, once each and each judged alone: the same id with the same content is acknowledged, with other
 * content refused. Work of a device that had not seen the close is taken; a close is refused while a plug is in.
 */
export async function takeEvents(
  tx: Tenant,
  asker: Asker,
  visitId: string,
  given: readonly unknown[],
  now: number,
): Promise<TakenEvents> {
  const sorted = sortGiven(given);
  const read = await readForEvents(
    tx,
    visitId,
    sorted.events.map(({ id }) => id),
  );
  return takeInto(read, tx, asker, sorted, now);
}

/** Events that are of the form the contract names, and what was refused so far. */
export interface GivenEvents {
  readonly events: readonly NewVisitEvent[];
  readonly refused: RefusedEvent[];
  /** Tells of one that is not taken; `content` is what is kept of it, as it came. */
  readonly refuse: Refuse;
  readonly contents: readonly unknown[];
}

export function sortGiven(given: readonly unknown[]): GivenEvents {
  const refused: RefusedEvent[] = [];
  const contents: unknown[] = [];
  const refuse: Refuse = (id, status, words, content) => {
    refused.push({ id, status, words });
    contents.push(content);
  };
  return { events: readable(given, refuse), refused, refuse, contents };
}

/** A visit as it stands, locked for whoever read it until the transaction ends. */
export interface ReadForEvents {
  readonly before: LoadedVisit;
  readonly business: StockedBusiness;
  readonly rows: Awaited<ReturnType<typeof tapRows>>;
}

/** What events are judged with. Throws 404 where there is no such visit. */
export async function readForEvents(tx: Tenant, visitId: string, eventIds: readonly string[]): Promise<ReadForEvents> {
  // In this order on their way together: what is read is what stands once the lock is ours.
  const [, rows] = await Promise.all([
    tx.execute(
      sql`select pg_advisory_xact_lock(hashtextextended(current_setting('dewpond.business_id') || ${visitId}, 1))`,
    ),
    tapRows(tx, { visitIds: [visitId], eventIds }),
  ]);
  const business = stockedOf(rows);
  const before = visitsOf(rows, business).get(visitId);
  if (!before) throw notFound('visit');
  return { before, business, rows };
}

/** The same for whoever has read the visit in this transaction. */
export async function takeInto(
  { before, business, rows }: ReadForEvents,
  tx: Tenant,
  asker: Asker,
  { events, refused, refuse, contents }: GivenEvents,
  now: number,
): Promise<TakenEvents> {
  const visitId = before.row.id;
  const { fresh, known } = sortOut(visitId, events, rows.sameIds, refuse);
  const accepted: Hashed[] = [];
  const closes: Hashed[] = [];
  for (const each of fresh) {
    const why = notForThem(asker, each.event) ?? (await validateEvent(tx, business, before, each.event, now));
    if (why !== null) refuse(each.event.id, why.status, why.words, each.event);
    else (each.event.what.type === 'closed' ? closes : accepted).push(each);
  }
  await write(tx, asker, visitId, accepted);
  const read = accepted.map(({ event }) => asRead(event, asker.personId));
  let after = read.length > 0 ? replay(before, [...before.events, ...read].toSorted(inOrder)) : before;
  for (const close of closes) {
    const why = earlyClose(after, close.event);
    if (why !== null) refuse(close.event.id, 409, why, close.event);
    else {
      await write(tx, asker, visitId, [close]);
      accepted.push(close);
      after = replay(after, [...after.events, asRead(close.event, asker.personId)]);
    }
  }
  await keepRefused(tx, asker, visitId, refused, contents);
  if (accepted.length > 0) {
    await project(tx, after, business, rows);
    await tx.execute(sql`select pg_notify('dewpond_visit', ${`${asker.businessId}:${visitId}`})`);
  }
  return {
    taken: accepted.map(({ event }) => event.id),
    known,
    refused,
    visit: after,
    nowClosed: before.state.closed === null && after.state.closed !== null,
  };
}

interface Hashed {
  readonly event: NewVisitEvent;
  readonly hash: string;
}
type Refuse = (id: string, status: RefusedEvent['status'], words: string, content: unknown) => void;

/** Events that are of the form the contract names. Others are told by whatever id they bear. */
function readable(given: readonly unknown[], refuse: Refuse): NewVisitEvent[] {
  return given.flatMap((each) => {
    const broken = unstorable(each);
    if (broken) {
      refuse(idOf(each), 422, `${broken.path}: ${broken.why}`, each);
      return [];
    }
    const parsed = eventSchema.safeParse(each);
    if (parsed.success) return [parsed.data];
    const newer = newerEvent.safeParse(each);
    // Read by whoever can, `readEvent`; until then it is written down as it came.
    if (newer.success) return [newer.data as unknown as NewVisitEvent];
    const [issue] = parsed.error.issues;
    refuse(idOf(each), 422, issue ? `${issue.path.join('.')}: ${issue.message}` : 'That does not fit.', each);
    return [];
  });
}

const idOf = (given: unknown): string => {
  const id: unknown = typeof given === 'object' && given !== null && 'id' in given ? given.id : '';
  return typeof id === 'string' ? id.slice(0, 64) : '';
};

/** What is new, what was here before with the same content, and what bears an id that means something else. */
function sortOut(
  visitId: string,
  events: readonly NewVisitEvent[],
  before: readonly { readonly id: string; readonly madeFrom: string }[],
  refuse: Refuse,
): { readonly fresh: Hashed[]; readonly known: string[] } {
  const byId = new Map<string, Hashed>();
  const another = 'That id was already used for something else. What was written first stands.';
  for (const event of events) {
    const hash = contentHash({ visitId, ...event });
    const twin = byId.get(event.id);
    if (twin && twin.hash !== hash) refuse(event.id, 409, another, event);
    else byId.set(event.id, { event, hash });
  }
  const known: string[] = [];
  for (const { id, madeFrom } of before) {
    if (byId.get(id)?.hash === madeFrom) known.push(id);
    else refuse(id, 409, another, byId.get(id)?.event);
    byId.delete(id);
  }
  return { fresh: [...byId.values()], known };
}

/** Why one event cannot be taken, or null. */
/**
 * That a vet has looked opens what was barred: it is written down by whoever may do so, at the door as on the dog's page. What
 * a vet gave the dog bars only, and is written down by whoever hears it.
 */
function notForThem(asker: Asker, { what }: NewVisitEvent): Pick<RefusedEvent, 'status' | 'words'> | null {
  if (what.type !== 'word told' || what.word.says.kind !== 'vet saw') return null;
  const words = whyNotHere(asker, 'vet words');
  return words === null ? null : { status: 422, words };
}

async function validateEvent(
  tx: Tenant,
  business: StockedBusiness,
  before: LoadedVisit,
  event: NewVisitEvent,
  now: number,
): Promise<Pick<RefusedEvent, 'status' | 'words'> | null> {
  if (event.offset !== null && event.at + event.offset > now + FAR_FUTURE_MS)
    return { status: 422, words: 'That is more than a year ahead. Set the clock of this device and try again.' };
  const close = before.events.find(({ what }) => what.type === 'closed');
  if (close && event.seen !== undefined && saw(asRead(event, ''), close))
    return { status: 409, words: 'This visit was closed, and this device knew it. Write a note on the dog instead.' };
  return event.what.type === 'mix taken' ? mixRefused(tx, business, before.row.dogId, event, event.what, now) : null;
}

/**
 * A mix past its discard time is poured over nobody without a recorded reason, a medicated one not at all, and one that
 * bears a name only over that dog. Judged at the time of the event, as far as the device's clock is known.
 */
async function mixRefused(
  tx: Tenant,
  business: StockedBusiness,
  dogId: string,
  { at, offset }: NewVisitEvent,
  what: Extract<NewVisitEvent['what'], { type: 'mix taken' }>,
  now: number,
): Promise<Pick<RefusedEvent, 'status' | 'words'> | null> {
  const [row] = await tx.select().from(madeMix).where(eq(madeMix.id, what.mix));
  const product = row && productOf(business, row.productId);
  if (!row || !product || row.productId !== what.product)
    return { status: 422, words: 'There is no such mix at the bench.' };
  const when = offset === null ? now : at + offset;
  const may = mayTake({ discardAt: row.discardAt.getTime(), forDog: row.dogId }, product, dogId, when);
  const refused = may.kind === 'no' || (may.kind === 'with a reason' && what.override === null);
  return refused ? { status: 409, words: may.why } : null;
}

/** The server holds the line even if a device does not: plugs are counted, and nothing is left half-done in silence. */
function earlyClose({ state, steps }: LoadedVisit, { what }: NewVisitEvent): string | null {
  if (what.type !== 'closed') return null;
  const open = blockers(state, steps, what.how);
  if (open.length === 0) return null;
  const first = open.slice(0, 3).map((each) => each.words);
  return `The visit cannot close yet. ${first.join(' ')}`;
}

/** Times are kept in whole milliseconds. */
const stored = ({ id, v, counter, device, at, offset, seen, what }: NewVisitEvent) => ({
  id,
  v,
  counter,
  device,
  at: Math.round(at),
  offset: offset === null ? null : Math.round(offset),
  seen: seen ?? null,
  what,
});

const asRead = (event: NewVisitEvent, person: string): VisitEvent => readEvent({ ...stored(event), person });

/** One parameter for all of them: a whole visit at once would be a thousand. */
async function write(tx: Tenant, asker: Asker, visitId: string, events: readonly Hashed[]): Promise<void> {
  if (events.length === 0) return;
  const rows = events.map(({ event, hash }) => ({ hash, ...stored(event) }));
  await tx.execute(sql`insert into ${visitEvent} (id, visit_id, v, counter, device, person_id, at, offset_ms, seen, what, made_from)
    select id, ${visitId}::uuid, v, counter, device, ${asker.personId}::uuid, at, "offset", seen, what, hash
    from json_to_recordset(${JSON.stringify(rows)}::json) as given
      (id uuid, v smallint, counter int, device text, at bigint, "offset" bigint, seen jsonb, what jsonb, hash text)`);
}

/** Nothing that a hand wrote is lost: what was refused is kept as it came, or as much of it as can be. */
async function keepRefused(
  tx: Tenant,
  asker: Asker,
  visitId: string,
  refused: readonly RefusedEvent[],
  contents: readonly unknown[],
): Promise<void> {
  const rows = refused.flatMap(({ id, words }, i) =>
    z.uuid().safeParse(id).success
      ? [{ id, visitId, personId: asker.personId, words, content: keepable(contents[i]) }]
      : [],
  );
  if (rows.length > 0) await tx.insert(refusedEvent).values(rows).onConflictDoNothing();
}

/** What can be stored of a refused event: whole, else the beginning of its text, with broken signs replaced. */
function keepable(content: unknown): unknown {
  const broken = unstorable(content);
  if (broken?.why.includes('deep')) return { tooDeepAt: broken.path };
  const text = JSON.stringify(content ?? null);
  if (!broken && text.length <= STORED_CHARACTERS) return content ?? null;
  return { beginning: wellFormed(text.slice(0, STORED_CHARACTERS)), characters: text.length };
}

const wellFormed = (text: string): string =>
  new TextDecoder().decode(new TextEncoder().encode(text)).replaceAll('\u0000', '\uFFFD');
