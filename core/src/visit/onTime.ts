import { timeline, totalMinutes, type Step } from '../steps';
import type { VisitState } from './state';

/** When this dog is ready, by its own minutes. */
export interface OnTime {
  /** Ms since 1970, on the clock that `now` was read from. */
  readonly readyAt: number;
  /** Whole minutes later (+) or earlier (−) than the steps would have it. */
  readonly behind: number;
}

const MINUTE = 60_000;

/**
 * What is left of the visit from now on, against what all of it takes from when it was begun: hands-on and dwell of the
 * steps, this dog's own minutes with them.
 */
export function onTime(
  { steps: marks }: Pick<VisitState, 'steps'>,
  steps: readonly Step[],
  begunAt: number,
  now: number,
): OnTime {
  // The dog is handed over before the table is cleaned.
  const ofTheDog = steps.filter(({ stage }) => stage !== 'clean-down');
  const left = totalMinutes(timeline(ofTheDog.filter(({ id }) => marks[id] === undefined)));
  const all = totalMinutes(timeline(ofTheDog));
  const readyAt = now + left * MINUTE;
  return { readyAt, behind: Math.round((readyAt - begunAt - all * MINUTE) / MINUTE) };
}
