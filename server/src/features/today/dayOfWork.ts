import type { Appointment, TodayView } from '@dewpond/contract';
import { SALON, USUAL_WEEK, weekdayOf, whereAt, type WeekHours } from '@dewpond/core/bookings';
import type { VisitEvent } from '@dewpond/core/events';
import { groupsOf, type WorkGroup } from '@dewpond/core/lineup';
import type { VisitContents } from '@dewpond/core/steps';
import type { Day } from '@dewpond/core/units';
import { readVisit } from '@dewpond/core/visit';
import type { StockedBusiness } from '../../records/business/business';
import { bathOf } from '../../records/dog/bathNeeds';
import type { DogRecord } from '../../records/dog/dogRecord';
import type { Planned } from '../../records/dog/facts';
import { ownMinutes } from '../../records/dog/ownMinutes';
import { dayIn, minuteIn } from '../../platform/time/zone';
import { fromPlan } from '../../records/dog/plans';

/** Who works when on a day; who is away works no hours. */
export function peopleOf(
  people: readonly { readonly id: string; readonly name: string; readonly week: WeekHours }[],
  gone: readonly { readonly person: string | null }[],
  day: Day,
): TodayView['people'] {
  return people.map(({ id, name, week }) => {
    const isAway = gone.some(({ person }) => person === null || person === id);
    const spans = isAway ? [] : (week[weekdayOf(day)] ?? []);
    // Who is out with the van has no hands at the salon.
    const here = spans.filter(({ where }) => where === SALON);
    return { id, name, hours: here.map(({ from, to }) => ({ from, to })), isAway };
  });
}

/** Whether the van goes to it: somebody is out at the time of the booking. */
export function isOutWithVan(
  people: readonly { readonly id: string; readonly week: WeekHours }[],
  { memberId, startsAt }: Pick<Appointment, 'memberId' | 'startsAt'>,
  zone: string,
): boolean {
  const at = new Date(startsAt);
  const week = people.find(({ id }) => id === memberId)?.week ?? USUAL_WEEK;
  return whereAt(week, dayIn(zone, at), minuteIn(zone, at)) !== SALON;
}

/** A whole visit, where nobody agreed on a time [house value]. */
const USUAL_MS = 90 * 60_000;

/** A visit that was begun without a booking, as one that was booked when it began: with whoever began it. Null where nobody knows. */
export function walkInOf(
  { visitId, dogId, createdAt }: { readonly visitId: string; readonly dogId: string; readonly createdAt: Date },
  events: readonly VisitEvent[],
  people: readonly { readonly id: string; readonly personId: string; readonly name: string }[],
  record: DogRecord | undefined,
): Appointment | null {
  const [first] = events;
  const who = people.find(({ personId }) => personId === first?.person) ?? people[0];
  const began = first ? first.at + (first.offset ?? 0) : Number(createdAt);
  if (!who || !record) return null;
  return {
    ...{ id: visitId, version: 1, dogId, visitId, dogName: record.dog.name },
    ...{ ownerId: record.client.id, ownerName: record.client.name, memberId: who.id, memberName: who.name },
    ...{ kind: 'full visit', agreed: null, state: 'booked', mayMove: false, seriesId: null, saidYes: false, note: '' },
    startsAt: new Date(began).toISOString(),
    endsAt: new Date(began + USUAL_MS).toISOString(),
  };
}

/** The owner likes this person, or the dog must have her. */
export const wishesPerson = ({ client, dog: its }: DogRecord, memberId: string): boolean =>
  client.wishes?.memberId === memberId || its.needs?.memberId === memberId;

/** The parts of a visit that are left: before anybody has looked at the dog, or after what was ticked. */
export function partsLeft(
  { kind, agreed }: VisitContents,
  events: readonly VisitEvent[],
  planned: Pick<Planned, 'facts' | 'plan'>,
  record: DogRecord,
  business: StockedBusiness,
): readonly WorkGroup[] {
  const { shown, contactMinutes } = bathOf(planned, business);
  const bath = shown ? { bath: shown } : {};
  const minutesFactor = ownMinutes(record, planned.facts);
  const before = { kind, agreed: agreed ?? null, ...planned, contactMinutes, ...bath, minutesFactor, lastFindings: [] };
  const left = () => {
    const { steps, state } = readVisit(before, events);
    return groupsOf(steps.filter(({ id }) => state.steps[id] === undefined));
  };
  if (events.length > 0) return left();
  const key = `parts ${kind} ${agreed?.parts.join()} ${contactMinutes} ${shown?.conditioned.wanted} ${JSON.stringify(minutesFactor)}`;
  return fromPlan(planned.plan, key, left);
}

/** What the salon has, by the core's names. */
export const placesOf = ({ places }: Pick<StockedBusiness, 'places'>): TodayView['places'] => ({
  table: places.tables,
  tub: places.tubs,
  dryer: places.dryers,
  crate: places.crates,
});
