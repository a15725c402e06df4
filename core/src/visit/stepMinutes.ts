import { ownFactor } from '../dilution';
import type { Stage, Step } from '../steps';
import type { VisitEvent } from '../events';
import type { VisitState } from './state';

/** How long a stage took at one visit, hands on, against what the business reckons for it. */
export interface StageTook {
  readonly stage: Stage;
  readonly minutes: number;
  readonly predicted: number;
}

/** A gap longer than this is a telephone call or lunch, not work [house value]. */
const LONGEST_MINUTES = 90;
/** Marks closer than this were ticked off together afterwards, and say nothing about time [house value]. */
const SHORTEST_MINUTES = 0.25;

/**
 * Minutes of each stage from the times of the marks, each device by its own clock: a step took from the mark before it
 * to its own. Skipped and unlikely ones teach nothing.
 * @param steps the step list in the business's own minutes.
 */
export function stagesTook(events: readonly VisitEvent[], state: VisitState, steps: readonly Step[]): StageTook[] {
  const took = new Map<Stage, { minutes: number; predicted: number }>();
  const lastMark = new Map<string, number>();
  const together = tickedTogether(events);
  for (const event of events) {
    const { what, device, at } = event;
    if (what.type !== 'step done' && what.type !== 'step skipped' && what.type !== 'opened') continue;
    const since = lastMark.get(device);
    lastMark.set(device, at);
    // Of several that were ticked off in one go nobody knows which took how long.
    if (what.type !== 'step done' || since === undefined || together.has(event.id)) continue;
    const step = steps.find(({ id }) => id === what.step);
    const mark = state.steps[what.step];
    // A disinfectant's time is the business's, not this dog's.
    if (step?.stage === 'clean-down') continue;
    if (!step || mark?.kind !== 'done' || mark.by.id !== event.id) continue;
    const minutes = (at - since) / 60_000;
    if (minutes < SHORTEST_MINUTES || minutes > LONGEST_MINUTES || step.minutes === 0) continue;
    const known = took.get(step.stage) ?? { minutes: 0, predicted: 0 };
    took.set(step.stage, { minutes: known.minutes + minutes, predicted: known.predicted + step.minutes });
  }
  return [...took].map(([stage, each]) => ({ stage, ...each }));
}

/** Marks that the next one of the same device followed at once: "as planned, up to here". */
function tickedTogether(events: readonly VisitEvent[]): ReadonlySet<string> {
  const together = new Set<string>();
  const last = new Map<string, VisitEvent>();
  for (const event of events) {
    if (event.what.type !== 'step done') continue;
    const before = last.get(event.device);
    if (before && (event.at - before.at) / 60_000 < SHORTEST_MINUTES) together.add(before.id);
    last.set(event.device, event);
  }
  return together;
}

/** This dog's minutes of a stage against the business's. 1 with no record. */
export const minutesFactor = (visits: readonly Omit<StageTook, 'stage'>[]): number =>
  ownFactor(visits.map(({ minutes, predicted }) => [minutes, predicted]));
