import { dayOfWeeks } from '@dewpond/core/bookings';
import { and, count, eq, gte, isNull } from 'drizzle-orm';
import type { Router } from 'express';
import { isHere } from '../../platform/db/branch';
import { appointment, client, dog, dogDue } from '../../platform/db/schema';
import type { Services } from '../../platform/http/context';
import { notFound, Refusal } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { asSeen, updateGuarded } from '../../platform/http/writes';
import { loadBusiness } from '../../records/business/business';
import { keptPrices, loadWeeks } from '../../records/weeks/loadWeeks';
import { answerRoutes } from './answers';
import { gapOf } from './gap';
import { hoursRoutes } from './hours';
import { USUAL_DAYS, keepWeeks, planOfNight } from './nightPlan';
import { slotRoutes } from './slots';
import { takeProposals } from './takeProposals';

export function aheadRoutes(router: Router, services: Services): void {
  slotRoutes(router, services);
  hoursRoutes(router, services);
  answerRoutes(router, services);

  route(router, services, 'GET /api/ahead', async ({ tx, asker, query, now, today }) => {
    const { places, planCosts } = await loadBusiness(tx);
    const days = query?.days ? Number(query.days) : USUAL_DAYS;
    // Asked first: what is worked out meanwhile is among the dogs, or is still told to be waited for.
    const [waiting] = await tx
      .select({ dogs: count() })
      .from(dogDue)
      .innerJoin(dog, eq(dog.id, dogDue.dogId))
      .where(and(isNull(dog.archivedOn), isNull(dogDue.madeOn), isHere(dog.branchId)));
    const weeks = await loadWeeks(tx, { zone: asker.zone, now, first: today, days, places });
    const names = await tx.select({ id: dog.id, name: dog.name }).from(dog).where(isNull(dog.archivedOn));
    const movable = await tx
      .select({ id: appointment.id, version: appointment.version })
      .from(appointment)
      .where(
        and(eq(appointment.state, 'booked'), eq(appointment.mayMove, true), gte(appointment.startsAt, new Date(now))),
      );
    return {
      weeks,
      versions: Object.fromEntries(movable.map(({ id, version }) => [id, version])),
      names: Object.fromEntries(names.map(({ id, name }) => [id, name])),
      night: await planOfNight(tx, weeks),
      prices: await keptPrices(tx, today),
      costs: planCosts,
      waiting: waiting?.dogs ?? 0,
    };
  });

  route(router, services, 'POST /api/ahead', async ({ tx, body, now }) => takeProposals(tx, body, now));

  route(router, services, 'PUT /api/ahead', async ({ tx, body }) => {
    const found = { firstDay: body.first, prices: body.prices };
    await keepWeeks(tx, found);
    return {};
  });

  route(router, services, 'GET /api/appointments/:id/gap', async ({ tx, asker, params, now, today }) => {
    const { places, planCosts } = await loadBusiness(tx);
    const weeks = await loadWeeks(tx, { zone: asker.zone, now, first: today, days: USUAL_DAYS, places });
    const gap = await gapOf(tx, params.id, {
      weeks,
      zone: asker.zone,
      costs: planCosts,
      kept: await keptPrices(tx, today),
    });
    if (!gap) throw notFound('booking');
    if (gap.day < dayOfWeeks(weeks, 0)) throw new Refusal('conflict', 'That time is over.');
    return gap;
  });

  route(router, services, 'PUT /api/clients/:id/wishes', async ({ tx, params, body }) => {
    const current = async () => {
      const [row] = await tx
        .select({ version: client.version, wishes: client.wishes })
        .from(client)
        .where(eq(client.id, params.id));
      return row;
    };
    const seen = { id: params.id, version: body.version };
    return updateGuarded(asSeen(tx, client, seen, { wishes: body.wishes }), { what: 'client', current, yours: body });
  });

  route(router, services, 'PUT /api/dogs/:id/needs', async ({ tx, params, body }) => {
    const current = async () => {
      const [row] = await tx.select({ version: dog.version, needs: dog.needs }).from(dog).where(eq(dog.id, params.id));
      return row;
    };
    const seen = { id: params.id, version: body.version };
    return updateGuarded(asSeen(tx, dog, seen, { needs: body.needs }), { what: 'dog', current, yours: body });
  });
}
