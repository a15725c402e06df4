import type { TodayDog } from '@dewpond/contract';
import { clock, duration } from '../../browser/times';

const HOUR = 3_600_000;

/** First and last whole hour that the ribbon shows. */
export function ribbonSpan(dogs: readonly TodayDog[], now: number): { readonly from: number; readonly to: number } {
  const starts = dogs.map((dog) => Date.parse(dog.appointment.startsAt));
  const ends = dogs.map((dog) => endOf(dog));
  const from = Math.floor(Math.min(...starts) / HOUR) * HOUR;
  const to = Math.ceil(Math.max(...ends) / HOUR) * HOUR;
  const nowCounts = now > from - HOUR && now < to + HOUR;
  return {
    from: nowCounts ? Math.min(from, Math.floor(now / HOUR) * HOUR) : from,
    to: nowCounts ? Math.max(to, Math.ceil(now / HOUR) * HOUR) : to,
  };
}

export interface PlacedBlock {
  readonly name: string;
  readonly dwell: boolean;
  readonly start: number;
  readonly end: number;
}

/** Stages one after the other from the booked start, as instants. */
export function placeBlocks(dog: TodayDog): PlacedBlock[] {
  let at = Date.parse(dog.appointment.startsAt);
  return dog.stages.map(({ name, minutes, dwell }) => {
    const start = at;
    at += minutes * 60_000;
    return { name, dwell, start, end: at };
  });
}

export const endOf = (dog: TodayDog): number =>
  Date.parse(dog.appointment.startsAt) + dog.stages.reduce((sum, stage) => sum + stage.minutes, 0) * 60_000;

/** "6 dogs · hands-on 6 h 20 · ends 15:40" */
export function summary(dogs: readonly TodayDog[], zone: string): string {
  if (dogs.length === 0) return '';
  const handsOn = dogs
    .flatMap((dog) => dog.stages)
    .filter((stage) => !stage.dwell)
    .reduce((sum, stage) => sum + stage.minutes, 0);
  const ends = clock(Math.max(...dogs.map(endOf)), zone);
  return `${dogs.length} ${dogs.length === 1 ? 'dog' : 'dogs'} · hands-on ${duration(handsOn)} · ends ${ends}`;
}
