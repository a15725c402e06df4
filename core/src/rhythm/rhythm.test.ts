import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Grade } from '../places';
import { seeded } from '../tests/seeded';
import { addDays, day, type Day } from '../units';
import {
  learnRhythm,
  placeRecord,
  RHYTHM,
  simulateVisits,
  gettingWorse,
  oneSided,
  type Observation,
  type RhythmQuestion,
} from '.';
import { priorMean } from './learnRhythm';
import { logNormalBetween, logNormalCdf, normalCdf } from './normal';
import { acceptableAfter, priorBelief, update } from './posterior';
import { exactInterval, logBetween, logUpperTail } from './tests/exactRhythm';

const START = day('2026-01-05');
const plan = { least: 7, usual: 28, most: 56 };
const seen = (on: Day, t: number, lookGrade: Grade, padGrade: Grade | null = null): Observation => ({
  day: on,
  t,
  lookGrade,
  padGrade,
});
const ask = (observations: readonly Observation[], more: Partial<RhythmQuestion> = {}): RhythmQuestion => ({
  observations,
  plan,
  today: observations.at(-1)?.day ?? START,
  homeCareChangedOn: null,
  schoolChangedOn: null,
  ...more,
});
/** Visits every `t` days with these grades. */
const visits = (t: number, grades: readonly Grade[]) =>
  grades.map((grade, i) => seen(addDays(START, t * (i + 1)), t, grade));

describe('with no evidence', () => {
  test('the answer is exactly the usual interval of the plan, whatever it is', () => {
    for (let usual = 1; usual <= 120; usual++) {
      expect(learnRhythm(ask([], { plan: { least: 1, usual, most: 200 } })).interval).toBe(usual);
    }
  });

  test('bounds out of order are refused', () => {
    expect(() => learnRhythm(ask([], { plan: { least: 30, usual: 28, most: 56 } }))).toThrow(RangeError);
  });
});

describe('against independent quadrature', () => {
  /** Normal distribution by Simpson's rule from its density, sharing no code with the model. */
  const density = (x: number) => Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI);
  const simpson = (f: (x: number) => number, from: number, to: number, n = 1200) => {
    const h = (to - from) / n;
    let sum = f(from) + f(to);
    for (let i = 1; i < n; i++) sum += f(from + i * h) * (i % 2 === 1 ? 4 : 2);
    return (sum * h) / 3;
  };
  const phi = (x: number) => (x <= -9 ? 0 : x >= 9 ? 1 : simpson(density, -9, x, 400));

  test.each([
    [[], 28],
    [[[30, 0]], 35],
    [
      [
        [28, 2],
        [20, 1],
      ],
      18,
    ],
    [
      [
        [28, 1],
        [35, 0],
        [42, 3],
      ],
      30,
    ],
  ] as [number[][], number][])('evidence %j at %s days', (pairs, t) => {
    const [sd, sigma, d] = [0.5, 0.35, [0.5, 1, 1.65]];
    // 80 % quantile of the normal from tables: 0.8416212.
    const mean = Math.log(28) + 0.8416212 * Math.sqrt(sigma ** 2 + sd ** 2);
    const reach = (g: number, at: number, x: number) =>
      g === 0 ? 1 : g > 3 ? 0 : phi((Math.log(at) - x - Math.log(d[g - 1] ?? 1)) / sigma);
    const joint = (x: number) =>
      pairs.reduce(
        (p, [at = 0, g = 0]) => {
          const look = reach(g, at, x) - reach(g + 1, at, x);
          return p * (g > 1 ? 0.98 * look + 0.005 : look);
        },
        density((x - mean) / sd),
      );
    const whole = simpson(joint, mean - 3, mean + 3, 400);
    const fine = simpson((x) => joint(x) * (1 - reach(2, t, x)), mean - 3, mean + 3, 400);
    const belief = update(
      priorBelief(priorMean(28, RHYTHM), 0.5, RHYTHM),
      pairs.map(([at = 0, grade = 0]) => ({ t: at, grade: grade as Grade, weight: 1, onlyAbove: false })),
      RHYTHM,
    );
    expect(acceptableAfter(belief, RHYTHM)(t)).toBeCloseTo(fine / whole, 5);
  });
});

test('the normal distribution at its printed values (published: Abramowitz & Stegun, Handbook of Mathematical Functions, table 26.1)', () => {
  // Values from memory.
  const printed = [
    [0, 0.5],
    [0.5, 0.6914624613],
    [1, 0.8413447461],
    [1.96, 0.9750021049],
    [3, 0.998650102],
    [-1, 0.1586552539],
  ] as const;
  for (const [x, p] of printed) expect(normalCdf(x)).toBeCloseTo(p, 9);
  expect(normalCdf(20)).toBe(1);
});

describe('in the tails', () => {
  test('the log of the distribution and of differences is right to ten digits as far as 60 spreads out', () => {
    for (let x = 0.05; x < 60; x += 0.37) {
      expect(logNormalCdf(-x) / logUpperTail(x)).toBeCloseTo(1, 10);
      for (const width of [0.5, 1.43, 1.98, 5, Infinity]) {
        const exact = logBetween(x, x + width);
        expect(Math.abs(logNormalBetween(x, x + width) - exact)).toBeLessThan(1e-9 * Math.max(1, Math.abs(exact)));
        expect(logNormalBetween(-x - width, -x)).toBe(logNormalBetween(x, x + width));
      }
    }
  });

  test('one odd look the day after a cleaning does not lock the interval: ten clean looks later it is the longest again', () => {
    const slow = { least: 10, usual: 28, most: 56 };
    const odd = seen(addDays(START, 1), 1, 3);
    const clean = Array.from({ length: 10 }, (_, i) => seen(addDays(START, 1 + 36 * (i + 1)), 36, 0));
    const after = { plan: slow };
    expect(learnRhythm(ask([odd, ...clean], after)).interval).toBe(56);
    expect(exactInterval(ask([odd, ...clean], after))).toBe(56);
    // Without a lapse the tail alone decides.
    expect(learnRhythm(ask([odd, ...clean], after), { ...RHYTHM, lapse: 0 }).interval).toBe(55);
    expect(exactInterval(ask([odd, ...clean], after), 0)).toBe(55);
  });

  test('1,000 random histories give the day of an independent reckoning', () => {
    const random = seeded(15);
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
    const grades = [0, 0, 0, 1, 1, 2, 2, 3] as const;
    for (let round = 0; round < 1000; round++) {
      const bounds = pick([
        { least: 7, usual: 28, most: 56 },
        { least: 10, usual: 28, most: 56 },
        { least: 14, usual: 42, most: 84 },
        { least: 7, usual: 21, most: 42 },
        { least: 1, usual: 90, most: 365 },
      ]);
      let on = START;
      const observations = Array.from({ length: Math.floor(random() * 9) }, () => {
        const t = 1 + Math.floor(random() ** 2 * 1.6 * bounds.most);
        return seen((on = addDays(on, t)), t, pick(grades), random() < 0.3 ? pick(grades) : null);
      });
      const question = ask(observations, { plan: bounds, today: addDays(on, Math.floor(random() * 400)) });
      expect({ observations, days: learnRhythm(question).interval }).toEqual({
        observations,
        days: exactInterval(question),
      });
    }
  });
});

describe('what a groomer expects', () => {
  const answer = (grades: readonly Grade[], t = 28) => learnRhythm(ask(visits(t, grades))).interval;

  test('slight dirt at the usual interval keeps about it; clean lengthens; dirty shortens', () => {
    expect(answer([1, 1, 1])).toBeGreaterThanOrEqual(26);
    expect(answer([1, 1, 1])).toBeLessThanOrEqual(34);
    expect(answer([0, 0, 0])).toBeGreaterThan(answer([1, 1, 1]));
    expect(answer([2, 2, 2])).toBeLessThan(24);
    expect(answer([3, 3, 3])).toBeLessThan(answer([2, 2, 2]));
  });

  test('never outside the plan; too fast is said', () => {
    const fast = learnRhythm(ask(visits(7, [3, 3, 3, 3, 3, 3])));
    expect(fast).toMatchObject({ interval: 7, clippedBy: 'least', fasterThanCare: true });
    expect(answer([0, 0, 0, 0, 0, 0], 56)).toBeLessThanOrEqual(56);
  });

  test('one acceptable finding never shortens, one above never lengthens', () => {
    const history = fc.array(fc.tuple(fc.integer({ min: 1, max: 90 }), fc.constantFrom<Grade>(0, 1, 2, 3)), {
      minLength: 1,
      maxLength: 6,
    });
    fc.assert(
      fc.property(history, (pairs) => {
        let on = START;
        const all = pairs.map(([t, grade]) => seen((on = addDays(on, t)), t, grade));
        const { unbounded, beforeNewest } = learnRhythm(ask(all));
        if (all.length === 1) expect(beforeNewest).toBe(28);
        if ((all.at(-1)?.lookGrade ?? 0) <= 1) expect(unbounded).toBeGreaterThanOrEqual(beforeNewest ?? Infinity);
        else expect(unbounded).toBeLessThanOrEqual(beforeNewest ?? -Infinity);
      }),
    );
  });

  test('without lapses the same visits with one finding dirtier never give a longer interval', () => {
    const plain = { ...RHYTHM, lapse: 0 };
    const history = fc.array(fc.tuple(fc.integer({ min: 1, max: 90 }), fc.constantFrom<Grade>(0, 1, 2, 3)), {
      minLength: 1,
      maxLength: 7,
    });
    fc.assert(
      fc.property(history, fc.nat(), (pairs, pick) => {
        let on = START;
        const all = pairs.map(([t, grade]) => seen((on = addDays(on, t)), t, grade));
        const at = pick % all.length;
        const dirtier = all.map((each, i) =>
          i === at ? { ...each, lookGrade: Math.min(3, each.lookGrade + 1) as Grade } : each,
        );
        expect(learnRhythm(ask(dirtier), plain).interval).toBeLessThanOrEqual(learnRhythm(ask(all), plain).interval);
      }),
    );
  });

  test('neglect teaches only "too long": bad and plain after 80 of 56 days weigh the same', () => {
    const after = (grade: Grade) => learnRhythm(ask([seen(addDays(START, 80), 80, grade)])).interval;
    expect(after(3)).toBe(after(2));
    expect(after(2)).toBeGreaterThanOrEqual(24);
    const inTime = learnRhythm(ask([seen(addDays(START, 28), 28, 2)])).interval;
    expect(after(2)).toBeGreaterThan(inTime);
  });

  test('old evidence fades, and counts less once home care has changed', () => {
    const dirty = visits(28, [2, 2, 2]);
    const now = learnRhythm(ask(dirty)).interval;
    const muchLater = learnRhythm(ask(dirty, { today: addDays(START, 84 + 900) })).interval;
    const changed = learnRhythm(ask(dirty, { homeCareChangedOn: addDays(START, 84) })).evidence;
    expect(muchLater).toBeGreaterThan(now);
    expect(changed.map((each) => Number(each.weight.toFixed(3)))).toEqual([0.242, 0.269, 1]);
  });

  test('pads of another cleaning school are dropped, grades stay', () => {
    const pads = [seen(addDays(START, 28), 28, 1, 3)];
    expect(learnRhythm(ask(pads)).evidence[0]?.grade).toBe(3);
    expect(learnRhythm(ask(pads, { schoolChangedOn: addDays(START, 30) })).evidence[0]?.grade).toBe(1);
  });
});

describe('from visits to observations', () => {
  const visit = (after: number, more: object = {}) => ({
    day: addDays(START, after),
    cared: true,
    neededNothing: false,
    barred: false,
    looked: true,
    dirtyPads: null,
    dirt: 0 as Grade,
    ...more,
  });

  test('a first visit and a second look on one day teach nothing; looking does not restart the clock', () => {
    const { observations, lastCare } = placeRecord(
      [visit(0), visit(0), visit(10, { cared: false }), visit(28, { dirtyPads: 2 })],
      [],
    );
    expect(observations.map(({ t, padGrade }) => [t, padGrade])).toEqual([
      [10, null],
      [28, 2],
    ]);
    expect(lastCare).toBe(addDays(START, 28));
  });

  test('a stop suspends until seen clear or a vet answers; t restarts at the first care after', () => {
    const barred = [visit(0), visit(28, { cared: false, barred: true, dirt: 2 })];
    expect(placeRecord(barred, []).suspended).toBe(true);
    expect(placeRecord(barred, [addDays(START, 27)]).suspended).toBe(true);
    expect(placeRecord(barred, [addDays(START, 30)]).suspended).toBe(false);
    const clear = [...barred, visit(35), visit(63, { dirt: 1 })];
    const record = placeRecord(clear, []);
    expect(record.suspended).toBe(false);
    expect(record.observations.map((each) => each.t)).toEqual([28, 28]);
  });

  const spared = (after: number, more: object = {}) => visit(after, { cared: false, neededNothing: true, ...more });

  test('looked at, nothing needed: 28 and 28 clean days teach 56, and lengthen more than 28 do', () => {
    const { observations, lastCare, spared: look } = placeRecord([visit(0), spared(28), spared(56)], []);
    expect(observations.map(({ t, lookGrade }) => [t, lookGrade])).toEqual([
      [28, 0],
      [56, 0],
    ]);
    expect([lastCare, look]).toEqual([START, { day: addDays(START, 56), t: 56, grade: 0 }]);
    const cleaned = placeRecord([visit(0), visit(28), visit(56)], []).observations;
    const interval = (seen: readonly Observation[]) => learnRhythm(ask(seen, { today: addDays(START, 56) })).interval;
    expect(interval(observations)).toBeGreaterThan(interval(cleaned));
  });

  test('care ends what a look has spared; a first look has no days to count', () => {
    expect(placeRecord([visit(0), spared(28), visit(40)], []).spared).toBeNull();
    expect(placeRecord([spared(0, { dirt: 1 })], []).spared).toEqual({ day: START, t: 0, grade: 1 });
  });

  test('a place not looked at teaches nothing', () => {
    expect(placeRecord([visit(0), visit(28, { looked: false })], []).observations).toEqual([]);
  });
});

describe('learning works', () => {
  const dogs = process.env['DEWPOND_DEEP'] ? 400 : 120;

  test.each([15, 25, 40, 60, 90])(
    `a hidden τ of %s days is found again within 15 % (median of ${dogs} dogs)`,
    (tau) => {
      const wide = { least: 5, usual: 35, most: 120 };
      const random = seeded(tau * 7919);
      const medians = Array.from({ length: dogs }, () => {
        const observations = simulateVisits({ tau: () => tau, plan: wide, visits: 12, start: START, random });
        return learnRhythm(ask(observations, { plan: wide })).posterior.median;
      }).toSorted((a, b) => a - b);
      const median = medians[Math.floor(dogs / 2)] ?? 0;
      expect(median / tau).toBeGreaterThan(0.85);
      expect(median / tau).toBeLessThan(1.15);
    },
  );

  test('getting worse and one-sidedness need three visits, and speak when it is plain', () => {
    const steady = visits(28, [1, 1, 0, 1, 1, 0, 1, 1]);
    const worse = visits(28, [1, 0, 0, 1, 0, 2, 3, 3]);
    expect(gettingWorse(ask(visits(28, [1, 1, 1, 1])))).toBeNull();
    expect(gettingWorse(ask(worse))).toBeGreaterThan(0.9);
    expect(gettingWorse(ask(steady))).toBeLessThan(0.4);
    expect(oneSided(ask(worse), ask(steady))).toBeGreaterThan(oneSided(ask(steady), ask(worse)) ?? 1);
    expect(oneSided(ask(steady), ask(steady))).toBeLessThan(0.2);
    expect(oneSided(ask(visits(28, [1])), ask(steady))).toBeNull();
  });
});
