import { SALON, isGivenUp, weekdayOf, type WeekHours } from '@dewpond/core/bookings';
import { addressLine } from '@dewpond/core/clients';
import { USUAL_VAN } from '@dewpond/core/route';
import { addDays, type Day } from '@dewpond/core/units';
import type { roundTaken } from '@dewpond/contract';
import { asc, eq, inArray, isNull, sql } from 'drizzle-orm';
import type { Router } from 'express';
import type { z } from 'zod';
import { may } from '../../platform/auth/mayAsk';
import { isHere } from '../../platform/db/branch';
import { appointment, branch, business, client, dog, member } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { together } from '../../platform/db/together';
import type { Services } from '../../platform/http/context';
import { Refusal, badField, notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { updateGuarded } from '../../platform/http/writes';
import { dayIn, spanOf } from '../../platform/time/zone';
import { appointmentsBetween } from '../../records/appointments/appointments';
import { lockPerson, takenTimes, writeTimes } from '../../records/appointments/makeBooking';
import { branchQuery, peopleHere } from '../../records/business/branches';
import { loadBusiness } from '../../records/business/business';

/** Whether that is a day on which whoever has such a week works outside the salon. */
const isOut = (week: WeekHours, day: Day): boolean => (week[weekdayOf(day)] ?? []).some(({ where }) => where !== SALON);

/** The next day on which somebody is out; today where nobody ever is. */
const nextOut = (people: readonly { readonly week: WeekHours }[], today: Day): Day =>
  Array.from({ length: 7 }, (_, i) => addDays(today, i)).find((day) => people.some(({ week }) => isOut(week, day))) ??
  today;

const roundRows = together((select) => ({
  everybody: select
    .select({ id: member.id, name: member.name, week: member.week, branchId: member.branchId })
    .from(member)
    .where(isNull(member.leftAt))
    .orderBy(asc(member.name), asc(member.id)),
  branches: branchQuery(select),
}));

export function roundRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/round', async ({ tx, asker, query, today }) => {
    const its = await loadBusiness(tx);
    const { everybody, branches } = await roundRows(tx, {});
    const rows = peopleHere(everybody, branches);
    const day = query.day ?? nextOut(rows, today);
    const { start, end } = spanOf(asker.zone, day);
    const people = rows.map(({ id, name, week }) => ({ id, name, drives: isOut(week, day) }));
    const booked = (await appointmentsBetween(tx, start, end)).filter(({ state }) => !isGivenUp(state));
    const memberId =
      query.member ??
      (
        people.find(({ drives }) => drives) ??
        people.find(({ id }) => booked.some((each) => each.memberId === id)) ??
        people[0]
      )?.id ??
      null;
    const visits = booked.filter((each) => each.memberId === memberId);
    const dogs = await tx
      .select({ id: dog.id, profile: dog.profile, clientId: client.id, card: client.card })
      .from(dog)
      .innerJoin(client, eq(client.id, dog.clientId))
      .where(inArray(dog.id, [...new Set(visits.map(({ dogId }) => dogId))]));
    const known = new Map(dogs.map((each) => [each.id, each]));
    return {
      day,
      zone: asker.zone,
      memberId,
      people,
      van: its.van ?? USUAL_VAN,
      version: its.version,
      mayEdit: may(asker, 'say hours'),
      visits: visits.flatMap((each) => {
        const whose = known.get(each.dogId);
        if (!whose) return [];
        const { address } = whose.card;
        return [
          {
            appointment: each,
            clientId: whose.clientId,
            street: addressLine(address),
            at: address.coordinates,
            weightKg: whose.profile.weightKg,
          },
        ];
      }),
    };
  });

  route(router, services, 'PUT /api/van', async ({ tx, body }) => {
    const write = tx
      .update(business)
      .set({ version: sql`${business.version} + 1` })
      .where(eq(business.version, body.version))
      .returning({ version: business.version });
    const current = async () => {
      const { van, version } = await loadBusiness(tx);
      return { van: van ?? USUAL_VAN, version };
    };
    const changed = await updateGuarded(write, { what: 'van', current, yours: body });
    await tx.update(branch).set({ van: body.van }).where(isHere(branch.id));
    return changed;
  });

  route(router, services, 'PUT /api/round', async ({ tx, asker, body }) => {
    await takeTimes(tx, body.visits, asker.zone);
    return {};
  });
}

/**
 * Bookings get other times of their day, all or none: two that change places never stand in each other's way. Throws where
 * one was changed meanwhile, or another booking is in the way.
 */
async function takeTimes(tx: Tenant, visits: z.output<typeof roundTaken>['visits'], zone: string): Promise<void> {
  const ids = visits.map(({ id }) => id);
  const known = await tx.select().from(appointment).where(inArray(appointment.id, ids));
  if (known.length < ids.length) throw notFound('booking');
  const people = [...new Set(known.map(({ memberId }) => memberId))];
  if (people.length > 1) throw badField('visits', 'A round is one person’s.');
  await lockPerson(tx, people[0]!);
  const fresh = await tx.select().from(appointment).where(inArray(appointment.id, ids));
  const byId = new Map(fresh.map((each) => [each.id, each]));
  const moved = visits.map(({ id, version, startsAt }) => {
    const booked = byId.get(id)!;
    if (booked.version !== version || booked.state !== 'booked')
      throw new Refusal('conflict', 'One of these bookings was changed meanwhile. Look at the round again.');
    const start = new Date(startsAt);
    if (dayIn(zone, start) !== dayIn(zone, booked.startsAt)) throw badField('startsAt', 'A round is one day.');
    const endsAt = new Date(start.getTime() + (Number(booked.endsAt) - Number(booked.startsAt)));
    return { id, memberId: booked.memberId, startsAt: start, endsAt };
  });
  const others = (await takenTimes(tx, moved)).filter((each) => !ids.includes(each.id));
  const clash = moved.some((one) => others.some((other) => one.startsAt < other.endsAt && other.startsAt < one.endsAt));
  if (clash) throw new Refusal('conflict', 'Another booking of that person is in the way.');
  await writeTimes(tx, moved);
}
