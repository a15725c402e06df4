import { millilitres } from '@dewpond/core/units';
import { describe, expect, test } from 'vitest';
import { strokesTyped } from './strokesTyped';

/** Fluid ounces of thirty millilitres, so that sums are seen at a glance. */
const volume = (value: number) => millilitres(value * 30);

describe('strokes as typed', () => {
  test.each([
    ['grams each', ['5', '5,2', ''], [5, 5.2]],
    ['grams standing', ['5', '10.2', '15'], [5, 5.2, 4.8]],
    ['volume each', ['0.1', '0.2'], [3, 6]],
    ['volume standing', ['0.1', '0.3'], [3, 6]],
  ] as const)('%s: %j', (how, typed, expected) => {
    const read = strokesTyped(typed, how, volume);
    if (read.kind === 'no strokes') throw new Error(read.why);
    expect(read.strokes).toHaveLength(expected.length);
    read.strokes.forEach((ml, i) => expect(ml).toBeCloseTo(expected[i] ?? Number.NaN, 9));
  });

  test.each([
    ['grams each', ['5', 'full'], /Numbers only/],
    ['volume each', ['-1'], /none below 0/],
    ['grams standing', ['5', '3'], /only ever rises/],
  ] as const)('%s: %j is told in words', (how, typed, why) => {
    const read = strokesTyped(typed, how, volume);
    expect(read.kind === 'no strokes' && read.why).toMatch(why);
  });
});
