import type { acceptedAnswer, acceptedVisits } from '@dewpond/contract';
import { inArray } from 'drizzle-orm';
import type { z } from 'zod';
import { appointment, dog } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { contentHash } from '../../platform/http/sameContent';
import { lockPerson, spanFrom, takenTimes, writeBookings } from '../../records/appointments/makeBooking';

const WITH_OTHERS = 'It comes with another that cannot be booked then.';

/**
 * Books proposals of a plan: each is booked, or it is told why not. In a fixed number of statements besides the locks,
 * however many there are; what was sent before is booked already.
 */
export async function takeProposals(
  tx: Tenant,
  { visits, together }: z.output<typeof acceptedVisits>,
): Promise<z.infer<typeof acceptedAnswer>> {
  // People in one order, so that two who take proposals at once wait for each other and never for a ring.
  for (const memberId of [...new Set(visits.map((each) => each.memberId))].toSorted()) await lockPerson(tx, memberId);
  const rows = visits.map(({ minutes, startsAt, ...visit }) => ({
    ...visit,
    ...spanFrom(startsAt, minutes),
    madeFrom: contentHash({ ...visit, minutes, startsAt }),
  }));
  const known = await tx
    .select({ id: appointment.id, madeFrom: appointment.madeFrom })
    .from(appointment)
    .where(
      inArray(
        appointment.id,
        rows.map(({ id }) => id),
      ),
    );
  const before = new Map(known.map(({ id, madeFrom }) => [id, madeFrom]));
  const dogs = await tx
    .select({ id: dog.id, archivedOn: dog.archivedOn })
    .from(dog)
    .where(inArray(dog.id, [...new Set(rows.map(({ dogId }) => dogId))]));
  const present = new Map(dogs.map(({ id, archivedOn }) => [id, archivedOn]));
  const taken = await takenTimes(tx, rows);
  const booked: string[] = [];
  const refused: { id: string; why: string }[] = [];
  const fresh: typeof rows = [];
  for (const row of rows) {
    const why = reasonAgainst(row);
    if (before.get(row.id) === row.madeFrom) booked.push(row.id);
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
      refused: rows.map(({ id }) => refused.find((each) => each.id === id) ?? { id, why: WITH_OTHERS }),
    };
  await writeBookings(tx, fresh);
  return { booked, refused };

  function reasonAgainst(row: (typeof rows)[number]): string | null {
    const archived = present.get(row.dogId);
    if (before.has(row.id)) return 'That id was already used for something else.';
    if (archived === undefined) return 'There is no such dog here.';
    if (archived !== null) return 'That dog is archived. Bring it back first.';
    const clash = taken.some(
      (each) => each.memberId === row.memberId && each.startsAt < row.endsAt && row.startsAt < each.endsAt,
    );
    return clash ? 'That person has another dog then.' : null;
  }
}
