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
  expect(beforeVisitAdvice(aDog(more, breed), false)).toEqual(advice);
  expect(beforeVisitAdvice(aDog(more, breed), true)).toEqual([...advice, 'bottle']);
});
