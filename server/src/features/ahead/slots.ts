import {
  bestSlots,
  bookOf,
  choiceFor,
  dayOfWeeks,
  dogInWeeks,
  slotWords,
  usualCare,
  type DogInWeeks,
} from '@dewpond/core/bookings';
import type { SlotsView } from '@dewpond/contract';
import { usualMinutes, type VisitKind } from '@dewpond/core/steps';
import { daysBetween } from '@dewpond/core/units';
import { and, eq, gte, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { appointment, dog, member } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { atMinute } from '../../platform/time/zone';
import { loadStockedBusiness, type StockedBusiness } from '../../records/business/business';
import { loadDogs, type DogRecord } from '../../records/dog/dogRecord';
import { planFor, type Planned } from '../../records/dog/facts';
import { toPlan, toTime } from '../../records/weeks/inWeeks';
import { dogOfWeeks, dogsOfHousehold, keptPrices, loadTime, type WeeksAsked } from '../../records/weeks/loadWeeks';

/** Slots are looked for so far ahead. */
const HORIZON = 70;

export function slotRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/dogs/:id/slots', async ({ tx, asker, params, query, now, today }) => {
    const [record] = await loadDogs(tx, { ids: [params.id] });
    if (!record) throw notFound('dog');
    const business = await loadStockedBusiness(tx);
    const planned = planFor(record, business, today);
    const dog = toPlan(planned, record, business);
    const its = (dog && dogInWeeks(dog)) ?? usualCare(today, usualMinutes({ kind: 'full visit' }));
    const first = query.from && query.from > today ? query.from : today;
    const weeks = await weeksOf(tx, params.id, its, {
      asked: { zone: asker.zone, now, first, days: HORIZON, places: business.places },
      instead: query.instead ?? null,
    });
    if (!weeks) throw notFound('dog');
    const kept = await keptPrices(tx, first);
    const answers = (query.kind ? [query.kind] : kindsOf(its)).map((kind) => {
      const minutes = query.minutes ?? minutesOf(kind, its, { planned, record, business });
      const choice = kind === its.short?.name ? ('short' as const) : ('full' as const);
      const question = { book: weeks.book, dog: params.id, choice, minutes, together: weeks.together, kept };
      return { kind, minutes, ...bestSlots(question, business.planCosts) };
    });
    // Of a full visit and one between it is the one after which all of its care comes cheapest.
    const { kind, minutes, slots, lateBy } = answers.reduce((best, each) => (each.cost < best.cost ? each : best));
    const names = new Map(
      (await tx.select({ id: member.id, name: member.name }).from(member)).map(({ id, name }) => [id, name]),
    );
    return {
      kind,
      minutes,
      lateBy,
      everyWeeks: Math.max(1, Math.round(Math.min(...its.care.map(({ ideal }) => ideal)) / 7)),
      household: weeks.household,
      slots: slots.map(({ person, day, from, over, why }) => {
        const on = dayOfWeeks({ first }, day);
        return {
          memberId: person,
          memberName: names.get(person) ?? '',
          day: on,
          startsAt: atMinute(asker.zone, on, from).toISOString(),
          minutes,
          over,
          why: why.map(slotWords),
        };
      }),
      ...(await missedVisits(tx, record.client.id, now)),
    };
  });
}

/** Kinds that this dog is planned with. */
const kindsOf = ({ full, short }: DogInWeeks): VisitKind[] =>
  [full, ...(short ? [short] : [])].map(({ name }) => name as VisitKind);

interface WeeksWanted {
  readonly asked: WeeksAsked;
  readonly instead: string | null;
}

/** The weeks with one dog in them: what is free, and the days on which its household comes. */
async function weeksOf(tx: Tenant, dogId: string, its: DogInWeeks, { asked, instead }: WeeksWanted) {
  const time = await loadTime(tx, asked);
  const of = await dogOfWeeks(tx, dogId, its);
  if (!of) return null;
  const household = await dogsOfHousehold(tx, of.household, dogId);
  const booked = time.booked.filter(({ id }) => id !== instead).map((each) => ({ ...each, mayMove: false }));
  return {
    book: bookOf({ ...time, booked, dogs: [of] }),
    household: household.map(({ name }) => name),
    together: booked
      .filter(({ dog: id }) => household.some((each) => each.id === id))
      .map(({ day }) => daysBetween(asked.first, day)),
  };
}

interface Known {
  readonly planned: Planned;
  readonly record: DogRecord;
  readonly business: StockedBusiness;
}

/** This dog's minutes for such a visit; a lesson takes what a lesson takes. */
function minutesOf(kind: SlotsView['kind'], { full, short }: DogInWeeks, { planned, record, business }: Known): number {
  if (kind === full.name) return full.minutes;
  if (kind === short?.name) return short.minutes;
  if (kind === 'lesson' || kind === 'as agreed') return usualMinutes({ kind });
  return choiceFor({ kind }, toTime(planned, record, business)).minutes;
}

const WITHIN = sql`interval '24 hours'`;

/** How often this client did not come, or cancelled within a day of it, in two years. */
async function missedVisits(
  tx: Tenant,
  clientId: string,
  now: number,
): Promise<Pick<SlotsView, 'noShows' | 'lateCancellations'>> {
  const since = new Date(now - 730 * 86_400_000);
  const [row] = await tx
    .select({
      noShows: sql<number>`count(*) filter (where ${appointment.state} = 'no show')`.mapWith(Number),
      lateCancellations:
        sql<number>`count(*) filter (where ${appointment.state} = 'cancelled' and ${appointment.cancelledBy} = 'owner' and ${appointment.cancelledAt} > ${appointment.startsAt} - ${WITHIN})`.mapWith(
          Number,
        ),
    })
    .from(appointment)
    .innerJoin(dog, eq(dog.id, appointment.dogId))
    .where(and(eq(dog.clientId, clientId), gte(appointment.startsAt, since)));
  return row ?? { noShows: 0, lateCancellations: 0 };
}
