import { and, eq } from 'drizzle-orm';
import type { Router } from 'express';
import { appointment, dog, visit } from '../../platform/db/schema';
import { mixesAvailable } from '../../records/mixing/dayPlan';
import { loadStockedBusiness } from '../../records/business/business';
import { dayIn } from '../../platform/time/zone';
import type { Services } from '../../platform/http/context';
import { badField, conflict, notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { contentHash, assertSame } from '../../platform/http/sameContent';
import { enqueue } from '../../platform/jobs/jobs';
import { SHEET_JOB } from '../../records/documents/sheetPdf';
import { loadEvents, loadVisit } from '../../records/visit/load';
import { preparedView } from './preparedView';
import { takeEvents } from './takeEvents';

/** A visit begun without a network is told of later, but not so much later. */
const LATE_MS = 60 * 86_400_000;

/** When it was begun: by the device, corrected by what it knows of its clock; else now. A clock that is far off counts for nothing. */
function begunWhen(begun: { readonly at: number; readonly offset: number | null } | undefined, now: number): number {
  if (begun === undefined) return now;
  const at = begun.at + (begun.offset ?? 0);
  return at > now - LATE_MS && at <= now ? at : now;
}

export function visitRoutes(router: Router, services: Services): void {
  route(router, services, 'POST /api/visits', async ({ tx, asker, body, now }) => {
    const [known] = await tx.select({ id: dog.id }).from(dog).where(eq(dog.id, body.dogId));
    if (!known) throw badField('dogId', 'There is no such dog here.');
    const { begun: begunAt, ...its } = body;
    const madeFrom = contentHash(its);
    const [before] = await tx.select().from(visit).where(eq(visit.id, body.id));
    if (before) {
      assertSame(before.madeFrom, madeFrom);
      return { id: body.id };
    }
    if (body.appointmentId !== null) {
      const [booked] = await tx
        .select({ id: appointment.id })
        .from(appointment)
        .where(and(eq(appointment.id, body.appointmentId), eq(appointment.dogId, body.dogId)));
      if (!booked) throw badField('appointmentId', 'That booking is not for this dog.');
    }
    const written = await tx
      .insert(visit)
      .values({
        ...its,
        day: dayIn(asker.zone, begunWhen(begunAt, now)),
        madeFrom,
        createdAt: new Date(now),
      })
      .onConflictDoNothing()
      .returning({ id: visit.id });
    if (written.length > 0) return { id: body.id };
    // Another device was faster, by a moment or by a day: with the same visit, or with one of its own.
    const [same] = await tx.select().from(visit).where(eq(visit.id, body.id));
    if (same) {
      assertSame(same.madeFrom, madeFrom);
      return { id: body.id };
    }
    const [begun] = await tx
      .select({ id: visit.id })
      .from(visit)
      .where(eq(visit.appointmentId, body.appointmentId ?? ''));
    throw conflict('This visit was already begun on another device.', begun, body);
  });

  route(router, services, 'GET /api/visits/:id', async ({ tx, params, now }) => {
    const business = await loadStockedBusiness(tx);
    const loaded = await loadVisit(tx, business, params.id);
    return {
      id: loaded.row.id,
      ...(await preparedView(business, await mixesAvailable(tx, business, now), loaded, loaded.row.appointmentId)),
      events: [...loaded.events],
      serverNow: now,
    };
  });

  route(router, services, 'GET /api/visits/:id/events', async ({ tx, params, now }) => {
    const [known] = await tx.select({ id: visit.id }).from(visit).where(eq(visit.id, params.id));
    if (!known) throw notFound('visit');
    return { events: [...((await loadEvents(tx, [params.id])).get(params.id) ?? [])], serverNow: now };
  });

  route(router, services, 'POST /api/visits/:id/events', async ({ tx, asker, params, body, now }) => {
    const { taken, known, refused, nowClosed } = await takeEvents(tx, asker, params.id, body.events, now);
    if (nowClosed) await enqueue(tx, SHEET_JOB, { businessId: asker.businessId, visitId: params.id });
    return { taken, known, refused, serverNow: now };
  });
}
