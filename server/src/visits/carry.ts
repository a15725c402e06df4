import type { CarriedVisit } from '@dewpond/contract';
import { addDays, type Day } from '@dewpond/core/units';
import { and, gte, inArray, isNull, or } from 'drizzle-orm';
import type { Router } from 'express';
import { benchHand } from '../bench/benchDay';
import { appointmentsBetween } from '../appointments/queries';
import { visit } from '../db/schema';
import { loadDogs } from '../dogs/records';
import { loadHouse } from '../house/house';
import { dayIn, spanOf } from '../house/zone';
import type { Services } from '../http/context';
import { route } from '../http/route';
import { loadVisit, prepareFor } from './load';
import { preparedView } from './preparedView';

/** A visit begun longer ago and never closed is not on anybody's table. */
const OPEN_FOR_DAYS = 3;

/** Today's and tomorrow's visits, booked or begun, each with everything it stands on: what a van takes along. */
export function carryRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/carry', async ({ tx, now }) => {
    const house = await loadHouse(tx);
    const hand = await benchHand(tx, house, now);
    const today = dayIn(house.zone, now);
    const tomorrow = addDays(today, 1);
    const booked = (
      await appointmentsBetween(tx, spanOf(house.zone, today).start, spanOf(house.zone, tomorrow).end)
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
    const open: CarriedVisit[] = [];
    for (const { id, appointmentId } of begun) {
      const loaded = await loadVisit(tx, house, id);
      open.push({
        visitId: id,
        startsAt: booked.find((each) => each.id === appointmentId)?.startsAt ?? null,
        events: [...loaded.events],
        ...(await preparedView(house, hand, loaded, appointmentId)),
      });
    }
    const started = new Set(begun.map((each) => each.appointmentId));
    const waiting = booked.filter(({ id }) => !started.has(id));
    const records = new Map(
      (await loadDogs(tx, { ids: [...new Set(waiting.map(({ dogId }) => dogId))] })).map((each) => [each.dog.id, each]),
    );
    const toCome: CarriedVisit[] = [];
    for (const { id, dogId, kind, startsAt } of waiting) {
      const record = records.get(dogId);
      if (!record) continue;
      const day: Day = dayIn(house.zone, Date.parse(startsAt));
      const prepared = prepareFor(record, house, day, kind);
      toCome.push({
        visitId: null,
        startsAt,
        events: [],
        ...(await preparedView(house, hand, prepared, id)),
      });
    }
    return { day: today, serverNow: now, visits: [...open, ...toCome] };
  });
}
