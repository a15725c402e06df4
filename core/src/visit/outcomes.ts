import { isMat, isToTheSkin, type Finding } from '../findings';
import { NAIL_LENGTHS } from '../events';
import { BODY_PLACES, lookedAtWith, placeKey, type Grade, type Place, type PlaceKey } from '../places';
import { caresFor, mayNeedNothing, tasksDoneBy, type Step } from '../steps';
import type { PieceMark, VisitState } from './state';

/** What a visit came to for a task: done; looked at and in need of nothing; or only seen, and not done. */
export type WorkOutcome = 'done' | 'not needed' | 'seen';

/** Of one task, by its key; `grade` is what was seen before it was done, null where nobody judged it. */
export interface TaskOutcome {
  readonly task: string;
  readonly outcome: WorkOutcome;
  readonly grade: Grade | null;
}

/** What was done at a visit: its state, and the steps it had. */
export interface VisitWork {
  readonly state: VisitState;
  readonly steps: readonly Step[];
}

/** Looked at by hands that would have done it, and nothing was needed: no work was left undone. */
export function neededNothing(state: VisitState, step: Step): boolean {
  const mark = state.steps[step.id];
  return (
    mark?.kind === 'skipped' &&
    mark.because.kind === 'choice' &&
    mark.because.choice === 'not needed' &&
    mayNeedNothing(step)
  );
}

/** A step with the pieces of it that went one way; null when none did. */
function piecesThatWent(state: VisitState, step: Step, way: 'done' | PieceMark['how']): Step | null {
  const isDone = state.steps[step.id]?.kind === 'done';
  const wasLooked = neededNothing(state, step);
  if (!isDone && !wasLooked) return null;
  const marks = state.pieces[step.id] ?? {};
  const pieces = step.pieces.filter(({ id }) => (isDone ? (marks[id]?.how ?? 'done') : 'not needed') === way);
  return pieces.length > 0 || (isDone && way === 'done') ? { ...step, pieces } : null;
}

/** What was done of a step, as bars and the groomer left it. */
export const doneOf = (state: VisitState, step: Step): Step | null => piecesThatWent(state, step, 'done');

/** What of a step was looked at and needed nothing. */
export const sparedOf = (state: VisitState, step: Step): Step | null => piecesThatWent(state, step, 'not needed');

const careIn = ({ state, steps }: VisitWork, of: typeof doneOf, place: Place): boolean =>
  steps.some((step) => {
    const part = of(state, step);
    return part !== null && caresFor(part, place);
  });

/** Whether a place was cared for: a step was done that cares for it, as bars left that step. */
export const wasCaredFor = (work: VisitWork, place: Place): boolean => careIn(work, doneOf, place);

/** Whether a place was looked at to be cared for, and needed nothing. */
export const placeNeededNothing = (work: VisitWork, place: Place): boolean =>
  careIn(work, sparedOf, place) && !wasCaredFor(work, place);

/** What the visit came to for each task without the clock of a place: done, looked at, or only seen. */
export function taskOutcomes({ state, steps }: VisitWork): TaskOutcome[] {
  const tasksIn = (of: typeof doneOf) =>
    steps.flatMap((step) => {
      const part = of(state, step);
      return part === null ? [] : tasksDoneBy(part);
    });
  const done = new Set(tasksIn(doneOf));
  const spared = new Set(tasksIn(sparedOf).filter((task) => !done.has(task)));
  const grades = gradesOf(state, spared);
  const onlySeen = Object.keys(grades).filter((task) => !done.has(task) && !spared.has(task));
  const as = (outcome: WorkOutcome) => (task: string) => ({ task, outcome, grade: grades[task] ?? null });
  return [...[...done].map(as('done')), ...[...spared].map(as('not needed')), ...onlySeen.map(as('seen'))];
}

/** Grades of the tasks that the rhythm learns without a place [house values]. */
function gradesOf(state: VisitState, spared: ReadonlySet<string>): Record<string, Grade> {
  const looked = new Set<PlaceKey>([
    ...state.lookedClear,
    ...state.findings.map(({ place }) => placeKey(lookedAtWith(place))),
  ]);
  const nails = nailGrade(state) ?? (spared.has('nails') ? 0 : null);
  return {
    ...(nails === null ? {} : { nails }),
    ...(COAT_PLACES.every((place) => looked.has(placeKey(place))) ? { 'brush-out': coatGrade(state.findings) } : {}),
    ...(looked.has(REAR) ? { rear: state.findings.some(({ sign }) => sign === 'soiled rear') ? 2 : 0 } : {}),
  };
}

const REAR: PlaceKey = 'rear/none';
/** All that has to be looked at before a coat is called free. */
const COAT_PLACES = BODY_PLACES.filter(({ site }) => site !== 'mouth' && site !== 'body');

/** As its longest nail; null where none was judged. */
function nailGrade({ nails, findings }: VisitState): Grade | null {
  const curled = findings.some(({ sign }) => sign === 'dewclaw curled' || sign === 'dewclaw grown in');
  const grades = Object.values(nails).map((length) => NAIL_LENGTHS[length]);
  return grades.length === 0 && !curled ? null : (Math.max(curled ? 3 : 0, ...grades) as Grade);
}

/** Free 0, tangles 1, loose mats 2, a mat to the skin 3. */
const coatGrade = (findings: readonly Finding[]): Grade =>
  findings.some(isToTheSkin) ? 3 : findings.some(isMat) ? 2 : findings.some(({ sign }) => sign === 'tangles') ? 1 : 0;
