import { expect, test } from 'vitest';
import { openBook, plansThatChange } from '.';
import { aDog } from '../careplan/tests/randomDogs';

const book = openBook([aDog({}, 'pug'), aDog({}, 'whippet'), aDog({}, 'shih-tzu'), aDog({}, 'komondor')]);

test('a school changes the plans of the dogs it is for, and the business’s own school none', () => {
  // Two dogs have folds (pug, shih tzu); every dog has ears; only the shih tzu has hair at the eye corner.
  expect(plansThatChange(book, 'foldWipe', 'pet wipe')).toBe(2);
  expect(plansThatChange(book, 'foldWipe', 'cloth')).toBe(0);
  expect(plansThatChange(book, 'earCleaning', 'fill')).toBe(4);
  expect(plansThatChange(book, 'eyeCorner', 'clip')).toBe(1);
  expect(plansThatChange([], 'earCleaning', 'fill')).toBe(0);
});
