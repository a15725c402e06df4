import { timeline, totalMinutes, type Step } from '../steps';
import type { VisitEvent } from '../events';
import type { VisitState } from './state';

/** When this dog is ready, by its own minutes. */
export interface OnTime {
  /** Ms since 1970, on the clock that `now` was read from. */
  readonly readyAt: number;
  /** Whole minutes later (+) or earlier (−) than the steps would have it; null where it was not done in one go. */
  readonly behind: number | null;
}

/** Since when the dog has been here: from the beginning, or since it came back to be finished. */
export const hereSince = (events: readonly VisitEvent[]): VisitEvent | undefined =>
  events.findLast(({ what }) => what.type === 'came back') ?? events[0];

const MINUTE = 60_000;

/**
 * What is left of the visit from now on, against what all of it takes from when it was begun: hands-on and dwell of the
 * steps, this dog's own minutes with them.
 */
export function onTime(
  { steps: marks }: Pick<VisitState, 'steps'>,
  steps: readonly Step[],
  begunAt: number | null,
  now: number,
): OnTime {
  // The dog is handed over before the table is cleaned.
  const ofTheDog = steps.filter(({ stage }) => stage !== 'clean-down');
  const left = totalMinutes(timeline(ofTheDog.filter(({ id }) => marks[id] === undefined)));
  const all = totalMinutes(timeline(ofTheDog));
  const readyAt = now + left * MINUTE;
  const behind = begunAt === null ? null : Math.round((readyAt - begunAt - all * MINUTE) / MINUTE);
  return { readyAt, behind };
}
