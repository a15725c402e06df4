import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { seeded } from '../tests/seeded';
import { addDays, day } from '../units';
import {
  HORIZON_WEEKS,
  comings,
  enter,
  expectDraws,
  forecastStock,
  isLongAway,
  ownGap,
  noDraw,
  orderState,
  wasteByMonth,
  type Coming,
  type Movement,
} from '.';
import { share80 } from './tests/manySalons';

const TODAY = day('2026-11-25');
const inDays = (n: number) => addDays(TODAY, n);
/** So many ml on so many days from today, as sums; each ± a share of it. */
const uses = (...each: readonly (readonly [days: number, ml: number, spread?: number])[]) => {
  const draw = noDraw();
  for (const [days, ml, spread = 0] of each)
    for (let day = Math.max(0, days); day < draw.mean.length && days >= 0; day++) {
      draw.mean[day] = (draw.mean[day] ?? 0) + ml;
      draw.variance[day] = (draw.variance[day] ?? 0) + (ml * spread) ** 2;
    }
  return draw;
};
const ask = (stock: number, draw: ReturnType<typeof uses>, more = {}) =>
  forecastStock({ stock, draw, today: TODAY, leadDays: 0, safety: 0, container: 500, ...more });

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
    expect(ask(0, uses())).toMatchObject({ runsOut: null, orderBy: null, containers: 0 });
    expect(ask(0, uses(), { safety: 100 })).toMatchObject({ runsOut: null, orderBy: TODAY, containers: 1 });
  });

  test('a debt is out already', () => {
    expect(ask(-10, uses([3, 10])).runsOut).toBe(TODAY);
  });

  test('what lies past or beyond twelve weeks is left out', () => {
    const seen = ask(100, uses([-1, 500], [HORIZON_WEEKS * 7, 60], [HORIZON_WEEKS * 7 + 1, 500]));
    expect([seen.takes, seen.runsOut, seen.points.length]).toEqual([60, null, HORIZON_WEEKS * 7 + 1]);
  });

  test('unsure uses spread as roots of sums, the business’s own error does not: four of 100 ± 20 ml are 400 ± 40, and ± 40', () => {
    const last = ask(1000, uses([1, 100, 0.2], [2, 100, 0.2], [3, 100, 0.2], [4, 100, 0.2])).points.at(-1);
    expect(last?.left).toBe(600);
    expect(last?.low).toBeCloseTo(600 - 1.2815515655 * Math.hypot(40, 40), 6);
    expect(last?.high).toBeCloseTo(600 + 1.2815515655 * Math.hypot(40, 40), 6);
  });

  test('no more is left than there is', () => {
    expect(ask(100, uses([1, 4, 2])).points.every(({ high }) => high <= 100)).toBe(true);
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

describe('who comes when', () => {
  const dog = (more: Partial<Coming>): Coming => ({
    booked: [],
    due: null,
    every: 28,
    uses: [{ productId: 'p', ml: 10 }],
    ...more,
  });
  const seen = (coming: Coming) => comings(coming, TODAY, 84);
  const by = (coming: Coming, day: number) => seen(coming).mean[day] ?? 0;

  test('booked: it comes on its day but for a no-show, and again about an interval later', () => {
    const booked = dog({ booked: [inDays(5)] });
    expect([by(booked, 4), by(booked, 5)]).toEqual([0, 0.95]);
    expect(by(booked, 12)).toBeCloseTo(1, 3);
    expect(by(booked, 5 + 22)).toBeLessThan(1.2);
    expect(by(booked, 5 + 45)).toBeGreaterThan(1.75);
  });

  test('due in ten days: hardly sooner than a week from now, and by twelve weeks about three times', () => {
    const due = dog({ due: inDays(10) });
    expect(by(due, 2)).toBeLessThan(0.1);
    expect(by(due, 84)).toBeGreaterThan(2.4);
    expect(by(due, 84)).toBeLessThan(3);
  });

  test.each<[string, Coming, number]>([
    ['booked once, nothing recurring', dog({ booked: [inDays(1)], every: null }), 1],
    ['due once', dog({ due: inDays(8), every: null }), 1],
    ['due once, and late', dog({ due: inDays(-8), every: null }), 1],
    ['a booking of yesterday no longer counts', dog({ due: inDays(8), every: null, booked: [inDays(-1)] }), 1],
    ['booked beyond the horizon only', dog({ due: inDays(3), booked: [inDays(90)] }), 0],
    ['two bookings, nothing recurring', dog({ every: null, booked: [inDays(3), inDays(9)] }), 1.95],
    ['nothing due', dog({}), 0],
  ])('%s', (_, coming, visits) => {
    expect(by(coming, 84)).toBeCloseTo(visits, 6);
  });

  test.each([
    [[], null],
    [[0, 30], null],
    [[0, 30, 60], 30],
    [[0, 30, 72, 102], 30],
    [[0, 10, 20, 60, 100, 140, 180, 220, 260], 40],
    [[0, 0, 30, 30, 75], 30],
  ])('a dog that came on days %j comes every %s days', (days, gap) => {
    expect(ownGap(days.map(inDays))).toBe(gap);
  });

  test('the longer a dog stays away without a booking, the less likely that it comes: it draws less and less', () => {
    const chances = [0, 14, 28, 56, 84, 140, 400].map((late) => seen(dog({ due: inDays(-late) })).stillComes);
    for (const [i, chance] of chances.entries()) expect(chance).toBeLessThanOrEqual(chances[i - 1] ?? 1);
    expect(chances[0]).toBeGreaterThan(0.9);
    expect(chances[2]).toBeGreaterThan(0.4);
    expect(chances[5]).toBeLessThan(0.1);
    expect(by(dog({ due: inDays(-400) }), 84)).toBeLessThan(0.01);
    expect([-28, -29].map((late) => isLongAway(dog({ due: inDays(late) }), TODAY))).toEqual([false, true]);
    expect(isLongAway(dog({ due: inDays(-29), booked: [inDays(2)] }), TODAY)).toBe(false);
  });

  test('a chain of visits has at least the variance of whole numbers', () => {
    const { mean, square } = seen(dog({ due: inDays(3), every: 17 }));
    for (const [day, n] of mean.entries()) {
      const over = n - Math.floor(n);
      expect((square[day] ?? 0) - n * n).toBeGreaterThanOrEqual(over * (1 - over) - 1e-9);
    }
  });

  test('two products of one dog draw by what each visit takes', () => {
    const draws = expectDraws(
      [
        dog({
          booked: [inDays(5)],
          uses: [
            { productId: 'a', ml: 10 },
            { productId: 'b', ml: 3 },
          ],
        }),
      ],
      TODAY,
    );
    expect([draws.get('a')?.mean[5], draws.get('b')?.mean[5]]).toEqual([9.5, 2.8499999999999996]);
  });

  test('many dogs draw what each alone does, also those that come alike', () => {
    const of = (productId: string, ml: number) => ({ uses: [{ productId, ml }] });
    const dogs = [
      dog({ due: inDays(3), ...of('a', 20) }),
      dog({ due: inDays(3), ...of('a', 35) }),
      dog({ due: inDays(3), ...of('b', 7) }),
      dog({ due: inDays(3), every: 40, ...of('a', 5) }),
      dog({ due: inDays(3), booked: [inDays(5)], ...of('a', 11) }),
      dog({ due: inDays(3), booked: [inDays(5), inDays(30)], ...of('a', 11) }),
      dog({ due: null, every: null, ...of('a', 13) }),
    ];
    const together = expectDraws(dogs, TODAY);
    const alone = dogs.map((each) => expectDraws([each], TODAY));
    for (const product of ['a', 'b'])
      for (const what of ['mean', 'variance'] as const)
        for (const day of [0, 5, 20, 84]) {
          const sum = alone.reduce((total, draws) => total + (draws.get(product)?.[what][day] ?? 0), 0);
          expect(together.get(product)?.[what][day]).toBeCloseTo(sum, 9);
        }
  });
});

describe('the band holds what it promises: four in five of salons lived through dog by dog', () => {
  const deep = Boolean(process.env['DEWPOND_DEEP']);
  test.each([
    [8, deep ? 4000 : 1000],
    [60, deep ? 1500 : 400],
    [600, deep ? 600 : 120],
  ])('%s dogs, %s salons', (dogs, salons) => {
    const shares = share80(dogs, salons, TODAY, seeded(dogs));
    for (const [days, share] of Object.entries(shares)) {
      expect([days, share, share >= 0.75 && share <= 0.85]).toEqual([days, share, true]);
    }
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
