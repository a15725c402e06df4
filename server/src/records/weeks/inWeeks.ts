import { careToBook, type DogInWeeks, type DogToPlan, type DogToTime } from '@dewpond/core/bookings';
import { homeTaskName, homeTasks } from '@dewpond/core/homecare';
import type { ThreadWork } from '../../platform/threads/work';
import type { StockedBusiness } from '../business/business';
import { bathOf } from '../dog/bathNeeds';
import type { DogRecord } from '../dog/dogRecord';
import type { Planned } from '../dog/facts';
import { ownMinutes } from '../dog/ownMinutes';

/** Crosses to the thread without its plan, which is made there: making it costs about as much as copying it. */
export type DogCrossing = Omit<DogToPlan, 'plan'>;

/** Lists of steps for every kind of visit of many dogs: longer than whoever else waits should be held up. */
export const IN_WEEKS: ThreadWork<readonly (DogCrossing | null)[], readonly (DogInWeeks | null)[]> = {
  name: 'what weeks are planned with',
  room: 'drawing',
};

/** What this dog's minutes depend on. */
export function toTime({ facts, plan, due }: Planned, record: DogRecord, business: StockedBusiness): DogToTime {
  const { shown, contactMinutes } = bathOf({ facts, plan, due }, business);
  return { facts, plan, contactMinutes, ...(shown ? { bath: shown } : {}), minutesFactor: ownMinutes(record, facts) };
}

/** What a dog is planned from; null where nothing comes round at the salon. */
export function toPlan(planned: Planned, record: DogRecord, business: StockedBusiness): DogToPlan | null {
  const care = careToBook(planned.due);
  if (care.length === 0) return null;
  return {
    ...toTime(planned, record, business),
    care,
    lastVisit: record.visits.at(-1)?.day ?? null,
    atHome: careAtHome(planned.due),
  };
}

const careAtHome = (due: Planned['due']): DogToPlan['atHome'] =>
  homeTasks(due).map((task) => ({ name: homeTaskName(task).toLowerCase(), everyDays: task.everyDays }));

/** The same, as it crosses to the thread. */
export function crossing(planned: Planned, record: DogRecord, business: StockedBusiness): DogCrossing | null {
  const dog = toPlan(planned, record, business);
  if (dog === null) return null;
  const { plan: _, ...rest } = dog;
  return rest;
}
