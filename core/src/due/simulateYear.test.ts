import { expect, test } from 'vitest';
import { day } from '../units';
import { costOf, hiddenLines, simulateYear, type HiddenYear, type Timing, type YearCost } from '.';

const START = day('2026-01-05');
const DEEP = Boolean(process.env['DEWPOND_DEEP']);

/** A linear congruential generator (Numerical Recipes), for the same year every time. */
function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 4_294_967_296;
  };
}

function costOfAll(dogs: number, seed: number): Record<Timing, number> {
  const random = seeded(seed);
  const lines = hiddenLines(dogs, START, random).map((each) => ({ ...each, seed: Math.floor(random() * 2 ** 32) }));
  const rate = (timing: Timing) => {
    const years = lines.map(({ line, tau, seed: own }): YearCost =>
      simulateYear({ line, tau, start: START, days: 365, skip: 4, random: seeded(own) }, timing),
    );
    return years.reduce((sum, each) => sum + costOf(each), 0) / years.reduce((sum, { days }) => sum + days, 0);
  };
  return { fixed: rate('fixed'), learned: rate('learned'), best: rate('best') };
}

test(`after four visits learning wins most of what knowing the hidden rates would (${DEEP ? 3 : 1} seeds)`, () => {
  for (const seed of DEEP ? [11, 12, 13] : [11]) {
    const { fixed, learned, best } = costOfAll(DEEP ? 200 : 25, seed);
    const won = (fixed - learned) / (fixed - best);
    expect(won).toBeGreaterThanOrEqual(DEEP ? 0.7 : 0.6);
  }
});

const [one] = hiddenLines(1, START, seeded(3));
const year = (more: Partial<HiddenYear>): HiddenYear => {
  if (!one) throw new Error('No line.');
  return { ...one, start: START, days: 365, skip: 0, random: seeded(5), ...more };
};

test('the one who knows is never late but where the plan’s bounds make it so', () => {
  const { usual } = year({}).line.interval;
  expect(simulateYear(year({ tau: usual * 1.4 }), 'best')).toMatchObject({ lateDays: 0, overCare: 0 });
  expect(simulateYear(year({ tau: 2 }), 'best').lateDays).toBeGreaterThan(0);
});

test('the fixed plan is late where it gets dirty fast, and cares too often where it does not', () => {
  const fast = simulateYear(year({ tau: 12 }), 'fixed');
  const slow = simulateYear(year({ tau: 200 }), 'fixed');
  expect([fast.lateDays > 0, fast.overCare]).toEqual([true, 0]);
  expect([slow.lateDays, slow.overCare]).toEqual([0, slow.cares]);
});

test('what is counted is the rest of the year after the visits left out', () => {
  const all = simulateYear(year({}), 'fixed');
  const later = simulateYear(year({ skip: 4 }), 'fixed');
  expect(all.days).toBe(365);
  expect(later.days).toBe(365 - 4 * year({}).line.interval.usual);
});
