import fc from 'fast-check';
import { expect, test } from 'vitest';
import { anyDog } from '../careplan/tests/randomDogs';
import { namePlace } from '../places';
import { STEP_TITLES, judgeLookOver } from '.';
import { anyFinding, stepsFor } from './tests/randomVisits';

test('every title a step has is in the table, and every row of the table is a title of some step', () => {
  const met = new Set<string>();
  fc.assert(
    fc.property(anyDog, fc.array(anyFinding, { maxLength: 4 }), fc.constantFrom(0, 10), (dog, findings, minutes) => {
      for (const { title, place } of stepsFor(dog, judgeLookOver(dog, findings, []), minutes, findings)) {
        const named = place ? title.replace(namePlace(place), '{place}') : title;
        const row = named.replace(/\d+/, '{count}');
        expect(STEP_TITLES).toContain(row);
        met.add(row);
      }
    }),
    { numRuns: 600 },
  );
  expect(STEP_TITLES.filter((title) => !met.has(title))).toEqual([]);
});
