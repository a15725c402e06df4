import { foldSites, type Traits } from '../catalogue';
import { placeKey, placesOf, type Place } from '../places';

/** Care a dog comes for. Names are those of the trade. */
export const TASKS = {
  bath: { name: 'Bath', sites: 'none', safer: 'rarer' },
  'ear cleaning': { name: 'Clean ears', sites: 'ear', safer: 'rarer' },
  'ear hair': { name: 'Hair in the ear', sites: 'ear', safer: 'rarer' },
  'ear inspection': { name: 'Look into the ears', sites: 'ear', safer: 'oftener' },
  'eyes and face': { name: 'Eyes and face', sites: 'eye', safer: 'oftener' },
  'fold care': { name: 'Folds', sites: 'fold', safer: 'oftener' },
  nails: { name: 'Nails and dewclaws', sites: 'none', safer: 'oftener' },
  'brush-out': { name: 'Brush-out', sites: 'none', safer: 'oftener' },
} as const satisfies Record<
  string,
  { name: string; sites: 'none' | 'ear' | 'eye' | 'fold'; safer: 'oftener' | 'rarer' }
>;

export type Task = keyof typeof TASKS;
export const ALL_TASKS = Object.keys(TASKS) as readonly Task[];

/** A task at a place; the place is null where the task has none. */
export interface TaskAt {
  readonly task: Task;
  readonly place: Place | null;
}
export const taskKey = ({ task, place }: TaskAt): string => (place ? `${task}@${placeKey(place)}` : task);

/** Every task at every place that a dog of these traits has, in working order. */
export function tasksOf(traits: Traits): TaskAt[] {
  const places = placesOf(foldSites(traits));
  return ALL_TASKS.flatMap((task): TaskAt[] => {
    const { sites } = TASKS[task];
    if (sites === 'none') return [{ task, place: null }];
    return places.filter(({ site }) => site.startsWith(sites)).map((place) => ({ task, place }));
  });
}
