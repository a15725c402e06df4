import type { PlanLine, SaidLine } from '../careplan';
import { COMMON_PRACTICE, type Sourced } from '../provenance';
import { AROUND_BY_CLOTH, barsBehind, workLeft, type LeftOut } from '../stops';
import type { Piece } from '../work';
import { STAGE_MINUTES, type Barred, type Stage, type Step } from './steps';
import type { StepTitle } from './stepTitles';
import type { VisitPlan } from './visitPlan';

interface StepParts extends Partial<Omit<Step, 'stage' | 'title'>> {
  readonly title: StepTitle;
}

/** A step of a stage; what is not said is the ordinary case. */
export const step = (stage: Stage, parts: StepParts): Step => ({
  id: stage,
  stage,
  how: [],
  why: null,
  place: null,
  counts: null,
  sides: [],
  dwell: null,
  minutes: STAGE_MINUTES[stage],
  pieces: [],
  leavesOut: [],
  barred: null,
  parts: [],
  during: [],
  after: [],
  neverBarred: false,
  ...parts,
});

/** What bars leave of the pieces of a step: the pieces, what they leave out, and whether nothing is left. */
export type Left = Pick<Step, 'pieces' | 'leavesOut' | 'barred'>;

/** Asks of every piece whether it may be done. */
export function left({ bars }: VisitPlan, pieces: readonly Piece[]): Left {
  const { open, leftOut } = workLeft(bars, pieces);
  const gone = pieces.length > 0 && open.length === 0;
  return { pieces: open, leavesOut: gone ? [] : leftOut, barred: gone ? barredBy(leftOut) : null };
}

/** What no bar takes away: product off, dry. Around a place that may not be touched it is done by cloth. */
export function neverBarred({ bars }: VisitPlan, pieces: readonly Piece[]): Left {
  const { leftOut } = workLeft(bars, pieces);
  const around = leftOut.filter(({ productOnly }) => !productOnly);
  return { pieces, leavesOut: around.map((each) => ({ ...each, instead: AROUND_BY_CLOTH })), barred: null };
}

/** The whole of it is taken away. */
const barredBy = (leftOut: readonly LeftOut[]): Barred => ({
  bars: barsBehind(leftOut),
  instead: leftOut[0]?.instead ?? null,
});

/** Whether a piece is still to be done, by the start of its id. */
export const hasPiece = ({ pieces }: Pick<Step, 'pieces'>, start: string): boolean =>
  pieces.some(({ id }) => id.startsWith(start));

/** What any groomer would say, in order. */
export const practice = (...words: string[]): Sourced[] =>
  words.map((each) => ({ words: each, source: COMMON_PRACTICE }));

/** Sentences of the plan that are told by the step itself or by its clock, by rule. */
const TOLD_OTHERWISE: readonly string[] = [
  'head,',
  'massage,',
  'earsWhen,',
  'alcohol, avoided',
  'nozzle, never touching',
];

const isTold = ({ reason }: SaidLine): boolean =>
  reason.kind === 'rule' && TOLD_OTHERWISE.some((each) => reason.rule.includes(`: ${each}`));

/** What the plan says of a task for this dog and house: how, then what to mind. What holds for every dog is in the step's own words. */
export function says(line: PlanLine | undefined): readonly SaidLine[] {
  if (line === undefined) return [];
  let said = SAID.get(line);
  if (said === undefined) {
    said = [...line.methods, ...line.cautions].filter(
      (each) => !each.general && each.at === 'the work' && !isTold(each),
    );
    SAID.set(line, said);
  }
  return said;
}
/** A visit asks the same lines again whenever something is found. */
const SAID = new WeakMap<PlanLine, readonly SaidLine[]>();

/** What must be heard before the coat is wet. */
export const saysBeforeWater = (line: PlanLine | undefined): SaidLine[] =>
  [...(line?.methods ?? []), ...(line?.cautions ?? [])].filter(({ at }) => at === 'before water');
