import { correctedTime } from '../events';
import { MAY_SPREAD, type Sign } from '../findings';
import type { Step } from '../steps';
import { elapsedSeconds } from './timers';
import type { VisitState } from './state';

/** A line of the clean-down log: what was cleaned after a dog, when, by whom, with what. */
export interface CleanDown {
  /** The event that says it is done. */
  readonly eventId: string;
  /** By the server's clock where it is known, ms since 1970. */
  readonly at: number;
  readonly person: string;
  readonly cleaned: readonly string[];
  /** What belongs to it and was not ticked. */
  readonly left: readonly string[];
  readonly product: string | null;
  readonly productName: string | null;
  /** How long the disinfectant was on, s; null: no clock ran, or it cannot be told. */
  readonly seconds: number | null;
  /** How long it should have been on, s. */
  readonly wanted: number | null;
  /** Signs that may spread, found on this dog. */
  readonly after: readonly Sign[];
}

/** The clean-down of a visit once it is told to be done; null before. */
export function cleanDownOf({
  state,
  steps,
}: {
  readonly state: VisitState;
  readonly steps: readonly Step[];
}): CleanDown | null {
  const step = steps.find(({ stage }) => stage === 'clean-down');
  const mark = step && state.steps[step.id];
  if (!step || mark?.kind !== 'done') return null;
  const ticked = state.checked[step.id] ?? [];
  const timer = state.timers.find((each) => each.timer === step.dwell?.timer);
  return {
    eventId: mark.by.id,
    at: correctedTime(mark.by) ?? mark.by.at,
    person: mark.by.person,
    cleaned: step.parts.filter((part) => ticked.includes(part)),
    left: step.parts.filter((part) => !ticked.includes(part)),
    product: state.cleanedWith?.product ?? null,
    productName: state.cleanedWith?.name ?? null,
    seconds: timer ? elapsedSeconds(timer, timer.stopped ?? mark.by) : null,
    wanted: timer?.seconds ?? step.dwell?.seconds ?? null,
    after: [...new Set(state.findings.map(({ sign }) => sign))].filter((sign) => MAY_SPREAD.includes(sign)),
  };
}

/** A clock is read by eye: so many seconds less still count as its full time [house value]. */
const SLACK_SECONDS = 5;

/** Whether the disinfectant had its time, as far as a clock tells. */
export function stayedOn({
  seconds,
  wanted,
}: Pick<CleanDown, 'seconds' | 'wanted'>): 'long enough' | 'too short' | 'not known' {
  if (seconds === null || wanted === null) return 'not known';
  return seconds >= wanted - SLACK_SECONDS ? 'long enough' : 'too short';
}
