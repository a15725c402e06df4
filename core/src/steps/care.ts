import { areaOf, type Procedure, type SignArea } from '../findings';
import { samePlace, type Place } from '../places';
import { stopAt, type Bar, type StopAnswer } from '../stops';
import { TASKS, taskKey } from '../tasks';
import type { Stage, Step } from './steps';

/** Pieces whose doing counts as care of a place, by the start of their ids. A wipe counts; looking, or plain water around it, does not. */
const CARE = ['ear pads', 'outer flap', 'ear wipe', 'eye wipe', 'eye crust', 'fold clean'] as const;

/** Whether a step, as bars leave it, cares for a place: a fold patted dry from outside was not cleaned. */
export const caresFor = ({ pieces }: Step, place: Place): boolean =>
  pieces.some(
    ({ id, touches }) =>
      CARE.some((start) => id.startsWith(start)) && touches.some((touch) => samePlace(touch.place, place)),
  );

/** What the care of each kind of place is, in one procedure. */
const CARE_BY: Readonly<Record<SignArea, Procedure>> = {
  ear: 'clean',
  eye: 'clean',
  fold: 'clean',
  nose: 'protect',
  skin: 'wash',
  paw: 'wash',
  nail: 'clip',
  mouth: 'clean',
  rear: 'wash',
  body: 'protect',
};

/** What the bars say of caring for a place, and what stands in for it. */
export const careAt = (bars: readonly Bar[], place: Place): StopAnswer =>
  stopAt(bars, { place, procedure: CARE_BY[areaOf(place.site)], product: null });

/** Whether something seen today keeps the salon's care off a place: its clock stands still until a vet has answered. */
export const isCareBarred = (bars: readonly Bar[], place: Place): boolean =>
  careAt(bars, place).bars.some(
    ({ stop, lifted, reason }) =>
      stop !== 'S0' &&
      lifted === null &&
      reason.kind === 'signs' &&
      reason.since === null &&
      samePlace(reason.place, place),
  );

/** Stages at which looking may come to "it needs nothing today". What belongs to a bath is done with the bath, or left. */
const LOOKED_AT: ReadonlySet<Stage> = new Set<Stage>([
  'first clip',
  'ears, first pass',
  'eyes, on the table',
  'nails',
  'brush-out',
  'ears, second pass',
  'folds',
  'teeth',
]);

/** Whether "looked at, nothing needed" is an answer to this step. */
export const mayNeedNothing = ({ stage, place, barred, id }: Step): boolean =>
  LOOKED_AT.has(stage) && barred === null && !(place !== null && id.startsWith('mat '));

/** Stages whose doing is the doing of their tasks; combing after the bath is no brush-out. */
const DOES_TASKS: ReadonlySet<Stage> = new Set<Stage>([
  'first clip',
  'nails',
  'brush-out',
  'wash 1',
  'face',
  'wash 2',
  'conditioner',
  'dry',
  'teeth',
]);

/**
 * Tasks without a clock of a place that a step does, as bars leave it: each by its key, at a side where it has sides.
 * A flap that was left out was not clipped.
 */
export function tasksDoneBy({ stage, pieces }: Step): string[] {
  if (!DOES_TASKS.has(stage)) return [];
  const keys = pieces.flatMap(({ task, touches }) => {
    if (task === null) return [];
    const { sites } = TASKS[task];
    if (sites === 'none') return [taskKey({ task, place: null })];
    return touches.filter(({ place }) => place.site === sites).map(({ place }) => taskKey({ task, place }));
  });
  return [...new Set(keys)];
}
