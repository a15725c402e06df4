import { areaOf } from '@dewpond/core/findings';
import type { Place } from '@dewpond/core/places';

/** The look-over in the order of the hands: from the head over the body to the feet, then one step back. */
export const LOOK_VIEWS = ['head', 'body', 'paws', 'whole dog'] as const;
export type LookView = (typeof LOOK_VIEWS)[number];
export const VIEW_NAMES: Readonly<Record<LookView, string>> = {
  head: 'Head',
  body: 'Body',
  paws: 'Paws',
  'whole dog': 'Whole dog',
};

const ON_THE_BODY: ReadonlySet<Place['site']> = new Set<Place['site']>([
  'fold neck',
  'fold tail',
  'fold vulva',
  'rear',
]);

/** Where a place is looked at. */
export function viewOf({ site }: Place): LookView {
  if (site === 'body') return 'whole dog';
  if (site.startsWith('paw') || site.startsWith('nail')) return 'paws';
  if (ON_THE_BODY.has(site) || (areaOf(site) === 'skin' && site !== 'head')) return 'body';
  return 'head';
}
