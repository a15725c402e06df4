import type { PrefetchedVisit } from '@dewpond/contract';
import { addDays, type Day } from '@dewpond/core/units';
import { and, gte, inArray, isNull, or } from 'drizzle-orm';
import type { Router } from 'express';
import { mixesAvailable } from '../../records/mixing/dayPlan';
import { appointmentsBetween } from '../../records/appointments/appointments';
import { visit } from '../../platform/db/schema';
import { loadDogs } from '../../records/dog/dogRecord';
import { loadStockedBusiness } from '../../records/business/business';
import { dayIn, spanOf } from '../../platform/time/zone';
import type { Services } from '../../platform/http/context';
import { route } from '../../platform/http/route';
import { loadVisits, prepareFor } from '../../records/visit/load';
import { preparedView } from './preparedView';

/** A visit begun longer ago and never closed is not on anybody's table. */
const OPEN_FOR_DAYS = 3;

/** Today's and tomorrow's visits, booked or begun, each with everything it stands on: what a van takes along. */
export function prefetchRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/prefetch', async ({ tx, now, today }) => {
    const business = await loadStockedBusiness(tx);
    const available = await mixesAvailable(tx, business, now);
    const tomorrow = addDays(today, 1);
    const booked = (
      await appointmentsBetween(tx, spanOf(business.zone, today).start, spanOf(business.zone, tomorrow).end)
    ).filter(({ state }) => state === 'booked');
    const begun = await tx
      .select({ id: visit.id, appointmentId: visit.appointmentId })
      .from(visit)
      .where(
        and(
          isNull(visit.closed),
          or(gte(visit.day, addDays(today, -OPEN_FOR_DAYS)), inArray(visit.backOn, [today, tomorrow])),
        ),
      );
    const open: PrefetchedVisit[] = [];
    const loadedVisits = await loadVisits(
      tx,
      business,
      begun.map(({ id }) => id),
    );
    for (const { id, appointmentId } of begun) {
      const loaded = loadedVisits.get(id);
      if (!loaded) continue;
      open.push({
        visitId: id,
        startsAt: booked.find((each) => each.id === appointmentId)?.startsAt ?? null,
        events: [...loaded.events],
        ...(await preparedView(business, available, loaded, appointmentId)),
      });
    }
    const started = new Set(begun.map((each) => each.appointmentId));
    const waiting = booked.filter(({ id }) => !started.has(id));
    const records = new Map(
      (await loadDogs(tx, { ids: [...new Set(waiting.map(({ dogId }) => dogId))] })).map((each) => [each.dog.id, each]),
    );
    const toCome: PrefetchedVisit[] = [];
    for (const { id, dogId, kind, agreed, note, startsAt } of waiting) {
      const record = records.get(dogId);
      if (!record) continue;
      const day: Day = dayIn(business.zone, Date.parse(startsAt));
      const prepared = prepareFor(record, business, day, { contents: { kind, agreed }, note });
      toCome.push({
        visitId: null,
        startsAt,
        events: [],
        ...(await preparedView(business, available, prepared, id)),
      });
    }
    return { day: today, serverNow: now, visits: [...open, ...toCome] };
  });
}
