import { surfaceArea } from '../dilution';
import type { Kilograms } from '../units';
import type { Stage } from './steps';

/** Work that grows with the dog. */
const BY_SIZE: ReadonlySet<Stage> = new Set([
  'brush-out',
  'wet',
  'wash 1',
  'rinse 1',
  'wash 2',
  'last rinse',
  'dry',
  'comb and tidy',
]);
/** The dog the business's minutes are meant for, and how far size may move them [house values]. */
const ORDINARY_AREA = 0.55;
const SIZE_LIMITS = [0.6, 1.7] as const;

/** How many times the business's minutes a stage takes with a dog of this size; 1 for work that does not grow with it. */
export const bySize = (stage: Stage, weight: Kilograms): number =>
  BY_SIZE.has(stage) ? Math.min(SIZE_LIMITS[1], Math.max(SIZE_LIMITS[0], surfaceArea(weight) / ORDINARY_AREA)) : 1;
