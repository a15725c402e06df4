import type { TodayDog, TodayView } from '@dewpond/contract';
import { isGivenUp } from '@dewpond/core/bookings';
import { onTheDay } from '@dewpond/core/lineup';
import { barsOf } from '@dewpond/core/careplan';
import { type DogFacts } from '@dewpond/core/dog';
import { MAY_SPREAD, STOP_WORDS, signWords, stopsAtLeast } from '@dewpond/core/findings';
import { SIDES, namePlace, placeKey, placeOf, type Place } from '@dewpond/core/places';
import { barsAt } from '@dewpond/core/stops';
import { foldVisit } from '@dewpond/core/visit';
import type { VisitEvent } from '@dewpond/core/events';
import { reasonsTold } from '@dewpond/core/wording';
import { and, asc, eq, gte, isNotNull, isNull, lt, lte } from 'drizzle-orm';
import type { QueryBuilder } from 'drizzle-orm/pg-core';
import type { Router } from 'express';
import { appointmentsBetween } from '../../records/appointments/appointments';
import { isHere, isHereOrEverywhere } from '../../platform/db/branch';
import { appointment as booking, away, dog, member, visit } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { together, type AskedFor } from '../../platform/db/together';
import { carePlanFor, describe, type Planned } from '../../records/dog/facts';
import { loadDogs, marksOf, type DogRecord } from '../../records/dog/dogRecord';
import { openFindings } from '../../records/dog/openFindings';
import { branchQuery, peopleHere } from '../../records/business/branches';
import { loadStockedBusiness } from '../../records/business/business';
import { spanOf } from '../../platform/time/zone';
import type { Services } from '../../platform/http/context';
import { route } from '../../platform/http/route';
import { loadEvents } from '../../records/visit/load';
import { isOutWithVan, partsLeft, peopleOf, placesOf, walkInOf, wishesPerson } from './dayOfWork';

export function todayRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/today', async ({ tx, asker, query, today }) => {
    const day = query?.day ?? today;
    const { start, end } = spanOf(asker.zone, day);
    const [business, booked, open] = await Promise.all([
      loadStockedBusiness(tx),
      appointmentsBetween(tx, start, end),
      openRows(tx, { day, start, end }),
    ]);
    const appointments = booked.filter(({ state }) => !isGivenUp(state));
    const records = await loadDogs(tx, {
      ids: [...new Set([...appointments, ...open.unbooked].map((each) => each.dogId))],
    });
    const people = peopleHere(open.people, open.branches);
    const byId = new Map(
      records.map((record) => [record.dog.id, { record, planned: carePlanFor(record, business, day) }]),
    );
    const atWork = appointments.filter(({ visitId, state }) => visitId !== null && state !== 'done');
    const events = await eventsOf(tx, [...atWork, ...open.returning, ...open.unbooked]);
    const byHand = new Map(open.set.map((row) => [row.id, row.byHand]));
    const known = [
      ...appointments.map((appointment) => ({ appointment, walkIn: false })),
      ...open.unbooked.flatMap((each) => {
        const its = walkInOf(each, events.get(each.visitId) ?? [], people, byId.get(each.dogId)?.record);
        return its ? [{ appointment: its, walkIn: true }] : [];
      }),
    ].flatMap(({ appointment, walkIn }) => {
      const dog = byId.get(appointment.dogId);
      return dog ? [{ appointment, walkIn, ...dog }] : [];
    });
    return {
      day,
      zone: business.zone,
      dogs: known.map(({ appointment, walkIn, record, planned }): TodayDog => {
        const begun = walkIn || atWork.includes(appointment);
        const its = (appointment.visitId !== null && events.get(appointment.visitId)) || [];
        return {
          appointment,
          words: describe(record, planned.facts, business),
          groups: appointment.state === 'done' ? [] : partsLeft(appointment, its, planned, record, business),
          household: record.client.householdId ?? record.client.id,
          notWith: record.dog.needs?.notWith ?? [],
          walkIn,
          isOut: isOutWithVan(people, appointment, business.zone),
          begun,
          keepsPerson: wishesPerson(record, appointment.memberId),
          ...onTheDay(planned.facts),
          maySpread: openFindings(record).some(({ sign }) => MAY_SPREAD.includes(sign)),
          byHand: byHand.get(appointment.id) ?? null,
        };
      }),
      people: peopleOf(people, open.away, day),
      places: placesOf(business),
      returning: withWhy(open.returning, events),
      unbooked: open.unbooked.map(({ visitId, dogId, dog }) => ({ visitId, dogId, dog })),
      watch: [...byId.values()].flatMap(({ record, planned }) => watchOut(record, planned)),
    };
  });
}

const openVisits = (select: QueryBuilder) =>
  select
    .select({ visitId: visit.id, dogId: visit.dogId, dog: dog.name, createdAt: visit.createdAt })
    .from(visit)
    .innerJoin(dog, and(eq(dog.id, visit.dogId), isHere(dog.branchId)));
/**
 * Visits that are open besides the booked ones: to be finished on this day, or begun on it without a booking; who works, who
 * is away, and what was set by hand.
 */
const openQueries = (
  select: QueryBuilder,
  { day, start, end }: { day: AskedFor<string>; start: AskedFor<Date>; end: AskedFor<Date> },
) => ({
  returning: openVisits(select).where(and(isNull(visit.closed), eq(visit.backOn, day))),
  unbooked: openVisits(select)
    .where(and(isNull(visit.closed), isNull(visit.backOn), isNull(visit.appointmentId), eq(visit.day, day)))
    .orderBy(asc(visit.createdAt)),
  people: select
    .select({
      ...{ id: member.id, personId: member.personId, name: member.name },
      ...{ week: member.week, branchId: member.branchId },
    })
    .from(member)
    .where(isNull(member.leftAt))
    .orderBy(asc(member.name), asc(member.id)),
  branches: branchQuery(select),
  away: select
    .select({ person: away.memberId })
    .from(away)
    .where(and(lte(away.fromDay, day), gte(away.toDay, day), isHereOrEverywhere(away.branchId))),
  set: select
    .select({ id: booking.id, byHand: booking.byHand })
    .from(booking)
    .where(and(gte(booking.startsAt, start), lt(booking.startsAt, end), isNotNull(booking.byHand))),
});
const openRows = together(openQueries);

type Events = ReadonlyMap<string, readonly VisitEvent[]>;

/** What was told of these visits; however many, in one statement, and in none where there are none. */
async function eventsOf(tx: Tenant, visits: readonly { readonly visitId: string | null }[]): Promise<Events> {
  const ids = visits.flatMap(({ visitId }) => visitId ?? []);
  return ids.length === 0 ? new Map() : loadEvents(tx, ids);
}

/** Why each was broken off, as it was told. */
const withWhy = (
  rows: readonly { readonly visitId: string; readonly dogId: string; readonly dog: string }[],
  events: Events,
): TodayView['returning'] =>
  rows.map(({ visitId, dogId, dog: name }) => {
    const { away: gone } = foldVisit(events.get(visitId) ?? []);
    return { visitId, dogId, dog: name, because: gone?.because.words ?? '' };
  });

/** Places that are barred before the dog is on the table: an earlier stop that no vet has answered, drops, an operation. */
function barredAhead(dog: string, facts: DogFacts): TodayView['watch'] {
  const bars = barsOf(facts);
  const places = [
    ...SIDES.flatMap((side): Place[] => [
      { site: 'ear', side },
      { site: 'eye', side },
    ]),
    ...Object.keys(facts.suspended).map(placeOf),
  ];
  const keys = [...new Set(places.map(placeKey))];
  return keys.flatMap((key) => {
    const place = placeOf(key);
    const [worst, ...others] = barsAt(bars, place).filter(
      ({ stop, lifted }) => stopsAtLeast(stop, 'S1') && lifted === null,
    );
    if (!worst) return [];
    const why = reasonsTold([worst, ...others].map(({ reason }) => reason));
    return [{ mark: 'vet' as const, dog, words: `${namePlace(place)}: ${why}. ${STOP_WORDS[worst.stop]}` }];
  });
}

/** What must not be forgotten about a dog today, the gravest first. */
function watchOut(record: DogRecord, { facts, plan }: Pick<Planned, 'facts' | 'plan'>): TodayView['watch'] {
  const dog = record.dog.name;
  const own = plan.bathProduct
    ? [
        {
          mark: 'own' as const,
          dog,
          words: `${plan.bathProduct.who}: own wash, ${plan.bathProduct.contactMinutes} min contact${plan.bathProduct.nothingElse ? ', nothing else on the skin' : ''}.`,
        },
      ]
    : [];
  const short =
    facts.lifeStage === 'senior' || !facts.canStandThroughBath
      ? [
          {
            mark: 'short' as const,
            dog,
            words: facts.canStandThroughBath
              ? 'senior: short stay, breaks.'
              : 'cannot stand through a bath: lying, in parts, towel-dry.',
          },
        ]
      : [];
  const handle =
    marksOf(record).length > 0 ? [{ mark: 'handle' as const, dog, words: `${marksOf(record).join('; ')}.` }] : [];
  const suspended = new Set(Object.keys(facts.suspended));
  const ask = openFindings(record)
    .filter((found) => !suspended.has(placeKey(found.place)))
    .slice(0, 1)
    .map((found) => ({
      mark: 'ask' as const,
      dog,
      words: `ask about the ${namePlace(found.place)}: ${signWords(found.sign).name} last time.`,
    }));
  return [...barredAhead(dog, facts), ...own, ...short, ...handle, ...ask];
}
