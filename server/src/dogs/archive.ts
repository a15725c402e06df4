import { showDay, type Day } from '@dewpond/core/units';
import { and, asc, eq, gte, inArray, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { appointment, client, dog } from '../db/schema';
import type { Tenant } from '../db/tenant';
import type { Services } from '../http/context';
import { conflict, notFound, Refusal } from '../http/problem';
import { route } from '../http/route';
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

export function archiveRoutes(router: Router, services: Services): void {
  route(router, services, 'PUT /api/dogs/:id/archive', async ({ tx, params, body, now }) => {
    const today = dayIn((await loadHouse(tx)).zone, now);
    if (body.archived) refuseBooked(await bookedDogs(tx, [params.id], now));
    const [changed] = await tx
      .update(dog)
      .set({ archivedOn: body.archived ? today : null, version: sql`${dog.version} + 1` })
      .where(and(eq(dog.id, params.id), eq(dog.version, body.version)))
      .returning({ version: dog.version, clientId: dog.clientId });
    if (!changed) {
      const [current] = await tx
        .select({ version: dog.version, archivedOn: dog.archivedOn })
        .from(dog)
        .where(eq(dog.id, params.id));
      if (!current) throw notFound('dog');
      throw conflict('Someone else changed this dog meanwhile.', current, body);
    }
    // A dog in the book has an owner in the book.
    if (!body.archived)
      await tx
        .update(client)
        .set({ archivedOn: null, version: sql`${client.version} + 1` })
        .where(and(eq(client.id, changed.clientId), sql`${client.archivedOn} is not null`));
    return { version: changed.version };
  });
}
