import type { Interval, SparedLook } from '../rhythm';
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

/**
 * What a look buys at which nothing was needed, as a share of the days since the last care: clean, a fifth; slight, a
 * tenth; dirtier, none. A clean look late in the interval says little about the days to come: with as many days again the
 * places of a year were late twice as long as with the plan's fixed intervals [house values; decision 0038].
 */
export const LOOK_BUYS = [0.2, 0.1, 0, 0] as const;

/**
 * The window after a look at which nothing was needed: moved on as a whole, never back, by what the look buys. A place
 * that was never cared for is counted from the look. Care on 1 November, every 28 days, clean on 29 November: due on 4
 * December.
 */
export function afterLook(window: DueWindow, look: SparedLook, ideal: number, plan: Interval): DueWindow {
  if (look.t === 0) return dueWindow(look.day, ideal, plan, look.day);
  const bought = Math.floor(Math.min(look.t, ideal) * LOOK_BUYS[look.grade]);
  const on = Math.max(0, daysBetween(window.ideal, addDays(look.day, bought)));
  const { earliest, latest } = window;
  return { earliest: addDays(earliest, on), ideal: addDays(window.ideal, on), latest: addDays(latest, on) };
}

export type DueState = 'not yet' | 'may' | 'due' | 'late';

/** Where today stands: before the window, in its first half, from the ideal day on, or past it. */
export function dueState(window: DueWindow, today: Day): DueState {
  if (daysBetween(window.latest, today) > 0) return 'late';
  if (daysBetween(window.ideal, today) >= 0) return 'due';
  return daysBetween(window.earliest, today) >= 0 ? 'may' : 'not yet';
}
