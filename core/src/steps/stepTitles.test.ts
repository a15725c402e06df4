import fc from 'fast-check';
import { expect, test } from 'vitest';
import { anyDog } from '../careplan/tests/randomDogs';
import { ALL_TITLES, titleWords } from '.';
import { anyFinding, stepsFor } from '../visit/tests/randomVisits';

test('every title a step has is in the table, and every row of the table is a title of some step', () => {
  const met = new Set<string>();
  fc.assert(
    fc.property(anyDog, fc.array(anyFinding, { maxLength: 4 }), fc.constantFrom(0, 10), (dog, findings, minutes) => {
      for (const { title } of stepsFor(dog, { findings, contactMinutes: minutes })) {
        expect(titleWords(title)).not.toMatch(/[{}]/);
        met.add(title.id);
      }
    }),
    { numRuns: 1500, seed: 16 },
  );
  expect(ALL_TITLES.filter((title) => !met.has(title))).toEqual([]);
});
