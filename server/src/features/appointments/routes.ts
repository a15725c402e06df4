import type { appointmentEdit } from '@dewpond/contract';
import { daysBetween } from '@dewpond/core/units';
import { eq } from 'drizzle-orm';
import type { Router } from 'express';
import type { z } from 'zod';
import { appointment } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { badField, notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { contentHash } from '../../platform/http/sameContent';
import { asSeen, updateGuarded, wasSentBefore } from '../../platform/http/writes';
import { spanOf } from '../../platform/time/zone';
import { appointmentsBetween } from '../../records/appointments/appointments';
import {
  assertBookable,
  assertFree,
  lastOfSeries,
  lockPerson,
  spanFrom,
  writeBooking,
} from '../../records/appointments/makeBooking';
import { makeSeries } from './series';

export function appointmentRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/appointments', async ({ tx, asker, query }) => {
    const span = daysBetween(query.from, query.to);
    if (span < 0 || span > 92) throw badField('to', 'Ask for one day to three months.');
    const { start, end } = spanOf(asker.zone, query.from, query.to);
    return { items: await appointmentsBetween(tx, start, end) };
  });

  route(router, services, 'POST /api/appointments', async ({ tx, asker, body, now }) => {
    await assertBookable(tx, body.dogId);
    await lockPerson(tx, body.memberId);
    const madeFrom = contentHash(body);
    const { minutes, startsAt, ...rest } = body;
    if (await wasSentBefore(tx, appointment, { id: body.id, madeFrom })) return { id: body.id };
    const booking = { ...rest, ...spanFrom(startsAt, minutes), madeFrom };
    await assertFree(tx, booking, { zone: asker.zone, now });
    await writeBooking(tx, booking);
    return { id: body.id };
  });

  route(router, services, 'PUT /api/appointments/:id', async ({ tx, asker, params, body, now }) => {
    const booked = await bookingOf(tx, params.id);
    if (!booked) throw notFound('booking');
    const isWanted = body.change === 'move' || body.change === 'restore';
    await lockPerson(tx, body.change === 'move' ? body.memberId : booked.memberId, { mayHaveLeft: !isWanted });
    const set = changed(body, now);
    if (isWanted) await assertFree(tx, { ...booked, ...set }, { zone: asker.zone, now }, booked.id);
    const seen = { id: params.id, version: body.version };
    return updateGuarded(asSeen(tx, appointment, seen, set), {
      what: 'booking',
      current: () => bookingOf(tx, params.id),
      yours: body,
    });
  });

  route(router, services, 'POST /api/series', async ({ tx, asker, body, now, today }) => {
    await assertBookable(tx, body.dogId);
    await lockPerson(tx, body.memberId);
    if (body.until > lastOfSeries(today)) throw badField('until', 'A series ends within two years.');
    return makeSeries(tx, body, { zone: asker.zone, now });
  });
}

function changed(body: z.output<typeof appointmentEdit>, now: number): Partial<typeof appointment.$inferInsert> {
  switch (body.change) {
    case 'move':
      return {
        memberId: body.memberId,
        ...spanFrom(body.startsAt, body.minutes),
        ...body.contents,
        byHand: null,
        confirmedAt: null,
      };
    case 'cancel':
      return { state: 'cancelled', cancelledAt: new Date(now), cancelledBy: body.by };
    case 'line up':
      return { byHand: body.byHand };
    case 'no show':
      return { state: 'no show' };
    case 'restore':
      return { state: 'booked', cancelledAt: null, cancelledBy: null };
  }
}

async function bookingOf(tx: Tenant, id: string): Promise<typeof appointment.$inferSelect | undefined> {
  const [row] = await tx.select().from(appointment).where(eq(appointment.id, id));
  return row;
}
