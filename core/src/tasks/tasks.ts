import { foldSites, type Traits } from '../catalogue';
import { placeKey, placesOf, type Place } from '../places';

/**
 * When a task comes round: on its own clock; with every bath; when the table shows the need; at home, as the owner's;
 * or at the vet's.
 */
export type Round = 'own clock' | 'with the bath' | 'at the table' | 'at home' | 'at the vet';

interface TaskWords {
  readonly name: string;
  readonly sites: 'none' | 'ear' | 'eye' | 'fold';
  /** Which way to err when equals disagree: too often is a fault too. */
  readonly safer: 'oftener' | 'rarer';
  readonly round: Round;
  /** Hands-on minutes at the salon for an ordinary dog, a side or a place [house values]; 0 where it is not salon work. */
  readonly minutes: number;
}

/** Care a dog comes for, in working order. Names are those of the trade. */
export const TASKS = {
  bath: { name: 'Bath', sites: 'none', safer: 'rarer', round: 'own clock', minutes: 25 },
  'second wash': { name: 'Second wash', sites: 'none', safer: 'rarer', round: 'with the bath', minutes: 4 },
  conditioner: { name: 'Conditioner', sites: 'none', safer: 'rarer', round: 'with the bath', minutes: 2 },
  'face wash': { name: 'Face wash', sites: 'none', safer: 'rarer', round: 'with the bath', minutes: 3 },
  drying: { name: 'Drying', sites: 'none', safer: 'rarer', round: 'with the bath', minutes: 20 },
  'ear cleaning': { name: 'Clean ears', sites: 'ear', safer: 'rarer', round: 'own clock', minutes: 4 },
  'ear hair': { name: 'Hair in the ear', sites: 'ear', safer: 'rarer', round: 'at the table', minutes: 3 },
  'ear flaps': { name: 'Clip the ear flaps', sites: 'ear', safer: 'oftener', round: 'own clock', minutes: 2 },
  'ear inspection': { name: 'Look into the ears', sites: 'ear', safer: 'oftener', round: 'at home', minutes: 0 },
  'eyes and face': { name: 'Eyes and face', sites: 'eye', safer: 'oftener', round: 'own clock', minutes: 2 },
  'eye corners': { name: 'Eye-corner hair', sites: 'eye', safer: 'oftener', round: 'own clock', minutes: 1 },
  'tear stains': { name: 'Tear stains', sites: 'none', safer: 'oftener', round: 'at home', minutes: 0 },
  'eye check': { name: 'Eyes seen by a vet', sites: 'none', safer: 'oftener', round: 'at the vet', minutes: 0 },
  'heart check': { name: 'Heart seen by a vet', sites: 'none', safer: 'oftener', round: 'at the vet', minutes: 0 },
  'lump check': { name: 'Lump seen by a vet', sites: 'none', safer: 'oftener', round: 'at the vet', minutes: 0 },
  'fold care': { name: 'Folds', sites: 'fold', safer: 'oftener', round: 'own clock', minutes: 2 },
  'nose balm': { name: 'Nose', sites: 'none', safer: 'rarer', round: 'at home', minutes: 1 },
  nails: { name: 'Nails and dewclaws', sites: 'none', safer: 'oftener', round: 'own clock', minutes: 6 },
  'brush-out': { name: 'Brush-out', sites: 'none', safer: 'oftener', round: 'own clock', minutes: 10 },
  mats: { name: 'Mats', sites: 'none', safer: 'oftener', round: 'at the table', minutes: 0 },
  pads: { name: 'Hair between the pads', sites: 'none', safer: 'oftener', round: 'own clock', minutes: 4 },
  rear: { name: 'Rear kept clear', sites: 'none', safer: 'oftener', round: 'own clock', minutes: 3 },
  teeth: { name: 'Teeth', sites: 'none', safer: 'oftener', round: 'at home', minutes: 2 },
} as const satisfies Record<string, TaskWords>;

export type Task = keyof typeof TASKS;
/** Looks that only a vet can have: when it was is asked and kept. */
export const VET_TASKS = ['eye check', 'heart check', 'lump check'] as const satisfies readonly Task[];
export type VetTask = (typeof VET_TASKS)[number];
export const ALL_TASKS = Object.keys(TASKS) as readonly Task[];

/** A task at a place; the place is null where the task has none. */
export interface TaskAt {
  readonly task: Task;
  readonly place: Place | null;
}
export const taskKey = ({ task, place }: TaskAt): string => (place ? `${task}@${placeKey(place)}` : task);

/** Dogs with the same folds have the same tasks: there are few such sets, and many dogs. */
const TASKS_OF_FOLDS = new Map<string, readonly TaskAt[]>();

/** Every task at every place that a dog of these traits has, in working order. */
export function tasksOf(traits: Traits): readonly TaskAt[] {
  const folds = foldSites(traits);
  const key = folds.join();
  const known = TASKS_OF_FOLDS.get(key);
  if (known) return known;
  const places = placesOf(folds);
  const tasks = ALL_TASKS.flatMap((task): TaskAt[] => {
    const { sites } = TASKS[task];
    if (sites === 'none') return [{ task, place: null }];
    return places.filter(({ site }) => site.startsWith(sites)).map((place) => ({ task, place }));
  });
  TASKS_OF_FOLDS.set(key, tasks);
  return tasks;
}
