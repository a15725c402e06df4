import { showDay, type Day } from '@dewpond/core/units';
import { and, asc, eq, gte, inArray, isNotNull, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { appointment, client, dog } from '../db/schema';
import type { Tenant } from '../db/tenant';
import type { Services } from '../http/context';
import { Refusal } from '../http/problem';
import { route } from '../http/route';
import { asSeen, updateGuarded } from '../http/writes';
import { loadHouse } from '../house/house';
import { dayIn } from '../house/zone';

interface Booked {
  readonly dog: string;
  readonly day: Day;
}

/** Bookings still to come of these dogs. */
export async function bookedDogs(tx: Tenant, dogIds: readonly string[], now: number): Promise<Booked[]> {
  if (dogIds.length === 0) return [];
  const { zone } = await loadHouse(tx);
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

/** A dog that is put away would not come to its booking: that is cancelled first, by a person. */
export function refuseBooked([first]: readonly Booked[]): void {
  if (first)
    throw new Refusal(
      'conflict',
      `${first.dog} is booked on ${showDay(first.day)}. Cancel that first; nothing was changed.`,
    );
}

const ownerOf = (tx: Tenant, dogId: string) => tx.select({ id: dog.clientId }).from(dog).where(eq(dog.id, dogId));

export function archiveRoutes(router: Router, services: Services): void {
  route(router, services, 'PUT /api/dogs/:id/archive', async ({ tx, params, body, now }) => {
    const today = dayIn((await loadHouse(tx)).zone, now);
    if (body.archived) refuseBooked(await bookedDogs(tx, [params.id], now));
    const seen = { id: params.id, version: body.version };
    const current = async () => {
      const [now] = await tx
        .select({ version: dog.version, archivedOn: dog.archivedOn })
        .from(dog)
        .where(eq(dog.id, params.id));
      return now;
    };
    const changed = await updateGuarded(asSeen(tx, dog, seen, { archivedOn: body.archived ? today : null }), {
      what: 'dog',
      current,
      yours: body,
    });
    // A dog in the book has an owner in the book.
    if (!body.archived)
      await tx
        .update(client)
        .set({ archivedOn: null, version: sql`${client.version} + 1` })
        .where(and(inArray(client.id, ownerOf(tx, params.id)), isNotNull(client.archivedOn)));
    return changed;
  });
}
