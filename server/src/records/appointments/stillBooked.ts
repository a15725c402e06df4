import { showDay, type Day } from '@dewpond/core/units';
import { and, asc, eq, gte, inArray } from 'drizzle-orm';
import { appointment, dog } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { Refusal } from '../../platform/http/problem';
import { dayIn } from '../../platform/time/zone';

interface Booked {
  readonly dog: string;
  readonly day: Day;
}

/** Bookings still to come of these dogs. */
export async function bookedDogs(tx: Tenant, dogIds: readonly string[], zone: string, now: number): Promise<Booked[]> {
  if (dogIds.length === 0) return [];
  const rows = await tx
    .select({ dog: dog.name, at: appointment.startsAt })
    .from(appointment)
    .innerJoin(dog, eq(dog.id, appointment.dogId))
    .where(
      and(
        inArray(appointment.dogId, [...dogIds]),
        eq(appointment.state, 'booked'),
        gte(appointment.startsAt, new Date(now)),
      ),
    )
    .orderBy(asc(appointment.startsAt));
  return rows.map(({ dog: name, at }) => ({ dog: name, day: dayIn(zone, at) }));
}

/** A dog that is archived would not come to its booking: that is cancelled first, by a person. */
export function assertNotBooked([first]: readonly Booked[]): void {
  if (first)
    throw new Refusal(
      'conflict',
      `${first.dog} is booked on ${showDay(first.day)}. Cancel that first; nothing was changed.`,
    );
}
