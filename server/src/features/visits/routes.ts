import { eq } from 'drizzle-orm';
import type { Router } from 'express';
import { visit } from '../../platform/db/schema';
import { mixesAvailable } from '../../records/mixing/dayPlan';
import { loadStockedBusiness } from '../../records/business/business';
import type { Services } from '../../platform/http/context';
import { notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { enqueue } from '../../platform/jobs/jobs';
import { SHEET_JOB } from '../../records/documents/sheetPdf';
import { fromLost } from '../../records/visit/fromLost';
import { loadEvents, loadVisit } from '../../records/visit/load';
import { beginVisit } from './beginVisit';
import { preparedView } from './preparedView';
import { takeEvents } from './takeEvents';

export function visitRoutes(router: Router, services: Services): void {
  route(router, services, 'POST /api/visits', ({ tx, asker, body, now }) => beginVisit(tx, asker, body, now));

  route(router, services, 'GET /api/visits/:id', async ({ tx, params, now }) => {
    const business = await loadStockedBusiness(tx);
    const loaded = await loadVisit(tx, business, params.id);
    return {
      id: loaded.row.id,
      ...(await preparedView(business, await mixesAvailable(tx, business, now), loaded, loaded.row.appointmentId)),
      events: [...loaded.events],
      fromLost: await fromLost(tx, params.id),
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
