import { addDays, daysBetween, type Day } from '../units';
import { workBlocks } from './hours';
import type { Weeks } from './weeks';

/** So many days around the day one would want are looked at. */
const REACH = 7;

/**
 * The day nearest to `wanted`, the earlier of two, on which somebody has so many minutes free in one piece; null where there
 * is none within a week of it. `time` holds those days; what lies outside of it has no room.
 */
export function dayWithRoom(
  time: Pick<Weeks, 'first' | 'days' | 'people' | 'away' | 'booked'>,
  wanted: Day,
  minutes: number,
): Day | null {
  const taken = time.booked.map(({ person, day, from, to }) => ({
    ...{ person, from, to },
    day: daysBetween(time.first, day),
  }));
  const open = new Set(
    workBlocks(time.people, time.away, time, taken)
      .filter(({ from, to }) => to - from >= minutes)
      .map(({ day }) => addDays(time.first, day)),
  );
  const near = Array.from({ length: 2 * REACH + 1 }, (_, i) => addDays(wanted, i - REACH));
  const distance = (day: Day) => Math.abs(daysBetween(wanted, day));
  return near.filter((day) => open.has(day)).toSorted((a, b) => distance(a) - distance(b))[0] ?? null;
}
