import { SIDES } from '../places';
import { tapped, type Happening } from '../events';
import type { Stage, Step } from '../steps';
import { isWet, waitsFor } from './closing';
import { movedBefore } from './ownOrder';
import type { VisitWork } from './outcomes';
import { earSoaks } from './timers';

/** What is open of a visit besides what comes when the dog goes, for a dog that has had its minutes. */
export interface VisitSplit {
  /** Must not wait for another day: a wet dog is rinsed and dried, a plug comes out. */
  readonly must: readonly Step[];
  readonly canWait: readonly Step[];
}

/** Before any work, and never left for another day. A step that somebody added in words of their own is no such step. */
const FIRST: ReadonlySet<string> = new Set<Stage>(['prepare', 'handover', 'look-over', 'decide']);
/** Whenever the dog goes. */
const AT_THE_END: ReadonlySet<Stage> = new Set<Stage>(['record', 'clean-down']);
/** What belongs to a bath that has begun: another day it would be a bath of its own. */
const IN_THE_BATH: ReadonlySet<Stage> = new Set<Stage>([
  'wash 1',
  'contact',
  'face',
  'wash 2',
  'contact 2',
  'conditioner',
]);
/** The wash whose time each of these keeps. */
const CONTACT_OF: Readonly<Partial<Record<Stage, string>>> = { contact: 'wash 1', 'contact 2': 'wash 2' };

/** Parts what is open into what must be done now and what can wait. */
export function splitVisit({ state, steps }: VisitWork): VisitSplit {
  const soaking = new Set(earSoaks(state, steps).map(({ side }) => `ears, second pass ${side}`));
  const wet = isWet(state);
  const plugIn = SIDES.some((side) => state.plugs[side] === 'in');
  const mustBe = (step: Step): boolean => {
    if (FIRST.has(step.id) || soaking.has(step.id)) return true;
    if (step.stage === 'plugs out') return plugIn;
    const wash = CONTACT_OF[step.stage];
    if (wash !== undefined) return state.steps[wash]?.kind === 'done';
    return step.neverBarred && wet;
  };
  const open = steps.filter(
    (step) => step.barred === null && state.steps[step.id] === undefined && !AT_THE_END.has(step.stage),
  );
  return { must: open.filter(mustBe), canWait: open.filter((step) => !mustBe(step)) };
}

/** Hands-on minutes of some steps. */
export const minutesOf = (steps: readonly Step[]): number => steps.reduce((sum, { minutes }) => sum + minutes, 0);

const skipped = ({ id }: Step): Happening => ({
  type: 'step skipped',
  step: id,
  because: tapped('has had enough'),
});

/** All that can wait is left out; it stays due. */
export const leaveOut = ({ canWait }: VisitSplit): Happening[] => canWait.map(skipped);

/**
 * What can wait comes after what must be done, to be finished another day; what belongs to a bath that has begun, what
 * holds up a step that must be done, or what cannot come later, is left out instead.
 */
export function splitOverTwo(work: VisitWork, { must, canWait }: VisitSplit): Happening[] {
  const holding = new Set(must.flatMap((step) => waitsFor(work.state, work.steps, step)).map(({ id }) => id));
  const wet = isWet(work.state);
  const goes = (step: Step) => holding.has(step.id) || (wet && IN_THE_BATH.has(step.stage));
  const moves: Happening[] = [];
  const left = new Set(canWait.filter(goes).map(({ id }) => id));
  let list: readonly Step[] = work.steps;
  // From the last on, each before the one moved before it: they keep their order, and what must come first does.
  let before = work.steps.find(({ stage }) => stage === 'record')?.id;
  for (const { id } of canWait.filter((step) => !goes(step)).toReversed()) {
    const moved: Step[] | null = before === undefined ? null : movedBefore(list, id, before);
    if (moved === null || before === undefined) {
      // It belongs before something that is done already.
      left.add(id);
      continue;
    }
    list = moved;
    moves.push({ type: 'step moved', step: id, before });
    before = id;
  }
  return [...canWait.filter(({ id }) => left.has(id)).map(skipped), ...moves];
}
