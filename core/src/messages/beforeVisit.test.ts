import { expect, test } from 'vitest';
import { aDog } from '../careplan/tests/randomDogs';
import { FIT } from '../dog';
import { beforeVisitAdvice } from '.';

/** Common practice, no source. */
test.each([
  ['an adult dog', {}, 'border-collie', ['walk']],
  ['an old one', { lifeStage: 'senior' }, 'border-collie', []],
  ['a young one', { lifeStage: 'puppy' }, 'border-collie', ['walk']],
  ['a flat face', {}, 'pug', []],
  ['tight breathing', { tightBreathing: true }, 'border-collie', []],
  ['a heart', { fitness: { ...FIT, heart: true } }, 'border-collie', []],
  ['stiff joints', { stiffJoints: true }, 'border-collie', []],
] as const)('%s: a walk first, or not', (_, more, breed, advice) => {
  expect(beforeVisitAdvice(aDog(more, breed), { fromVetsBottle: false, isFirst: false })).toEqual(advice);
  expect(beforeVisitAdvice(aDog(more, breed), { fromVetsBottle: true, isFirst: false })).toEqual([...advice, 'bottle']);
});

test('before a first visit: what to bring, and no big meal; a puppy eats as usual', () => {
  const first = { fromVetsBottle: false, isFirst: true };
  expect(beforeVisitAdvice(aDog({}, 'border-collie'), first)).toEqual(['meal', 'walk', 'bring']);
  expect(beforeVisitAdvice(aDog({ lifeStage: 'puppy' }, 'border-collie'), first)).toEqual(['walk', 'bring']);
  expect(beforeVisitAdvice(aDog({}, 'pug'), first)).toEqual(['meal', 'bring']);
});
