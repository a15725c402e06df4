import type { Finding } from '@dewpond/core/findings';
import type { Place, PlaceKey } from '@dewpond/core/places';
import type { Day } from '@dewpond/core/units';
import { happening } from '@dewpond/contract';
import { EVENT_VERSION, inOrder, unread, upToDate, type VisitEvent } from '@dewpond/core/events';
import { placesToLookAt, readVisit, type VisitReading } from '@dewpond/core/visit';
import { type VisitKind } from '@dewpond/core/steps';
import { eq } from 'drizzle-orm';
import { appointment, visit, visitEvent } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { lastInspection, planFor, type Planned } from '../dog/facts';
import { contactMinutes, contactMost } from '../dog/bathNeeds';
import { loadDogs, type DogRecord } from '../dog/dogRecord';
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
  readonly contactMinutes: number;
  readonly contactMost: number | null;
  readonly kind: VisitKind;
}

export async function loadVisit(tx: Tenant, business: StockedBusiness, id: string): Promise<LoadedVisit> {
  const [row] = await tx.select().from(visit).where(eq(visit.id, id));
  if (!row) throw notFound('visit');
  const [record] = await loadDogs(tx, { ids: [row.dogId], before: row });
  if (!record) throw notFound('dog');
  const [booked] =
    row.appointmentId === null
      ? []
      : await tx.select({ kind: appointment.kind }).from(appointment).where(eq(appointment.id, row.appointmentId));
  return replay(prepare(row, record, business, booked?.kind ?? 'full visit'), await loadEvents(tx, id));
}

export async function loadEvents(tx: Tenant, visitId: string): Promise<VisitEvent[]> {
  const rows = await tx.select().from(visitEvent).where(eq(visitEvent.visitId, visitId));
  return rows
    .map(({ id, v, counter, device, personId: person, at, offset, seen, what }) =>
      readEvent({ id, v, counter, device, person, at, offset, seen, what }),
    )
    .toSorted(inOrder);
}

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
  kind: VisitKind,
): Omit<PreparedVisit, 'row'> {
  const planned = planFor(record, business, day);
  const { facts, plan } = planned;
  return {
    record,
    planned,
    lastTime: lastInspection(record),
    places: placesToLookAt(facts),
    contactMinutes: contactMinutes(business, facts, plan),
    contactMost: contactMost(business, facts, plan),
    kind,
  };
}

function prepare(
  row: LoadedVisit['row'],
  record: DogRecord,
  business: StockedBusiness,
  kind: VisitKind,
): PreparedVisit {
  return { row, ...prepareFor(record, business, row.day as Day, kind) };
}

/** The core's reading of a visit from its events. Pure, so that the rebuild and the request agree. */
export function replay(prepared: PreparedVisit, events: readonly VisitEvent[]): LoadedVisit {
  const { planned, kind, contactMinutes, contactMost } = prepared;
  const { minutesFactor } = prepared.record;
  const lastFindings = prepared.lastTime?.findings ?? [];
  return {
    ...prepared,
    events,
    ...readVisit({ kind, ...planned, contactMinutes, contactMost, minutesFactor, lastFindings }, events),
  };
}
