import type { Appointment } from '@dewpond/contract';
import { daysBetween } from '@dewpond/core/units';
import { eq, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { appointment, dog, member } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { badField, notFound, Refusal } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { contentHash } from '../../platform/http/sameContent';
import { asSeen, insertOnce, updateGuarded, wasSentBefore } from '../../platform/http/writes';
import { spanOf } from '../../platform/time/zone';
import { appointmentsBetween } from '../../records/appointments/appointments';

export function appointmentRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/appointments', async ({ tx, asker, query }) => {
    const span = daysBetween(query.from, query.to);
    if (span < 0 || span > 92) throw badField('to', 'Ask for one day to three months.');
    const { start, end } = spanOf(asker.zone, query.from, query.to);
    return { items: await appointmentsBetween(tx, start, end) };
  });

  route(router, services, 'POST /api/appointments', async ({ tx, body }) => {
    const [known] = await tx.select({ id: dog.id, archivedOn: dog.archivedOn }).from(dog).where(eq(dog.id, body.dogId));
    if (!known) throw badField('dogId', 'There is no such dog here.');
    if (known.archivedOn) throw badField('dogId', 'That dog is archived. Bring it back first.');
    await lockPerson(tx, body.memberId);
    const madeFrom = contentHash(body);
    const { minutes, startsAt, ...rest } = body;
    const times = spanFrom(startsAt, minutes);
    if (await wasSentBefore(tx, appointment, { id: body.id, madeFrom })) return { id: body.id };
    await assertFree(() => insertOnce(tx, appointment, { ...rest, ...times, madeFrom }));
    return { id: body.id };
  });

  route(router, services, 'PUT /api/appointments/:id', async ({ tx, params, body }) => {
    const booked = await bookingOf(tx, params.id);
    if (!booked) throw notFound('booking');
    await lockPerson(tx, body.change === 'move' ? body.memberId : booked.memberId);
    const set: Partial<typeof appointment.$inferInsert> =
      body.change === 'move'
        ? { memberId: body.memberId, ...spanFrom(body.startsAt, body.minutes), ...body.contents }
        : { state: (body.change === 'cancel' ? 'cancelled' : 'booked') satisfies Appointment['state'] };
    const seen = { id: params.id, version: body.version };
    return assertFree(() =>
      updateGuarded(asSeen(tx, appointment, seen, set), {
        what: 'booking',
        current: () => bookingOf(tx, params.id),
        yours: body,
      }),
    );
  });
}

async function bookingOf(tx: Tenant, id: string): Promise<typeof appointment.$inferSelect | undefined> {
  const [row] = await tx.select().from(appointment).where(eq(appointment.id, id));
  return row;
}

const spanFrom = (startsAt: string, minutes: number) => {
  const start = new Date(startsAt);
  return { startsAt: start, endsAt: new Date(start.getTime() + minutes * 60_000) };
};

/** Bookings of one person wait for each other, so that a rush on one hour ends in refusals and not in a deadlock. */
async function lockPerson(tx: Tenant, memberId: string): Promise<void> {
  const [known] = await tx.select({ id: member.id }).from(member).where(eq(member.id, memberId));
  if (!known) throw badField('memberId', 'There is no such person here.');
  await tx.execute(
    sql`select pg_advisory_xact_lock(hashtextextended(current_setting('dewpond.business_id') || ${memberId}, 0))`,
  );
}

async function assertFree<T>(write: () => Promise<T>): Promise<T> {
  try {
    return await write();
  } catch (error) {
    const { cause } = error as { cause?: { code?: string } };
    if (cause?.code === '23P01') throw new Refusal('conflict', 'That person already has a dog at that time.');
    throw error;
  }
}
