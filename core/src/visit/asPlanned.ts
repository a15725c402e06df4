import type { CarePlan } from '../careplan';
import { titleWords, type Stage, type Step } from '../steps';
import { waitsFor } from './closing';
import type { VisitState } from './state';

/** Stages that nobody ticks off unseen: looking, clocks, product off, dryness, hair out of an ear, nails that are judged. */
const ONE_BY_ONE: ReadonlySet<Stage> = new Set<Stage>([
  'handover',
  'look-over',
  'decide',
  'ears, first pass',
  'nails',
  'plugs',
  'contact',
  'contact 2',
  'rinse 1',
  'last rinse',
  'plugs out',
  'dry',
  'record',
]);

/** Why a step cannot be one of several ticked off at once, within a sentence; null: it can. */
export function needsAnswer(step: Step, { bathProduct }: Pick<CarePlan, 'bathProduct'>): string | null {
  if (step.counts !== null) return 'something is counted there';
  if (ONE_BY_ONE.has(step.stage)) return 'it needs an answer of its own';
  if (step.leavesOut.length > 0) return 'it leaves something out';
  if (step.dwell) return 'a clock runs there';
  if (step.parts.length > 0) return 'it is felt part by part';
  if (bathProduct !== null && (step.stage === 'wash 1' || step.stage === 'wash 2')) return 'a medicated amount is told';
  return null;
}

/** Steps to tick off in one go, or what stands in the way. */
export type AsPlanned =
  | { readonly kind: 'may'; readonly steps: readonly Step[] }
  | { readonly kind: 'stopped'; readonly at: Step; readonly why: string };

/**
 * "As planned, up to here": all open steps up to this one, in their order. Only where each of them needs no answer and
 * nothing before them is open.
 */
export function asPlannedUpTo(
  state: VisitState,
  steps: readonly Step[],
  plan: Pick<CarePlan, 'bathProduct'>,
  upTo: Step,
): AsPlanned {
  const open = steps
    .slice(0, steps.findIndex(({ id }) => id === upTo.id) + 1)
    .filter((step) => step.barred === null && state.steps[step.id] === undefined);
  const among = new Set(open.map(({ id }) => id));
  for (const step of open) {
    const why = needsAnswer(step, plan);
    if (why !== null) return { kind: 'stopped', at: step, why };
    const waits = waitsFor(state, steps, step).filter(({ id }) => !among.has(id));
    if (waits[0]) return { kind: 'stopped', at: step, why: `${titleWords(waits[0].title).toLowerCase()} comes first` };
  }
  return { kind: 'may', steps: open };
}
