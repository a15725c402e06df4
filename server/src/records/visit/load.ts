import type { Finding } from '@dewpond/core/findings';
import type { Place, PlaceKey } from '@dewpond/core/places';
import type { Day } from '@dewpond/core/units';
import { happening } from '@dewpond/contract';
import { EVENT_VERSION, inOrder, unread, upToDate, type VisitEvent } from '@dewpond/core/events';
import { placesToLookAt, readVisit, type BeforeVisit, type ChosenBath, type VisitReading } from '@dewpond/core/visit';
import type { VisitContents } from '@dewpond/core/steps';
import { group } from 'd3-array';
import { eq, getTableColumns, inArray, sql } from 'drizzle-orm';
import type { QueryBuilder } from 'drizzle-orm/pg-core';
import { appointment, visit, visitEvent } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { anyOf, ownColumns, together, type AskedFor, type RowsOf } from '../../platform/db/together';
import { lastInspection, planFor, type Planned } from '../dog/facts';
import { ownMinutes } from '../dog/ownMinutes';
import { bathOf } from '../dog/bathNeeds';
import { recordsOf, type DogRecord } from '../dog/dogRecord';
import { dogQueries } from '../dog/dogRows';
import type { StockedBusiness } from '../business/business';
import { notFound } from '../../platform/http/problem';

/** A visit with everything the core makes of it. The dog is taken as it was known when the visit began. */
export interface LoadedVisit extends VisitReading {
  readonly row: typeof visit.$inferSelect;
  readonly record: DogRecord;
  /** The dog and its plan as known that morning, before anyone was asked. */
  readonly planned: Planned;
  readonly events: readonly VisitEvent[];
  readonly lastTime: { readonly day: Day; readonly findings: Finding[]; readonly looked: PlaceKey[] } | null;
  readonly places: readonly Place[];
  readonly bath: ChosenBath;
  readonly contents: VisitContents;
  /** What was noted when it was booked; may be empty. */
  readonly bookingNote: string;
}

/** Some visits with their events, and all that is kept of their dogs, as selects. */
export const visitQueries = (select: QueryBuilder, ids: AskedFor<readonly string[]>) => ({
  ...dogQueries(
    select,
    (dogId) => sql`${dogId} in ${select.select({ dogId: visit.dogId }).from(visit).where(anyOf(visit.id, ids))}`,
  ),
  opened: select
    .select({ row: getTableColumns(visit), kind: appointment.kind, agreed: appointment.agreed, note: appointment.note })
    .from(visit)
    .leftJoin(appointment, eq(appointment.id, visit.appointmentId))
    .where(anyOf(visit.id, ids)),
  events: select.select(ownColumns(visitEvent)).from(visitEvent).where(anyOf(visitEvent.visitId, ids)),
});

const visitRows = together((select, { ids }: { ids: AskedFor<readonly string[]> }) => visitQueries(select, ids));

/** Visits with everything the core makes of them, in one statement however many; those that are not there are left out. */
export async function loadVisits(
  tx: Tenant,
  business: StockedBusiness,
  ids: readonly string[],
): Promise<ReadonlyMap<string, LoadedVisit>> {
  if (ids.length === 0) return new Map();
  return visitsOf(await visitRows(tx, { ids }), business);
}

export function visitsOf(
  rows: RowsOf<ReturnType<typeof visitQueries>>,
  business: StockedBusiness,
): ReadonlyMap<string, LoadedVisit> {
  const events = group(rows.events, ({ visitId }) => visitId);
  return new Map(
    rows.opened.flatMap(({ row, kind, agreed, note }) => {
      const its = { ...rows, dogs: rows.dogs.filter(({ dog: { id } }) => id === row.dogId) };
      const [record] = recordsOf(its, row);
      if (!record) return [];
      const booked = { contents: { kind: kind ?? 'full visit', agreed }, note: note ?? '' } as const;
      const prepared: PreparedVisit = { row, ...prepareFor(record, business, row.day as Day, booked) };
      return [[row.id, replay(prepared, asEvents(events.get(row.id) ?? []))] as const];
    }),
  );
}

/** Throws 404 where there is no such visit. */
export async function loadVisit(tx: Tenant, business: StockedBusiness, id: string): Promise<LoadedVisit> {
  const loaded = (await loadVisits(tx, business, [id])).get(id);
  if (!loaded) throw notFound('visit');
  return loaded;
}

/** The events of some visits, by visit, each in order. */
export async function loadEvents(
  tx: Tenant,
  visitIds: readonly string[],
): Promise<ReadonlyMap<string, readonly VisitEvent[]>> {
  const rows = await tx
    .select()
    .from(visitEvent)
    .where(inArray(visitEvent.visitId, [...visitIds]));
  const byVisit = group(rows, (row) => row.visitId);
  return new Map([...byVisit].map(([visitId, its]) => [visitId, asEvents(its)]));
}

/** Rows of one visit as events, in order. */
const asEvents = (rows: readonly EventRow[]): VisitEvent[] =>
  rows
    .map(({ id, v, counter, device, personId: person, at, offset, seen, what }) =>
      readEvent({ id, v, counter, device, person, at, offset, seen, what }),
    )
    .toSorted(inOrder);
type EventRow = Omit<typeof visitEvent.$inferSelect, 'businessId'>;

/** An event of any version: an older one in today's shape, a newer one as far as it is of a form that is known. */
export function readEvent(event: Parameters<typeof upToDate>[0]): VisitEvent {
  const isRead = event.v <= EVENT_VERSION || happening.safeParse(event.what).success;
  return upToDate(isRead ? event : { ...event, what: unread(event.what) });
}

/** What stands before the first event: the dog's plan, last time, the places to look at. */
export type PreparedVisit = Omit<LoadedVisit, 'events' | keyof VisitReading>;

/** What stands before the first event, whether or not there is a visit yet. */
export function prepareFor(
  record: DogRecord,
  business: StockedBusiness,
  day: Day,
  { contents, note }: { readonly contents: VisitContents; readonly note: string },
): Omit<PreparedVisit, 'row'> {
  const planned = planFor(record, business, day);
  return {
    record,
    planned,
    lastTime: lastInspection(record),
    places: placesToLookAt(planned.facts),
    bath: bathOf(planned, business),
    contents,
    bookingNote: note,
  };
}

/** The core's reading of a visit from its events. Pure, so that the rebuild and the request agree. */
export const replay = (prepared: PreparedVisit, events: readonly VisitEvent[]): LoadedVisit => ({
  ...prepared,
  events,
  ...readVisit(beforeVisit(prepared), events),
});

/** What stood before the first event, as the core takes it. */
export const beforeVisit = ({ record, planned, contents, bath, lastTime }: PreparedVisit): BeforeVisit => ({
  ...contents,
  ...planned,
  contactMinutes: bath.contactMinutes,
  contactMost: bath.contactMost,
  ...(bath.shown ? { bath: bath.shown } : {}),
  minutesFactor: ownMinutes(record, planned.facts),
  lastFindings: lastTime?.findings ?? [],
});
