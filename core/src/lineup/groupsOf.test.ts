import fc from 'fast-check';
import { expect, test } from 'vitest';
import { anyDog, aDog } from '../careplan/tests/randomDogs';
import { timeline, totalMinutes } from '../steps';
import { stepsFor } from '../visit/tests/randomVisits';
import { groupsOf } from '.';

const parts = (dog = aDog(), kind: 'full visit' | 'bath only' | 'ears and nails' = 'full visit') =>
  groupsOf(stepsFor(dog, { kind }));

test('a bathed dog is on the table, in the tub, rests in its towel, is dried, and is finished', () => {
  const groups = parts();
  expect(groups.map(({ part, at }) => [part, at])).toEqual([
    ['table', ['table']],
    ['bath', ['tub']],
    ['dry', ['table', 'dryer']],
    ['finish', ['table']],
  ]);
  expect(groups.map(({ rest }) => rest)).toEqual([0, 0, 10, 0]);
});

test('without a bath it is on the table once', () => {
  expect(parts(aDog(), 'ears and nails').map(({ part }) => part)).toEqual(['table']);
});

test('a puppy does not rest in wet towels', () => {
  expect(parts(aDog({ lifeStage: 'puppy' })).every(({ rest }) => rest === 0)).toBe(true);
});

test('what is left of a visit that has begun keeps its order', () => {
  const steps = stepsFor(aDog());
  const left = steps.slice(steps.findIndex(({ stage }) => stage === 'last rinse'));
  expect(groupsOf(left).map(({ part }) => part)).toEqual(['bath', 'dry', 'finish']);
  const drying = steps.slice(steps.findIndex(({ stage }) => stage === 'dry'));
  expect(groupsOf(drying).map(({ part }) => part)).toEqual(['dry', 'finish']);
  expect(groupsOf([])).toEqual([]);
});

test('whatever the dog: no minute is lost or told twice', () => {
  fc.assert(
    fc.property(anyDog, (dog) => {
      const steps = stepsFor(dog);
      const groups = groupsOf(steps);
      const whole = totalMinutes(timeline(steps));
      const told = groups.reduce((sum, { minutes, rest }) => sum + minutes + rest, 0);
      // Each part rounds its own minutes.
      expect(Math.abs(told - whole)).toBeLessThanOrEqual(4);
      for (const { minutes, stretches } of groups) expect(totalMinutes(stretches)).toBe(minutes);
    }),
    { numRuns: 60 },
  );
});
