import { BREEDS, foldSites } from '@dewpond/core/catalogue';
import { ABOVE_SPOTS, BELOW_SPOTS, profile } from '@dewpond/core/drawing';
import { BODY_PLACES, placesOf } from '@dewpond/core/places';
import { expect, test } from 'vitest';
import { LOOK_VIEWS, viewOf } from './lookViews';

test('every place of the look-over is in one view, and no view is empty, whatever the folds', () => {
  for (const { traits } of BREEDS) {
    const places = [...placesOf(foldSites(traits)), ...BODY_PLACES];
    for (const view of LOOK_VIEWS) expect(places.some((place) => viewOf(place) === view)).toBe(true);
  }
});

test('every place of the skin that is looked at can be pointed at in some drawing', () => {
  const [first] = BREEDS;
  if (!first) throw new Error('no breeds');
  const drawn = new Set([
    ...Object.keys(profile(first.traits).spots),
    ...Object.keys(ABOVE_SPOTS),
    ...Object.keys(BELOW_SPOTS),
  ]);
  const onBody = BODY_PLACES.filter((place) => viewOf(place) === 'body').map(({ site }) => site);
  expect(onBody.filter((site) => !drawn.has(site))).toEqual([]);
});
