import { SIDES, lookedAtWith, namePlace, placeKey, type Place } from '../places';
import type { VisitState } from './state';
import type { Step } from '../steps';
import { titleWords } from '../steps';

/** Why a visit cannot close yet. */
export type Blocker =
  | { readonly kind: 'plug in'; readonly words: string }
  | { readonly kind: 'step open'; readonly step: string; readonly words: string };

const settled = (state: VisitState, step: Step): boolean => step.barred !== null || state.steps[step.id] !== undefined;

/** Water or product went on this dog. */
export const isWet = (state: VisitState): boolean =>
  state.steps['wet']?.kind === 'done' || state.steps['wash 1']?.kind === 'done';

/**
 * Plugs in = plugs out, per ear, or it cannot close; "not found" is an outcome. To finish, every step is done, skipped
 * with a reason, or barred; to end early, only what no stop takes away, once water or product went on.
 */
export function blockers(state: VisitState, steps: readonly Step[], how: 'finished' | 'ended early'): Blocker[] {
  const plugs = SIDES.filter((side) => state.plugs[side] === 'in').map((side): Blocker => ({
    kind: 'plug in',
    words: `A plug is still in the ${side} ear. Take it out, or say that it was not found.`,
  }));
  const wet = isWet(state);
  const open = steps
    .filter((step) => !settled(state, step) && step.stage !== 'record')
    .filter((step) => how === 'finished' || (step.neverBarred && wet && step.counts === null))
    .map((step): Blocker => ({
      kind: 'step open',
      step: step.id,
      words: `${titleWords(step.title)}: not done yet.`,
    }));
  return [...plugs, ...open];
}

/** Places neither touched as clear nor given a finding: nothing is clear by silence. */
export function notLookedAt(state: VisitState, places: readonly Place[]): Place[] {
  const seen = new Set<string>([
    ...state.lookedClear,
    ...state.findings.map((found) => placeKey(lookedAtWith(found.place))),
  ]);
  return places.filter((place) => !seen.has(placeKey(place)));
}

/** "left ear, nose fold" */
export const listPlaces = (places: readonly Place[]): string => places.map(namePlace).join(', ');

/**
 * The first step that is neither settled nor barred, or null when all are. While its clock runs, a later step that
 * may use the waiting time comes first.
 */
export function currentStep(state: VisitState, steps: readonly Step[]): Step | null {
  const next = steps.find((step) => !settled(state, step));
  if (!next) return null;
  const waits = state.timers.some((timer) => timer.step === next.id && timer.stopped === null);
  const meanwhile = waits
    ? steps.find(
        (step) => step.during.includes(next.id) && !settled(state, step) && waitsFor(state, steps, step).length === 0,
      )
    : undefined;
  return meanwhile ?? next;
}

/** A step may be done when those before it are settled. */
export const waitsFor = (state: VisitState, steps: readonly Step[], step: Step): Step[] =>
  steps.filter((other) => step.after.some(({ step: id }) => id === other.id) && !settled(state, other));
