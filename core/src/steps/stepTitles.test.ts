import fc from 'fast-check';
import { expect, test } from 'vitest';
import { anyDog } from '../careplan/tests/randomDogs';
import { ALL_TITLES, titleWords } from '.';
import { anyFinding, stepsFor } from '../visit/tests/randomVisits';

const anyVisit = fc.record({
  dog: anyDog,
  findings: fc.array(anyFinding, { maxLength: 4 }),
  contactMinutes: fc.constantFrom(0, 10),
  lookedClear: fc.subarray(['ear/left', 'ear/right'] as const),
});

test('every title a step has is in the table', () => {
  fc.assert(
    fc.property(anyVisit, ({ dog, ...look }) => {
      for (const { title } of stepsFor(dog, look)) {
        expect(ALL_TITLES).toContain(title.id);
        expect(titleWords(title)).not.toMatch(/[{}]/);
      }
    }),
    { numRuns: process.env['DEWPOND_DEEP'] ? 5000 : 400 },
  );
});

test('every row of the table is a title of some step', () => {
  // The rarest is met by one dog in some hundreds: the same dogs each time, so that only the table decides.
  const missing = new Set<string>(ALL_TITLES);
  for (let seed = 16; seed < 46 && missing.size > 0; seed++)
    for (const { dog, ...look } of fc.sample(anyVisit, { numRuns: 100, seed }))
      for (const { title } of stepsFor(dog, look)) missing.delete(title.id);
  expect([...missing]).toEqual([]);
});
