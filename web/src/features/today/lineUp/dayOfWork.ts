import type { TodayDog, TodayView } from '@dewpond/contract';
import { HOT_HOURS, STEP, workDayOf, type BookedDog, type SetByHand, type WorkDay } from '@dewpond/core/lineup';
import { dayOf, minuteOf, minutesOf } from '../../../browser/times';

/** What is not done yet of a day, as its line-up is made from it. */
export const bookedDogs = ({ dogs, zone }: TodayView): BookedDog[] =>
  dogs
    .filter(({ appointment }) => appointment.state !== 'done')
    .map(({ appointment, ...dog }) => {
      const from = minuteOf(appointment.startsAt, zone);
      return {
        ...dog,
        id: appointment.id,
        dogId: appointment.dogId,
        name: appointment.dogName,
        person: appointment.memberId,
        from,
        to: from + minutesOf(appointment),
      };
    });

export interface AsOf {
  /** Minutes from midnight; null: as in the morning. */
  readonly now: number | null;
  readonly isHot: boolean;
}

/** The day to be lined up, with one dog set by hand. */
export function workDay(
  today: TodayView,
  { now, isHot }: AsOf,
  set: { readonly id: string; readonly byHand: SetByHand | null } | null = null,
): WorkDay {
  const dogs = bookedDogs(today).map((dog) => (dog.id === set?.id ? { ...dog, byHand: set.byHand } : dog));
  return workDayOf(dogs, { people: today.people, places: today.places }, { now, hot: isHot ? HOT_HOURS : null });
}

/** The time of day in steps of the line-up; null on another day than today. */
export const nowOn = ({ day, zone }: TodayView, now: number): number | null =>
  dayOf(now, zone) === day ? STEP * Math.floor(minuteOf(now, zone) / STEP) : null;

export const dogOf = (today: TodayView, id: string): TodayDog | undefined =>
  today.dogs.find(({ appointment }) => appointment.id === id);
