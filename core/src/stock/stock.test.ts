import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { addDays, day, daysBetween } from '../units';
import {
  HORIZON_WEEKS,
  enter,
  expectUses,
  forecastStock,
  orderState,
  wasteByMonth,
  type Coming,
  type Movement,
} from '.';

const TODAY = day('2026-11-25');
const inDays = (n: number) => addDays(TODAY, n);
const uses = (...each: readonly (readonly [days: number, ml: number])[]) =>
  each.map(([days, ml]) => ({ day: inDays(days), ml, spread: 0 }));
const ask = (stock: number, list: ReturnType<typeof uses>, more = {}) =>
  forecastStock({ stock, uses: list, today: TODAY, leadDays: 0, safety: 0, container: 500, ...more });

describe('the ledger', () => {
  test.each([
    ['a delivery adds', 100, { kind: 'delivery', ml: 500, reason: '' }, 600],
    ['use takes away', 100, { kind: 'use', ml: 30, reason: '' }, 70],
    ['to the last drop', 100, { kind: 'use', ml: 100, reason: '' }, 0],
    ['a count sets it', 100, { kind: 'count', counted: 80, reason: '' }, 80],
    ['a count of what was thought missing', -20, { kind: 'count', counted: 40, reason: '' }, 40],
    ['below nothing with a reason', 10, { kind: 'mixed', ml: 30, reason: 'delivery not entered' }, -20],
    ['a delivery onto a debt', -50, { kind: 'delivery', ml: 30, reason: '' }, -20],
    ['a correction with its reason', 10, { kind: 'correction', ml: -3, reason: 'spilt' }, 7],
    ['rounding is no debt', 0.3, { kind: 'use', ml: 0.1 + 0.2, reason: '' }, 0],
  ] as const)('%s', (_, before, movement, after) => {
    const entered = enter(before, movement);
    expect(entered.kind === 'entered' && entered.after).toBeCloseTo(after, 9);
  });

  test.each([
    [{ kind: 'delivery', ml: 0, reason: '' }, /more than 0/],
    [{ kind: 'use', ml: -3, reason: '' }, /goes out/],
    [{ kind: 'waste', ml: 101, reason: ' ' }, /knows of 100 ml only/],
    [{ kind: 'count', counted: -1, reason: '' }, /less than nothing/],
    [{ kind: 'correction', ml: 5, reason: '' }, /says why/],
    [{ kind: 'correction', ml: 0, reason: 'x' }, /corrects nothing/],
    [{ kind: 'delivery', ml: Number.NaN, reason: '' }, /more than 0/],
  ] as const)('%j against 100 ml is refused in words', (movement, why) => {
    const entered = enter(100, movement);
    expect(entered.kind === 'refused' && entered.why).toMatch(why);
  });

  test('whatever is entered: the balance is the sum, and below nothing stands a reason', () => {
    const movement: fc.Arbitrary<Movement> = fc.oneof(
      fc.record({
        kind: fc.constantFrom('delivery' as const, 'waste' as const, 'use' as const),
        ml: fc.integer({ min: -5, max: 300 }),
        reason: fc.constantFrom('', 'a reason'),
      }),
      fc.record({
        kind: fc.constant('count' as const),
        counted: fc.integer({ min: -5, max: 300 }),
        reason: fc.constant(''),
      }),
    );
    fc.assert(
      fc.property(fc.array(movement, { maxLength: 40 }), (list) => {
        let balance = 0;
        let sum = 0;
        for (const each of list) {
          const entered = enter(balance, each);
          if (entered.kind === 'refused') continue;
          sum += entered.ml;
          balance = entered.after;
          expect(balance).toBeCloseTo(sum, 6);
          if (balance < 0 && entered.ml < 0) expect(each.reason).not.toBe('');
        }
      }),
    );
  });
});

describe('when it runs out (worked by hand)', () => {
  test('1000 ml, 100 ml every day from tomorrow: the tenth day takes the last, the eleventh finds none', () => {
    const daily = uses(...Array.from({ length: 30 }, (_, i) => [i + 1, 100] as const));
    const seen = ask(1000, daily, { leadDays: 4, safety: 250 });
    expect(seen.runsOut).toBe(inDays(11));
    // 250 ml are touched when less is left: after day 8 there are 200. Less four days: day 4.
    expect(seen.orderBy).toBe(inDays(4));
    expect(seen.takes).toBe(3000);
    // 3000 + 250 − 1000 = 2250: five of 500 ml.
    expect(seen.containers).toBe(5);
    expect(orderState(seen, TODAY)).toBe('this week');
    expect(orderState(seen, inDays(5))).toBe('late');
  });

  test('exactly enough does not run out', () => {
    const seen = ask(300, uses([1, 100], [10, 200]));
    expect([seen.runsOut, seen.orderBy, seen.containers]).toEqual([null, null, 0]);
    expect(orderState(seen, TODAY)).toBe('enough');
  });

  test('nothing there, nothing used: nothing to order but the safety stock', () => {
    expect(ask(0, [])).toMatchObject({ runsOut: null, orderBy: null, containers: 0 });
    expect(ask(0, [], { safety: 100 })).toMatchObject({ runsOut: null, orderBy: TODAY, containers: 1 });
  });

  test('a debt is out already', () => {
    expect(ask(-10, uses([3, 10])).runsOut).toBe(TODAY);
  });

  test('what lies past or beyond twelve weeks is left out', () => {
    const seen = ask(100, uses([-1, 500], [HORIZON_WEEKS * 7, 60], [HORIZON_WEEKS * 7 + 1, 500]));
    expect([seen.takes, seen.runsOut, seen.points.length]).toEqual([60, null, HORIZON_WEEKS * 7 + 1]);
  });

  test('unsure uses spread as roots of sums: four of 100 ml ± 20 ml are 400 ± 40, the band 1.2816 × 40', () => {
    const four = [1, 2, 3, 4].map((n) => ({ day: inDays(n), ml: 100, spread: 0.2 }));
    const last = ask(1000, four).points.at(-1);
    expect(last?.left).toBe(600);
    expect(last?.low).toBeCloseTo(600 - 51.26, 2);
    expect(last?.high).toBeCloseTo(600 + 51.26, 2);
  });

  test('the band holds what it promises: four in five of simulated quarters (normal draws, seeded)', () => {
    const draw = seeded(7);
    const list = Array.from({ length: 40 }, (_, i) => ({ day: inDays(i * 2), ml: 100, spread: 0.3 }));
    const last = ask(5000, list).points.at(-1);
    let inside = 0;
    const runs = 4000;
    for (let run = 0; run < runs; run++) {
      const left = 5000 - list.reduce((sum, { ml, spread }) => sum + ml * (1 + spread * normal(draw)), 0);
      if (last && left >= last.low && left <= last.high) inside += 1;
    }
    expect(inside / runs).toBeGreaterThan(0.78);
    expect(inside / runs).toBeLessThan(0.82);
  });

  test('more stock never runs out sooner', () => {
    const use = fc.tuple(fc.integer({ min: 0, max: 84 }), fc.integer({ min: 1, max: 200 }));
    fc.assert(
      fc.property(fc.array(use, { maxLength: 40 }), fc.nat(2000), fc.nat(500), (list, stock, more) => {
        const [less, rich] = [ask(stock, uses(...list)), ask(stock + more, uses(...list))];
        if (rich.runsOut !== null) expect(less.runsOut !== null && less.runsOut <= rich.runsOut).toBe(true);
      }),
    );
  });
});

/** A small congruential generator: the same numbers every time. */
function seeded(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}
const normal = (draw: () => number) => Math.sqrt(-2 * Math.log(draw())) * Math.cos(2 * Math.PI * draw());

describe('who comes when', () => {
  const dog = (more: Partial<Coming>): Coming => ({
    booked: [],
    due: null,
    every: 28,
    uses: [{ productId: 'p', ml: 10 }],
    ...more,
  });
  const daysOf = (coming: Coming) =>
    expectUses([coming], TODAY, inDays(84)).map((use) => [
      daysBetween(TODAY, use.day),
      use.spread > 0.3 ? 'due' : 'booked',
    ]);

  test.each([
    [
      'due in ten days, every four weeks',
      dog({ due: inDays(10) }),
      [
        [10, 'due'],
        [38, 'due'],
        [66, 'due'],
      ],
    ],
    [
      'booked: due again an interval after',
      dog({ due: inDays(2), booked: [inDays(5)] }),
      [
        [5, 'booked'],
        [33, 'due'],
        [61, 'due'],
      ],
    ],
    [
      'late: today',
      dog({ due: inDays(-9), every: 50 }),
      [
        [0, 'due'],
        [50, 'due'],
      ],
    ],
    ['booked once, nothing recurring', dog({ booked: [inDays(1)], every: null }), [[1, 'booked']]],
    ['booked beyond the horizon only', dog({ due: inDays(3), booked: [inDays(90)] }), []],
    [
      'a booking of yesterday no longer counts',
      dog({ due: inDays(8), every: null, booked: [inDays(-1)] }),
      [[8, 'due']],
    ],
    ['nothing due', dog({}), []],
  ] as const)('%s', (_, coming, expected) => {
    expect(daysOf(coming)).toEqual(expected);
  });
});

describe('mixed and thrown away', () => {
  const ended = (on: string, mixed: number, thrown: number, cost: number | null = 1) => ({
    productId: 'p',
    day: day(on),
    mixed,
    thrown,
    cost,
  });
  test('by month, oldest first, as a share of what was mixed', () => {
    expect(
      wasteByMonth([ended('2026-11-02', 40, 10), ended('2026-10-30', 20, 20), ended('2026-11-20', 60, 0, null)]),
    ).toEqual([
      { month: '2026-10', mixed: 20, thrown: 20, share: 1, cost: 1 },
      { month: '2026-11', mixed: 100, thrown: 10, share: 0.1, cost: 1 },
    ]);
    expect(wasteByMonth([])).toEqual([]);
  });
});
