import { BREEDS, foldSites } from '../catalogue';
import { mirror, placeKey, placeOf, placesOf } from '../places';
import { describe, expect, test } from 'vitest';
import { headShape } from './headShape';

/** One breed of each shape that is drawn. */
const SHAPES = new Map(
  BREEDS.map((breed) => [JSON.stringify([breed.traits.ears, breed.traits.muzzle, breed.traits.folds]), breed]),
);

describe.each([...SHAPES.values()])('the head of a $name', ({ traits }) => {
  const { spots, skull, nose, top } = headShape(traits);

  test("a mirrored place is the mirrored point, and the dog's left is on the reader's right", () => {
    for (const [key, point] of Object.entries(spots)) {
      const other = spots[placeKey(mirror(placeOf(key)))];
      expect(other?.x ?? NaN).toBeCloseTo(-point.x, 9);
      expect(other?.y).toBe(point.y);
      if (placeOf(key).side === 'left') expect(point.x).toBeGreaterThan(0);
    }
  });

  test('every place of the head is marked, within the drawing', () => {
    const onHead = placesOf(foldSites(traits)).filter(
      ({ site }) => !['fold neck', 'fold tail', 'fold vulva'].includes(site),
    );
    const nosePad = traits.muzzle === 'flat' ? ['nose pad/none'] : [];
    expect(Object.keys(spots).toSorted()).toEqual(
      [...onHead.map(placeKey), ...nosePad, 'head/none', 'mouth/none'].toSorted(),
    );
    const lifted = headShape(traits, true);
    for (const { y } of Object.values(lifted.spots)) expect(y).toBeGreaterThan(lifted.top);
    expect(Object.keys(lifted.spots)).toEqual(Object.keys(spots));
    expect(nose.y).toBeLessThan(90);
    for (const { y } of Object.values(spots)) expect(y).toBeGreaterThan(top);
    expect(skull).not.toContain('NaN');
  });
});
