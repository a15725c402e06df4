import type { TodayDog, TodayView } from '@dewpond/contract';
import { barsOf } from '@dewpond/core/careplan';
import { type DogFacts } from '@dewpond/core/dog';
import { STOP_WORDS, signWords, stopsAtLeast } from '@dewpond/core/findings';
import { SIDES, namePlace, placeKey, placeOf, type Place } from '@dewpond/core/places';
import { barsAt } from '@dewpond/core/stops';
import { foldVisit, readVisit } from '@dewpond/core/visit';
import { timeline, type VisitContents } from '@dewpond/core/steps';
import { reasonsTold } from '@dewpond/core/wording';
import { and, asc, eq, isNull } from 'drizzle-orm';
import type { QueryBuilder } from 'drizzle-orm/pg-core';
import type { Router } from 'express';
import { appointmentsBetween } from '../../records/appointments/appointments';
import { dog, visit } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { together, type AskedFor } from '../../platform/db/together';
import { carePlanFor, describe, type Planned } from '../../records/dog/facts';
import { bathOf } from '../../records/dog/bathNeeds';
import { ownMinutes } from '../../records/dog/ownMinutes';
import { loadDogs, marksOf, type DogRecord } from '../../records/dog/dogRecord';
import { fromPlan } from '../../records/dog/plans';
import { openFindings } from '../../records/dog/openFindings';
import { loadStockedBusiness, type StockedBusiness } from '../../records/business/business';
import { spanOf } from '../../platform/time/zone';
import type { Services } from '../../platform/http/context';
import { route } from '../../platform/http/route';
import { loadEvents } from '../../records/visit/load';

export function todayRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/today', async ({ tx, asker, query, today }) => {
    const day = query?.day ?? today;
    const { start, end } = spanOf(asker.zone, day);
    const [business, booked, open] = await Promise.all([
      loadStockedBusiness(tx),
      appointmentsBetween(tx, start, end),
      openRows(tx, { day }),
    ]);
    const appointments = booked.filter((each) => each.state !== 'cancelled');
    const records = await loadDogs(tx, { ids: [...new Set(appointments.map((each) => each.dogId))] });
    const byId = new Map(
      records.map((record) => [record.dog.id, { record, planned: carePlanFor(record, business, day) }]),
    );
    const known = appointments.flatMap((appointment) => {
      const dog = byId.get(appointment.dogId);
      return dog ? [{ appointment, ...dog }] : [];
    });
    return {
      day,
      zone: business.zone,
      dogs: known.map(({ appointment, record, planned }): TodayDog => ({
        appointment,
        words: describe(record, planned.facts, business),
        stages: stagesOf(appointment, planned, record, business),
      })),
      returning: await withWhy(tx, open.returning),
      unbooked: open.unbooked,
      watch: [...byId.values()].flatMap(({ record, planned }) => watchOut(record, planned)),
    };
  });
}

const openVisits = (select: QueryBuilder) =>
  select
    .select({ visitId: visit.id, dogId: visit.dogId, dog: dog.name })
    .from(visit)
    .innerJoin(dog, eq(dog.id, visit.dogId));
/** Visits that are open besides the booked ones: to be finished on this day, or begun on it without a booking. */
const openRows = together((select, { day }: { day: AskedFor<string> }) => ({
  returning: openVisits(select).where(and(isNull(visit.closed), eq(visit.backOn, day))),
  unbooked: openVisits(select)
    .where(and(isNull(visit.closed), isNull(visit.backOn), isNull(visit.appointmentId), eq(visit.day, day)))
    .orderBy(asc(visit.createdAt)),
}));

/** Why each was broken off, as it was told; however many, in a fixed number of statements. */
async function withWhy(
  tx: Tenant,
  rows: readonly Omit<TodayView['returning'][number], 'because'>[],
): Promise<TodayView['returning']> {
  if (rows.length === 0) return [];
  const events = await loadEvents(
    tx,
    rows.map(({ visitId }) => visitId),
  );
  return rows.map((row) => {
    const { away } = foldVisit(events.get(row.visitId) ?? []);
    return { ...row, because: away?.because.words ?? '' };
  });
}

/** The day's stages before anybody has looked at the dog. */
function stagesOf(
  { kind, agreed }: VisitContents,
  planned: Omit<Planned, 'due'>,
  record: DogRecord,
  business: StockedBusiness,
): TodayDog['stages'] {
  const { shown, contactMinutes } = bathOf(planned, business);
  const bath = shown ? { bath: shown } : {};
  const minutesFactor = ownMinutes(record, planned.facts);
  const key = `stages ${kind} ${agreed?.parts.join()} ${contactMinutes} ${shown?.conditioned.wanted} ${JSON.stringify(minutesFactor)}`;
  return fromPlan(planned.plan, key, () =>
    timeline(
      readVisit(
        { kind, agreed: agreed ?? null, ...planned, contactMinutes, ...bath, minutesFactor, lastFindings: [] },
        [],
      ).steps,
    ),
  );
}

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
function watchOut(record: DogRecord, { facts, plan }: Omit<Planned, 'due'>): TodayView['watch'] {
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
