import { areaOf, type Procedure, type SignArea } from '../findings';
import { samePlace, type Place } from '../places';
import type { Task } from '../tasks';
import type { Touch } from '../work';

/** Which touches a task of the plan stands for, wherever they come from; the rest goes by the piece's own task. */
interface TaskCovers {
  readonly areas: readonly SignArea[];
  readonly procedures: readonly Procedure[];
}

const AREAS: readonly SignArea[] = ['ear', 'eye', 'fold', 'skin', 'paw', 'nail', 'mouth', 'rear', 'body'];
const NOTHING: TaskCovers = { areas: [], procedures: [] };

/** "No bath" is no water and no product anywhere; "no ear cleaning" leaves the plug and the outer flap. */
export const TASK_COVERS: Readonly<Record<Task, TaskCovers>> = {
  bath: { areas: AREAS, procedures: ['wash', 'rinse'] },
  'second wash': NOTHING,
  conditioner: NOTHING,
  'face wash': NOTHING,
  drying: { areas: AREAS, procedures: ['blow'] },
  'ear cleaning': { areas: ['ear'], procedures: ['clean', 'fill', 'massage'] },
  'ear hair': { areas: ['ear'], procedures: ['pluck', 'trim'] },
  'ear flaps': { areas: ['ear'], procedures: ['clip'] },
  'ear inspection': NOTHING,
  'eyes and face': { areas: ['eye'], procedures: ['clean', 'comb'] },
  'eye corners': { areas: ['eye'], procedures: ['clip', 'trim'] },
  'tear stains': NOTHING,
  'eye check': NOTHING,
  'heart check': NOTHING,
  'lump check': NOTHING,
  'fold care': { areas: ['fold'], procedures: ['clean', 'protect'] },
  'nose balm': NOTHING,
  nails: { areas: ['nail'], procedures: ['clip', 'trim'] },
  'brush-out': { areas: ['skin', 'paw', 'rear', 'ear'], procedures: ['comb'] },
  mats: NOTHING,
  pads: { areas: ['paw'], procedures: ['clip', 'trim'] },
  rear: { areas: ['rear'], procedures: ['clip', 'trim'] },
  teeth: { areas: ['mouth'], procedures: ['clean', 'protect'] },
};

/** Pieces that go by their own task only; drying by towel stays when the dryer is forbidden. */
const BY_PIECE: ReadonlySet<Task> = new Set<Task>(['second wash', 'conditioner', 'face wash', 'mats']);

/** Whether a bar on a task may forbid a procedure anywhere. */
export const taskSpeaksOf = (task: Task, procedure: Procedure): boolean =>
  BY_PIECE.has(task) || TASK_COVERS[task].procedures.includes(procedure);

/** Whether a bar on a task, at a place or anywhere, forbids a touch of a piece that belongs to `own`. */
export function taskCovers(task: Task, at: Place | null, touch: Touch, own: Task | null): boolean {
  const { areas, procedures } = TASK_COVERS[task];
  const isMeant =
    (own === task && BY_PIECE.has(task)) ||
    (procedures.includes(touch.procedure) && areas.includes(areaOf(touch.place.site)));
  if (!isMeant) return false;
  return at === null || samePlace(at, touch.place) || (at.side === 'none' && at.site === touch.place.site);
}
