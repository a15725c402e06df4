import {
  bestSlots,
  bookOf,
  choiceFor,
  dayOfWeeks,
  dogInWeeks,
  slotWords,
  usualCare,
  type DogInWeeks,
  type DogOfWeeks,
} from '@dewpond/core/bookings';
import type { SlotsView } from '@dewpond/contract';
import { usualMinutes, type VisitKind } from '@dewpond/core/steps';
import { daysBetween, type Day } from '@dewpond/core/units';
import { and, eq, gte, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { appointment, dog, member } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { badField, notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { atMinute, dayIn } from '../../platform/time/zone';
import { standWhereDogIs } from '../../records/business/branches';
import { loadStockedBusiness, type StockedBusiness } from '../../records/business/business';
import { nextBooked } from '../../records/appointments/appointments';
import { loadDogs, type DogRecord } from '../../records/dog/dogRecord';
import { planFor, type Planned } from '../../records/dog/facts';
import { toPlan, toTime } from '../../records/weeks/inWeeks';
import { dogOfWeeks, dogsOfHousehold, keptPrices, loadTime, type WeeksAsked } from '../../records/weeks/loadWeeks';

/** Slots are looked for so far ahead. */
const HORIZON = 70;
const FARTHEST = 366;

export function slotRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/dogs/:id/slots', async ({ tx, asker, params, query, now, today }) => {
    const ids = [...new Set([params.id, ...(query.with ?? [])])];
    await standWhereDogIs(tx, params.id);
    const business = await loadStockedBusiness(tx);
    const records = await loadDogs(tx, { ids });
    const [comer, ...others] = ids.map((id) => comerOf(records, id, business, today)) as [DogComing, ...DogComing[]];
    const first = query.from && query.from > today ? query.from : today;
    const only = query.on === undefined ? undefined : daysBetween(first, query.on);
    if (only !== undefined && only > FARTHEST) throw badField('on', 'That is more than a year ahead.');
    const weeks = await weeksOf(tx, [comer, ...others], {
      asked: { zone: asker.zone, now, first, days: Math.max(HORIZON, (only ?? 0) + 1), places: business.places },
      instead: query.instead ?? null,
    });
    const kept = await keptPrices(tx, first);
    const best = (each: DogComing, kind: VisitKind, along: readonly Along[]) => {
      const minutes = query.minutes && each === comer ? query.minutes : minutesOf(kind, each, business);
      const question = {
        ...{ book: weeks.book, dog: each.id, choice: choiceOf(kind, each), together: weeks.together, kept },
        others: along.map(({ its, kind: forWhat }) => ({ dog: its.id, choice: choiceOf(forWhat, its) })),
        minutes,
        ...(only === undefined ? {} : { on: only }),
      };
      return { kind, minutes, ...bestSlots(question, business.planCosts) };
    };
    // Who comes along comes for what is best for it alone.
    const along = others.map((its): Along => {
      const { kind, minutes } = cheapest(kindsOf(its).map((each) => best(its, each, [])));
      return { its, kind, minutes };
    });
    // Of a full visit and one between it is the one after which all of its care comes cheapest.
    const answers = (query.kind ? [query.kind] : kindsOf(comer)).map((each) => best(comer, each, along));
    const { kind, minutes, slots, lateBy } = cheapest(answers);
    const names = new Map(
      (await tx.select({ id: member.id, name: member.name }).from(member)).map(({ id, name }) => [id, name]),
    );
    const visits = [{ its: comer, kind, minutes }, ...along];
    return {
      kind,
      minutes,
      lateBy,
      everyWeeks: Math.max(1, Math.round(Math.min(...comer.its.care.map(({ ideal }) => ideal)) / 7)),
      visits: visits.map((each) => ({
        dogId: each.its.id,
        name: each.its.record.dog.name,
        kind: each.kind,
        minutes: each.minutes,
      })),
      household: await householdOf(tx, weeks.household, comer.record.client.id, asker.zone, now),
      slots: slots.map(({ person, day, from, to, along: then, over, why }) => {
        const on = dayOfWeeks({ first }, day);
        return {
          memberId: person,
          memberName: names.get(person) ?? '',
          day: on,
          startsAt: atMinute(asker.zone, on, from).toISOString(),
          minutes: to - from,
          along: then.map((each) => ({
            dogId: each.dog,
            memberId: each.person,
            memberName: names.get(each.person) ?? '',
            startsAt: atMinute(asker.zone, on, each.from).toISOString(),
            minutes: each.to - each.from,
          })),
          over,
          why: why.map(slotWords),
        };
      }),
      ...(await missedVisits(tx, comer.record.client.id, now)),
    };
  });
}

/** A dog that is to come, with what it is planned from. */
interface DogComing {
  readonly id: string;
  readonly record: DogRecord;
  readonly planned: Planned;
  readonly its: DogInWeeks;
}

/** One that comes along, and for what. */
interface Along {
  readonly its: DogComing;
  readonly kind: VisitKind;
  readonly minutes: number;
}

function comerOf(records: readonly DogRecord[], id: string, business: StockedBusiness, today: Day): DogComing {
  const record = records.find(({ dog }) => dog.id === id);
  if (!record) throw notFound('dog');
  const planned = planFor(record, business, today);
  const dog = toPlan(planned, record, business);
  const its = (dog && dogInWeeks(dog)) ?? usualCare(today, usualMinutes({ kind: 'full visit' }));
  return { id, record, planned, its };
}

const cheapest = <Answer extends { readonly cost: number }>(answers: readonly Answer[]): Answer =>
  answers.reduce((best, each) => (each.cost < best.cost ? each : best));

const choiceOf = (kind: VisitKind, { its }: DogComing): 'full' | 'short' =>
  kind === its.short?.name ? 'short' : 'full';

/** Kinds that this dog is planned with. */
const kindsOf = ({ its: { full, short } }: DogComing): VisitKind[] =>
  [full, ...(short ? [short] : [])].map(({ name }) => name as VisitKind);

interface WeeksWanted {
  readonly asked: WeeksAsked;
  readonly instead: string | null;
}

/** The weeks with those that come in them: what is free, and the days on which others of their household come. */
async function weeksOf(tx: Tenant, comers: readonly [DogComing, ...DogComing[]], { asked, instead }: WeeksWanted) {
  const time = await loadTime(tx, asked);
  const dogs = [];
  for (const { id, its } of comers) {
    const of = await dogOfWeeks(tx, id, its);
    if (!of) throw notFound('dog');
    dogs.push(of);
  }
  const [first] = dogs as [DogOfWeeks & { readonly drive: number }];
  const household = await dogsOfHousehold(tx, first.household, first.id);
  const booked = time.booked.filter(({ id }) => id !== instead).map((each) => ({ ...each, mayMove: false }));
  const comes = new Set(comers.map(({ id }) => id));
  return {
    book: bookOf({ ...time, booked, dogs, drive: { [first.household]: Math.max(...dogs.map(({ drive }) => drive)) } }),
    household,
    together: booked
      .filter(({ dog: id }) => !comes.has(id) && household.some((each) => each.id === id))
      .map(({ day }) => daysBetween(asked.first, day)),
  };
}

/** Others of the household, with when they come next. */
async function householdOf(
  tx: Tenant,
  dogs: readonly { readonly id: string; readonly name: string; readonly clientId: string }[],
  ownerId: string,
  zone: string,
  now: number,
): Promise<SlotsView['household']> {
  if (dogs.length === 0) return [];
  const next = await nextBooked(tx, new Date(now));
  return dogs.map(({ id, name, clientId }) => {
    const at = next.get(id);
    return { id, name, sameOwner: clientId === ownerId, booked: at === undefined ? null : dayIn(zone, new Date(at)) };
  });
}

/** This dog's minutes for such a visit; a lesson takes what a lesson takes. */
function minutesOf(
  kind: VisitKind,
  { its: { full, short }, planned, record }: DogComing,
  business: StockedBusiness,
): number {
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
