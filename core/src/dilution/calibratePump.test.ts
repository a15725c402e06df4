import { describe, expect, test } from 'vitest';
import { millilitres } from '../units';
import { calibratePump, strokesFromGrams, strokesFromReadings } from '.';

const strokes = (...each: number[]) => each.map(millilitres);

describe('ten strokes of a pump', () => {
  test('a good pump: the mean, and how much it scatters (worked by hand)', () => {
    // Mean 5, squares of the differences 10 × 0.04 = 0.4, 0.4 / 9 = 0.0444, root 0.2108, over 5: 4.2 %.
    const made = calibratePump(strokes(4.8, 5.2, 4.8, 5.2, 4.8, 5.2, 4.8, 5.2, 4.8, 5.2));
    expect(made).toMatchObject({ kind: 'calibrated', least: 4.8, most: 5.2 });
    if (made.kind !== 'calibrated') return;
    expect(made.stroke).toBeCloseTo(5, 12);
    expect(made.scatter).toBeCloseTo(0.04216, 5);
  });

  test('over 15 % is refused, with the scatter and what to do', () => {
    // Mean 5, ten differences of 1: 10 / 9 = 1.111, root 1.054, over 5: 21 %.
    const made = calibratePump(strokes(4, 6, 4, 6, 4, 6, 4, 6, 4, 6));
    expect(made.kind === 'refused' && made.why).toMatch(/scatter 21 %.*measure in ml/s);
  });

  test('just under the limit is taken', () => {
    expect(calibratePump(strokes(4.3, 5.7, 4.3, 5.7, 4.3, 5.7, 4.3, 5.7, 4.3, 5.7)).kind).toBe('calibrated');
  });

  test.each([
    ['nine strokes', strokes(5, 5, 5, 5, 5, 5, 5, 5, 5), /ten|10 strokes; 9 are/],
    ['one', strokes(5), /1 is/],
    ['a dry stroke', strokes(0, 5, 5, 5, 5, 5, 5, 5, 5, 5), /Prime the pump/],
    ['nothing at all', strokes(0, 0, 0, 0, 0, 0, 0, 0, 0, 0), /Prime the pump/],
  ])('%s is refused in words', (_, given, why) => {
    const made = calibratePump(given);
    expect(made.kind === 'refused' && made.why).toMatch(why);
  });

  test('a jug left on the scale: differences of what it shows', () => {
    expect(strokesFromReadings([105, 110.2, 115], 100)).toEqual([5, expect.closeTo(5.2, 9), expect.closeTo(4.8, 9)]);
    expect(() => strokesFromReadings([10, 8])).toThrow(RangeError);
  });

  test('grams are millilitres at 1 g/ml, fewer of a heavier product', () => {
    expect(strokesFromGrams([5, 5.2])).toEqual([5, 5.2]);
    expect(strokesFromGrams([5.2], 1.04)[0]).toBeCloseTo(5, 12);
    expect(() => strokesFromGrams([5], 0)).toThrow(RangeError);
  });
});
