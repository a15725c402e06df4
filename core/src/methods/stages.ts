import type { Stage } from '../steps';
import { findMethod } from './cards';
import type { MethodSource } from './card';

/** The card a step of the visit opens; stages of asking and recording have none. */
const CARD_OF: Readonly<Partial<Record<Stage, string>>> = {
  'look-over': 'look-into-ears',
  'first clip': 'pads-and-feet',
  'ears, first pass': 'clean-ears',
  'eyes, on the table': 'eyes',
  nails: 'nails',
  'brush-out': 'brush-out',
  wet: 'wet-and-wash',
  plugs: 'wet-and-wash',
  'wash 1': 'wet-and-wash',
  contact: 'wet-and-wash',
  face: 'wet-and-wash',
  'rinse 1': 'wet-and-wash',
  'wash 2': 'wet-and-wash',
  'contact 2': 'wet-and-wash',
  'last rinse': 'wet-and-wash',
  conditioner: 'wet-and-wash',
  'plugs out': 'drying',
  'water off': 'drying',
  dry: 'drying',
  'ears, second pass': 'clean-ears',
  folds: 'folds',
  'comb and tidy': 'brush-out',
  teeth: 'teeth',
};

/** The method card of a step; hair in the ear has one of its own. Undefined where there is nothing to show. */
export function methodOfStep({ id, stage }: { readonly id: string; readonly stage: Stage }): MethodSource | undefined {
  if (id.startsWith('ear hair')) return findMethod('ear-hair');
  if (id === 'nose balm') return undefined;
  return findMethod(CARD_OF[stage] ?? '');
}
