import { barsOf, makePlan, type CarePlan } from '../careplan';
import { type DogFacts } from '../dog';
import type { Finding, Triage } from '../findings';
import { placeKey, type PlaceKey } from '../places';
import { endings, type Bar, type BarAt } from '../stops';
import { isWet } from './closing';
import type { VisitEvent } from '../events';
import { foldVisit } from './foldVisit';
import { applyAnswers } from '../events';
import { judgeLookOver } from './lookOver';
import type { VisitState } from './state';
import { inOwnOrder } from './ownOrder';
import { stepList } from '../steps';
import type { Step, VisitKind } from '../steps';
import type { VisitPlan } from '../steps';

/** What stands before the first event: the dog as known that morning, its plan, and what was found last time. */
export interface BeforeVisit {
  readonly kind: VisitKind;
  readonly facts: DogFacts;
  readonly plan: CarePlan;
  readonly contactMinutes: number;
  readonly contactMost?: number | null;
  readonly minutesFactor?: NonNullable<VisitPlan['minutesFactor']>;
  readonly lastFindings: readonly Finding[];
}

export interface VisitReading {
  readonly state: VisitState;
  readonly judged: Partial<Record<PlaceKey, Triage>>;
  /** All that forbids work on this dog now, for `stopAt`. */
  readonly bars: readonly Bar[];
  readonly steps: readonly Step[];
  /** The dog and its plan, with what the owner said today. */
  readonly facts: DogFacts;
  readonly plan: CarePlan;
}

/** A visit read from its events: state, levels and stops, steps. The same on the tablet, at the server, and in a rebuild. */
export function readVisit(before: BeforeVisit, events: readonly VisitEvent[]): VisitReading {
  const state = foldVisit(events);
  const asked = Object.keys(state.answers).length > 0;
  const facts = asked ? applyAnswers(before.facts, state.answers) : before.facts;
  const plan = asked ? makePlan(facts) : before.plan;
  const judged = judgeLookOver(facts, state.findings, before.lastFindings);
  const bars = barsOf(facts, {
    judged: Object.values(judged),
    lookedClear: state.lookedClear,
    matsGone: state.mats.filter(({ way }) => way !== 'left').map(({ place }) => placeKey(place)),
    brokeOffPlucking: brokeOff(state),
  });
  const { findings, plugs } = state;
  const steps = stepList({ ...before, facts, plan, judged, bars, findings, plugs });
  const ending = endings(bars);
  const left = ending.length === 0 ? steps : steps.map((each) => notNeeded(each, state, ending));
  return { state, judged, bars, facts, plan, steps: inOwnOrder(left, state.stepChanges) };
}

/** The dog would not have its ear hair taken out: it is not offered again in this visit. */
const brokeOff = ({ steps }: VisitState): boolean =>
  Object.entries(steps).some(
    ([step, mark]) =>
      step.startsWith('ear hair') &&
      mark.kind === 'skipped' &&
      mark.because.kind === 'choice' &&
      mark.because.choice === 'would not have it',
  );

/** Where a sign ends the visit: a dog that is dry needs no rinsing or drying, and an ear without a plug none taken out. */
function notNeeded(step: Step, state: VisitState, bars: readonly BarAt[]): Step {
  if (!step.kept || step.barred) return step;
  const plugIn = step.sides.some((side) => state.plugs[side] === 'in');
  if (step.counts === 'plugs out' ? plugIn : isWet(state)) return step;
  const words = step.counts === 'plugs out' ? 'No plug is in.' : 'The dog is dry.';
  return { ...step, pieces: [], leavesOut: [], barred: { bars, instead: { words, does: [] } } };
}
