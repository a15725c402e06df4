import { describe, expect, test } from 'vitest';
import type { Grade } from '../places';
import { RHYTHM } from './constants';
import { addAlong, curvesOf, sumAlong, type Grid } from './curves';
import { logBetween, logUpperTail } from './tests/exactRhythm';

const curves = curvesOf(RHYTHM);
const D = [0.5, 1, 1.65] as const;
const { spread, lapse } = RHYTHM;

/** ln P(least ≤ grade ≤ most | t, τ), from series and continued fraction, sharing no code with the curves. */
function logLook(least: Grade, most: Grade, t: number, logTau: number): number {
  const onset = (grade: number) => Math.log(D[grade - 1] ?? 0);
  const upper = least === 0 ? Infinity : (Math.log(t) - logTau - onset(least)) / spread;
  const lower = most === 3 ? -Infinity : (Math.log(t) - logTau - onset(most + 1)) / spread;
  const log = logBetween(lower, upper);
  return least > 1 ? Math.log((1 - lapse) * Math.exp(log) + (lapse * (most - least + 1)) / 4) : log;
}

const grids: readonly Grid[] = [
  { from: Math.log(1.6) - 3, step: RHYTHM.gridStep, length: 301 },
  { from: Math.log(470) - 6, step: RHYTHM.gridStep, length: 601 },
];
const days = [1, 2, 7, 13.5, 28, 90, 365, 1500];
/** The second lies beyond the nodes at one end. */
const longAgo = 4e8;

describe('what a look says of each τ, from the curves and from series', () => {
  test.each([
    [0, 0, curves.looks[0]],
    [1, 1, curves.looks[1]],
    [2, 2, curves.looks[2]],
    [3, 3, curves.looks[3]],
    [2, 3, curves.above],
  ] as const)('grades %i to %i', (least, most, curve) => {
    for (const grid of grids) {
      for (const t of [...days, longAgo]) {
        const into = new Float64Array(grid.length);
        addAlong(into, curve!, t, 0.75, grid, curves);
        for (let i = 0; i < grid.length; i += 7) {
          const exact = 0.75 * logLook(least, most, t, grid.from + i * grid.step);
          expect(Math.abs((into[i] ?? Infinity) - exact)).toBeLessThan(1e-8 * Math.max(1, Math.abs(exact)));
        }
      }
    }
  });

  test('how likely it is still acceptable', () => {
    for (const grid of grids) {
      for (const t of [...days, longAgo]) {
        for (const i of [0, 40, 150, 299]) {
          const weight = new Float64Array(grid.length);
          weight[i] = 1;
          const x = (Math.log(t) - grid.from - i * grid.step) / spread;
          const exact = x > 0 ? Math.exp(logUpperTail(x)) : 1 - Math.exp(logUpperTail(-x));
          expect(sumAlong(weight, curves.acceptable, t, grid, { from: 0, to: 300 }, curves)).toBeCloseTo(exact, 9);
        }
      }
    }
  });
});
