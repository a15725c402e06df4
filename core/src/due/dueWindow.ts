import type { Interval } from '../rhythm';
import { addDays, daysBetween, type Day } from '../units';

/** When care of a place may be done, is best done, and must be done. */
export interface DueWindow {
  readonly earliest: Day;
  readonly ideal: Day;
  readonly latest: Day;
}

/** The window opens at ¾ of the ideal interval and closes at 1¼ of it, inside the plan's bounds [house values]. */
export const WINDOW = { opens: 0.75, closes: 1.25 } as const;

/**
 * The due window after care on `last`: `ideal` whole days on, and the bounds by the plan.
 * Never done before: due today. Throws `RangeError` when the ideal is outside the plan's bounds.
 * @example
 * dueWindow(day('2026-11-01'), 28, { least: 10, usual: 28, most: 56 }, day('2026-11-25')) // { earliest: '2026-11-22', ideal: '2026-11-29', latest: '2026-12-06' }
 */
export function dueWindow(last: Day | null, ideal: number, plan: Interval, today: Day): DueWindow {
  if (ideal < plan.least || ideal > plan.most) {
    throw new RangeError(`${ideal} days is outside ${plan.least}–${plan.most}.`);
  }
  if (last === null) return { earliest: today, ideal: today, latest: today };
  const earliest = Math.min(ideal, Math.max(plan.least, Math.ceil(ideal * WINDOW.opens)));
  const latest = Math.max(ideal, Math.min(plan.most, Math.floor(ideal * WINDOW.closes)));
  return { earliest: addDays(last, earliest), ideal: addDays(last, ideal), latest: addDays(last, latest) };
}

export type DueState = 'not yet' | 'may' | 'due' | 'late';

/** Where today stands: before the window, in its first half, from the ideal day on, or past it. */
export function dueState(window: DueWindow, today: Day): DueState {
  if (daysBetween(window.latest, today) > 0) return 'late';
  if (daysBetween(window.ideal, today) >= 0) return 'due';
  return daysBetween(window.earliest, today) >= 0 ? 'may' : 'not yet';
}
