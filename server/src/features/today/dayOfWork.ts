import type { TodayView } from '@dewpond/contract';
import { USUAL_WEEK, weekdayOf, type WeekHours } from '@dewpond/core/bookings';
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
import { fromPlan } from '../../records/dog/plans';

/** Who works when on a day; who is away works no hours. */
export function peopleOf(
  people: readonly { readonly id: string; readonly name: string; readonly week: WeekHours | null }[],
  gone: readonly { readonly person: string | null }[],
  day: Day,
): TodayView['people'] {
  return people.map(({ id, name, week }) => {
    const isAway = gone.some(({ person }) => person === null || person === id);
    const spans = isAway ? [] : ((week ?? USUAL_WEEK)[weekdayOf(day)] ?? []);
    return { id, name, hours: spans.map(({ from, to }) => ({ from, to })), isAway };
  });
}

/** The owner likes this person, or the dog must have her. */
export const wishesPerson = ({ client, dog: its }: DogRecord, memberId: string): boolean =>
  client.wishes?.memberId === memberId || its.needs?.memberId === memberId;

/** The parts of a visit that are left: before anybody has looked at the dog, or after what was ticked. */
export function partsLeft(
  { kind, agreed }: VisitContents,
  events: readonly VisitEvent[],
  planned: Omit<Planned, 'due'>,
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
