import { barsOf, makePlan, type CarePlan } from '../careplan';
import { asShown, type DogFacts } from '../dog';
import type { Finding, Triage } from '../findings';
import { SIDES, placeKey, type PlaceKey, type Side } from '../places';
import { endings, type Bar, type BarAt } from '../stops';
import { isWet } from './closing';
import type { VisitEvent } from '../events';
import { bathToday } from './bathToday';
import { foldVisit } from './foldVisit';
import { applyAnswers } from '../events';
import { judgeLookOver } from './lookOver';
import type { VisitState } from './state';
import { inOwnOrder } from './ownOrder';
import { ALL_PARTS, VISIT_PARTS, foundForSteps, stepList } from '../steps';
import type { Stage, Step, VisitContents } from '../steps';
import type { VisitPlan } from '../steps';

/** What stands before the first event: the dog as known that morning, its plan, and what was found last time. */
export interface BeforeVisit extends VisitContents {
  readonly facts: DogFacts;
  readonly plan: CarePlan;
  readonly contactMinutes: number;
  readonly contactMost?: number | null;
  readonly bath?: NonNullable<VisitPlan['bath']>;
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
  const { steps, ...judgement } = judgementOf(before, state);
  const ending = endings(judgement.bars);
  const left = ending.length === 0 ? steps : steps.map((each) => notNeeded(each, state, ending));
  return { state, ...judgement, steps: inOwnOrder(left, state.stepChanges) };
}

type Judgement = Omit<VisitReading, 'state'>;

/** A judgement with all it depends on besides the morning it began from. */
interface JudgedVisit {
  readonly basis: readonly unknown[];
  readonly findings: readonly Finding[];
  readonly answers: string;
  /** What the steps were made from, besides bars, dog and plan. */
  readonly seenForSteps: string;
  readonly judgement: Judgement;
}

/** What was judged last: most taps find nothing, and then nothing is judged anew; few findings change the steps. */
const LAST = new WeakMap<BeforeVisit, JudgedVisit>();

function judgementOf(before: BeforeVisit, state: VisitState): Judgement {
  const basis = basisOf(state);
  const last = LAST.get(before);
  if (last?.basis.length === basis.length && last.basis.every((each, i) => each === basis[i])) return last.judgement;
  const judged = judge(before, state, basis, last);
  LAST.set(before, judged);
  return judged.judgement;
}

/** All of the state that {@link judge} looks at, in a row: two states with the same are judged alike. */
const basisOf = (state: VisitState): readonly unknown[] => [
  ...state.findings,
  'clear',
  ...state.lookedClear,
  'mats gone',
  ...matsGone(state),
  'conditioned',
  state.steps['conditioner']?.kind === 'done',
  'pads',
  state.pads.left.clean,
  state.pads.right.clean,
  'plugs',
  state.plugs.left,
  state.plugs.right,
  brokeOff(state),
  state.hairSeen.left,
  state.hairSeen.right,
  ...Object.entries(state.answers).flat(),
  'crust',
  ...crustRest(state),
  'flap',
  ...flapRest(state),
  'added',
  ...addedSteps(state),
  'shown',
  ...state.shown,
  'told',
  ...state.told,
  ...state.ended,
  ...state.bottles,
];

function judge(
  before: BeforeVisit,
  state: VisitState,
  basis: readonly unknown[],
  last: JudgedVisit | undefined,
): JudgedVisit {
  const answers = JSON.stringify([state.answers, state.hairSeen, state.told, state.ended, state.bottles, state.shown]);
  const sameDog = last?.answers === answers ? last.judgement : null;
  const { facts, plan } = sameDog ?? askedToday(before, state);
  const { findings } = state;
  const lookedBefore = last && sameDog ? { findings: last.findings, judged: sameDog.judged } : null;
  const judged = judgeLookOver(facts, findings, before.lastFindings, lookedBefore);
  const bars = barsOf(facts, {
    judged: Object.values(judged),
    lookedClear: state.lookedClear,
    matsGone: matsGone(state),
    brokeOffPlucking: brokeOff(state),
  });
  const seen = seenBySteps(state);
  const seenForSteps = JSON.stringify(seen);
  const sameSteps = sameDog && last?.seenForSteps === seenForSteps && sameBars(bars, sameDog.bars);
  const steps = sameSteps
    ? sameDog.steps
    : stepList({ ...before, ...bathToday(before, state, { facts, plan }), facts, plan, bars, ...seen });
  return { basis, findings, answers, seenForSteps, judgement: { judged, bars, facts, plan, steps } };
}

/** All of what happened that the list of steps is made from, besides dog, plan and bars. */
const seenBySteps = (state: VisitState) => ({
  found: foundForSteps(state.findings, state),
  plugs: state.plugs,
  isConditioned: state.steps['conditioner']?.kind === 'done',
  added: addedSteps(state),
  crustHandedOn: crustRest(state),
  flapHandedOn: flapRest(state),
});

/** Steps that were asked for at the table, by id; those of the trade come where they belong. */
const addedSteps = ({ stepChanges }: VisitState): string[] =>
  stepChanges.flatMap(({ kind, step }) => (kind === 'added' ? [step] : []));

/** Eyes whose crust is a matter of the tub: handed on from the table, or told of in the tub already. */
const crustRest = ({ pieces }: VisitState): Side[] =>
  SIDES.filter((side) => {
    const crust = `eye crust ${placeKey({ site: 'eye', side })}`;
    return pieces[`eyes, on the table ${side}`]?.[crust]?.how === 'handed on' || pieces['face']?.[crust] !== undefined;
  });

/** Stages of a bath stand and fall together, and a second pass without a first is none: neither is added by itself. */
const ALONE: ReadonlySet<Stage> = new Set(
  ALL_PARTS.filter((part) => part !== 'bath')
    .flatMap((part): readonly Stage[] => VISIT_PARTS[part].stages)
    .filter((stage) => stage !== 'ears, second pass'),
);

/** Steps of a full visit that this one leaves out and that can be asked for at the table. */
export function stepsToAdd(before: BeforeVisit, { state, facts, plan, bars, steps }: VisitReading): Step[] {
  const here = new Set(steps.map(({ id }) => id));
  const all = stepList({ ...before, kind: 'full visit', agreed: null, facts, plan, bars, ...seenBySteps(state) });
  return all.filter(({ id, stage, barred }) => ALONE.has(stage) && barred === null && !here.has(id));
}

/** The steps with the business's own minutes: what this dog took is held against them, or learning would never settle. */
export const stepsByHouse = (before: BeforeVisit, { state, facts, plan, bars }: VisitReading): Step[] =>
  stepList({ ...before, minutesFactor: {}, facts, plan, bars, ...seenBySteps(state) });

/** Most bars are the same objects as at the last tap; those of earlier visits are made anew, and say the same. */
const sameBars = (some: readonly Bar[], others: readonly Bar[]): boolean =>
  some.length === others.length &&
  some.every((each, i) => each === others[i] || JSON.stringify(each) === JSON.stringify(others[i]));

/** The dog and its plan, with what the owner said at the handover, and with the hair that was seen in its ears. */
function askedToday(before: BeforeVisit, state: VisitState): Pick<Judgement, 'facts' | 'plan'> {
  const { answers, hairSeen, told, ended, shown } = state;
  const looked = SIDES.some((side) => hairSeen[side] !== null);
  if (Object.keys(answers).length + told.length + ended.length + shown.length === 0 && !looked) return before;
  const asked = asShown(applyAnswers(withWords(before.facts, told, ended), answers), shown);
  const ear = (side: Side) => ({ ...asked.ears[side], hair: hairSeen[side] ?? asked.ears[side].hair });
  const facts = looked ? { ...asked, ears: { left: ear('left'), right: ear('right') } } : asked;
  return { facts, plan: makePlan(facts) };
}

/** The dog with the words that were told at the table today, and without those that were ended. */
function withWords(facts: DogFacts, told: VisitState['told'], ended: VisitState['ended']): DogFacts {
  if (told.length + ended.length === 0) return facts;
  const gone = new Set([...ended, ...told.map(({ id }) => id)]);
  const words = told.map((word) => ({ ...word, from: facts.today }));
  return { ...facts, instructions: [...facts.instructions.filter(({ id }) => !gone.has(id)), ...words] };
}

/** Places whose mat was brushed or shaved out. */
const matsGone = ({ mats }: VisitState): PlaceKey[] =>
  mats.filter(({ way }) => way !== 'left').map(({ place }) => placeKey(place));

/** The dog would not have its ear hair taken out: it is not offered again in this visit. */
const brokeOff = ({ steps, earHair }: VisitState): boolean =>
  SIDES.some((side) => earHair[side]?.borne === 'broke off') ||
  Object.entries(steps).some(
    ([step, mark]) =>
      step.startsWith('ear hair') &&
      mark.kind === 'skipped' &&
      mark.because.kind === 'choice' &&
      mark.because.choice === 'would not have it',
  );

/** Where a sign ends the visit: a dog that is dry needs no rinsing or drying, and an ear without a plug none taken out. */
function notNeeded(step: Step, state: VisitState, bars: readonly BarAt[]): Step {
  if (!step.neverBarred || step.barred) return step;
  const plugIn = step.sides.some((side) => state.plugs[side] === 'in');
  if (step.counts === 'plugs out' ? plugIn : isWet(state)) return step;
  const words = step.counts === 'plugs out' ? 'No plug is in.' : 'The dog is dry.';
  return { ...step, pieces: [], leavesOut: [], barred: { bars, instead: { words, does: [] } } };
}

/** Ears whose flap is a matter of the bath: handed on from the table. */
const flapRest = ({ pieces }: VisitState): Side[] =>
  SIDES.filter(
    (side) =>
      pieces[`ears, first pass ${side}`]?.[`greasy flap ${placeKey({ site: 'ear', side })}`]?.how === 'handed on',
  );
