import type { NewVisitEvent } from '@dewpond/contract';
import { hindrances } from '@dewpond/core/visit';
import { mayTake } from '@dewpond/core/dilution';
import { eq, inArray, sql } from 'drizzle-orm';
import { madeMix, visitEvent } from '../db/schema';
import type { Tenant } from '../db/tenant';
import type { Asker } from '../http/context';
import { badField, Refusal } from '../http/problem';
import { contentHash, sameOrRefuse } from '../http/sameContent';
import { productOf, type House } from '../house/house';
import { loadVisit, type LoadedVisit } from './load';
import { project } from './project';

export interface Taken {
  readonly taken: string[];
  readonly known: string[];
  readonly visit: LoadedVisit;
  /** These events closed the visit. */
  readonly nowClosed: boolean;
}

/**
 * Takes events in, once each: the same id with the same content is acknowledged, with other content refused (409).
 * Work that comes after the close is taken, too. A close is refused while a plug is in. All or nothing.
 */
export async function takeEvents(
  tx: Tenant,
  asker: Asker,
  house: House,
  visitId: string,
  events: readonly NewVisitEvent[],
  now: number,
): Promise<Taken> {
  await tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${`${asker.businessId}${visitId}`}, 1))`);
  const before = await loadVisit(tx, house, visitId);
  const hashes = new Map(events.map((event) => [event.id, contentHash({ visitId, ...event })]));
  if (hashes.size < events.length) throw new Refusal('bad input', 'The same event is in there twice.');
  const known = await tx
    .select({ id: visitEvent.id, madeFrom: visitEvent.madeFrom })
    .from(visitEvent)
    .where(inArray(visitEvent.id, [...hashes.keys()]));
  for (const each of known) sameOrRefuse(each.madeFrom, hashes.get(each.id) ?? '');
  const knownIds = new Set(known.map((each) => each.id));
  const fresh = events.filter((event) => !knownIds.has(event.id));
  if (fresh.length > 0) {
    await tx.insert(visitEvent).values(
      fresh.map(({ id, v, counter, device, at, offset, what }) => ({
        businessId: asker.businessId,
        visitId,
        personId: asker.personId,
        madeFrom: hashes.get(id) ?? '',
        id,
        v,
        counter,
        device,
        at: Math.round(at),
        offset: offset === null ? null : Math.round(offset),
        what,
      })),
    );
  }
  await refuseMixes(tx, house, before.row.dogId, fresh, now);
  const after = fresh.length > 0 ? await loadVisit(tx, house, visitId) : before;
  const close = fresh.find((event) => event.what.type === 'closed');
  if (close?.what.type === 'closed') refuseEarlyClose(after, close.what.how);
  if (fresh.length > 0) await project(tx, asker.businessId, after, house);
  return {
    taken: fresh.map((event) => event.id),
    known: [...knownIds],
    visit: after,
    nowClosed: before.state.closed === null && after.state.closed !== null,
  };
}

/**
 * A mix past its discard time is poured over nobody without a recorded reason, a medicated one not at all, and one that
 * bears a name only over that dog. Judged at the time of the event, as far as the device's clock is known.
 */
async function refuseMixes(
  tx: Tenant,
  house: House,
  dogId: string,
  events: readonly NewVisitEvent[],
  now: number,
): Promise<void> {
  for (const { what, at, offset } of events) {
    if (what.type !== 'mix taken') continue;
    const [row] = await tx.select().from(madeMix).where(eq(madeMix.id, what.mix));
    const product = row && productOf(house, row.productId);
    if (!row || !product || row.productId !== what.product)
      throw badField('what.mix', 'There is no such mix at the bench.');
    const when = offset === null ? now : at + offset;
    const may = mayTake({ discardAt: row.discardAt.getTime(), forDog: row.dogId }, product, dogId, when);
    if (may.kind === 'no' || (may.kind === 'with a reason' && what.override === null))
      throw new Refusal('conflict', may.why);
  }
}

/** The server holds the line even if a device does not: plugs are counted, and nothing is left half-done in silence. */
function refuseEarlyClose({ state, steps }: LoadedVisit, how: 'finished' | 'ended early'): void {
  const open = hindrances(state, steps, how);
  if (open.length > 0)
    throw new Refusal(
      'conflict',
      `The visit cannot close yet. ${open
        .map((each) => each.words)
        .slice(0, 3)
        .join(' ')}`,
    );
}
