import type { TodayView } from '@dewpond/contract';
import type { LineUp, PlacedGroup, Stretch } from '@dewpond/core/lineup';
import { duration, minuteOf } from '../../../browser/times';

export interface RibbonScale {
  /** Whole hours, minutes from midnight. */
  readonly from: number;
  readonly to: number;
  readonly width: number;
  /** Hours are all of one length: the first screen of the day waits for no library of scales. */
  readonly x: (minute: number) => number;
}

/** Right of the last hour, px: when the last dog is ready. */
const FOR_THE_LAST_WORDS = 48;

export function ribbonScale(today: TodayView, { placed }: LineUp, now: number | null, width: number): RibbonScale {
  const booked = today.dogs.map(({ appointment }) => minuteOf(appointment.startsAt, today.zone));
  const told = today.dogs.map(({ appointment }) => minuteOf(appointment.endsAt, today.zone));
  const starts = [...booked, ...placed.map((each) => each.from)];
  const ends = [...told, ...placed.map((each) => each.to)];
  const first = 60 * Math.floor(Math.min(...starts) / 60);
  const last = 60 * Math.ceil(Math.max(...ends, first + 60) / 60);
  const isNear = now !== null && now > first - 60 && now < last + 60;
  const from = isNear ? Math.min(first, 60 * Math.floor(now / 60)) : first;
  const to = isNear ? Math.max(last, 60 * Math.ceil(now / 60)) : last;
  return { from, to, width, x: (minute) => ((minute - from) / (to - from)) * (width - FOR_THE_LAST_WORDS) };
}

export interface PlacedStretch extends Stretch {
  readonly from: number;
  readonly to: number;
}

/** Stages of a group one after the other; its rounding to five minutes lies at its end. */
export function stretchesOf(placed: PlacedGroup, stretches: readonly Stretch[]): PlacedStretch[] {
  let at = placed.from;
  return stretches.map((each) => {
    const from = at;
    at += each.minutes;
    return { ...each, from, to: at };
  });
}

/** "6 dogs · hands-on 6 h 20" */
export function summary({ dogs }: TodayView): string {
  if (dogs.length === 0) return '';
  const handsOn = dogs.flatMap(({ groups }) => groups).reduce((sum, { minutes }) => sum + minutes, 0);
  return `${dogs.length} ${dogs.length === 1 ? 'dog' : 'dogs'} · ${handsOn > 0 ? `${duration(handsOn)} of work left` : 'all done'}`;
}
