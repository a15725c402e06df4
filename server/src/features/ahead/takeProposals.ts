import type { acceptedAnswer, acceptedVisits } from '@dewpond/contract';
import { inArray, sql } from 'drizzle-orm';
import type { z } from 'zod';
import { appointment, dog } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { contentHash } from '../../platform/http/sameContent';
import { lockPerson, spanFrom, takenTimes, writeBookings, writeTimes } from '../../records/appointments/makeBooking';
import { CHANGED, TAKEN, isAsSeen, isInTheWay, settleMoves } from './settleMoves';

type AcceptedProposals = z.output<typeof acceptedVisits>;

const WITH_OTHERS = 'It comes with another that cannot be booked then.';

/**
 * Books proposals of a plan and moves the bookings that give way to them, or takes such back: each is done, or it is told why
 * not. In a fixed number of statements besides the locks, however many there are; what was sent before is done already.
 */
export async function takeProposals(
  tx: Tenant,
  { visits, moved, cancelled, together }: AcceptedProposals,
  now: number,
): Promise<z.infer<typeof acceptedAnswer>> {
  const asked = [...cancelled, ...moved, ...visits].map(({ id }) => id);
  const seen = await bookingsOf(tx, asked);
  // People in one order, so that two who take proposals at once wait for each other and never for a ring.
  const people = new Set([...visits, ...moved, ...seen].map(({ memberId }) => memberId));
  for (const memberId of [...people].toSorted()) await lockPerson(tx, memberId);
  const known = new Map((await bookingsOf(tx, asked)).map((each) => [each.id, each]));
  const given = new Set(cancelled.filter(({ id, version }) => isAsSeen(known.get(id), version)).map(({ id }) => id));
  const rows = visits.map(({ minutes, startsAt, ...visit }) => ({
    ...visit,
    ...spanFrom(startsAt, minutes),
    madeFrom: contentHash({ ...visit, minutes, startsAt }),
  }));
  const moves = moved.map(({ id, version, memberId, startsAt, minutes }) => ({
    ...{ id, version, memberId, ...spanFrom(startsAt, minutes) },
    from: known.get(id),
  }));
  const present = await dogsOf(tx, visits);
  const settled = settleMoves(
    moves,
    (await takenTimes(tx, [...rows, ...moves])).filter(({ id }) => !given.has(id)),
  );
  const taken = [...settled.taken];
  const booked: string[] = [];
  const stands = cancelled.filter(({ id }) => !given.has(id) && known.get(id)?.state !== 'cancelled');
  const refused = [...stands.map(({ id }) => ({ id, why: CHANGED })), ...settled.refused];
  const fresh: typeof rows = [];
  for (const row of rows) {
    const why = reasonAgainst(row);
    if (known.get(row.id)?.madeFrom === row.madeFrom) booked.push(row.id);
    else if (why !== null) refused.push({ id: row.id, why });
    else {
      booked.push(row.id);
      fresh.push(row);
      taken.push(row);
    }
  }
  if (together && refused.length > 0)
    return {
      booked: [],
      moved: [],
      refused: asked.map((id) => refused.find((each) => each.id === id) ?? { id, why: WITH_OTHERS }),
    };
  const goes = settled.goes.filter(({ isThere }) => !isThere);
  await cancelBookings(tx, [...given], now);
  // What moves makes room for what is new.
  await writeTimes(tx, goes);
  await writeBookings(tx, fresh);
  return { booked, moved: settled.goes.map(({ id, version }) => ({ id, version })), refused };

  function reasonAgainst(row: (typeof rows)[number]): string | null {
    const archived = present.get(row.dogId);
    if (known.has(row.id)) return 'That id was already used for something else.';
    if (archived === undefined) return 'There is no such dog here.';
    if (archived !== null) return 'That dog is archived. Bring it back first.';
    return taken.some((each) => isInTheWay(each, row)) ? TAKEN : null;
  }
}

const bookingsOf = (tx: Tenant, ids: readonly string[]) =>
  tx
    .select({
      id: appointment.id,
      memberId: appointment.memberId,
      startsAt: appointment.startsAt,
      endsAt: appointment.endsAt,
      state: appointment.state,
      version: appointment.version,
      madeFrom: appointment.madeFrom,
    })
    .from(appointment)
    .where(inArray(appointment.id, [...ids]));

async function cancelBookings(tx: Tenant, ids: readonly string[], now: number): Promise<void> {
  if (ids.length === 0) return;
  await tx
    .update(appointment)
    .set({
      ...{ state: 'cancelled', cancelledAt: new Date(now), cancelledBy: 'business' },
      version: sql`${appointment.version} + 1`,
    })
    .where(inArray(appointment.id, [...ids]));
}

/** When the dogs of these visits were archived, by dog; who is not there has none. */
async function dogsOf(tx: Tenant, visits: AcceptedProposals['visits']): Promise<ReadonlyMap<string, string | null>> {
  const ids = [...new Set(visits.map(({ dogId }) => dogId))];
  const dogs = await tx.select({ id: dog.id, archivedOn: dog.archivedOn }).from(dog).where(inArray(dog.id, ids));
  return new Map(dogs.map(({ id, archivedOn }) => [id, archivedOn]));
}
