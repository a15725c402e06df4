import highsLoader, { type Highs } from 'highs';
import { beforeAll, describe, expect, test } from 'vitest';
import fc from 'fast-check';
import { PLAN_COSTS, breaches, evaluatePlan, planBookings, type Book, type Planning, type PlannerOptions } from '.';
import { exactCost } from './tests/exactBook';
import { randomBook, type BookShape } from './tests/books';

const DEEP = process.env['DEWPOND_DEEP'] !== undefined;

/** The plan after so many rounds, or when it is known to be the best. */
function planFor(book: Book, rounds: number, options: PlannerOptions = {}): Planning {
  let last: Planning | undefined;
  for (const at of planBookings(book, options)) {
    last = at;
    if (at.round >= rounds) break;
  }
  if (!last) throw new Error('No plan was made.');
  return last;
}

const shapes = fc.record({
  dogs: fc.integer({ min: 1, max: 30 }),
  days: fc.integer({ min: 1, max: 40 }),
  people: fc.integer({ min: 1, max: 3 }),
  fill: fc.double({ min: 0.2, max: 3, noNaN: true }),
  seed: fc.nat(100_000),
  rich: fc.boolean(),
});

test('a book without a dog has an empty plan, and planning ends', () => {
  const empty = { ...randomBook({ dogs: 2, days: 14, people: 1, fill: 1, seed: 1 }), dogs: [] };
  const rounds = [...planBookings(empty)];
  expect(rounds.map((at) => [at.cost, at.plan()])).toEqual([[0, []]]);
});

describe('random books', () => {
  test('a plan holds, costs what it says, and never less than its bound', () => {
    fc.assert(
      fc.property(shapes, (shape) => {
        const book = randomBook(shape);
        const { plan, cost, bound } = planFor(book, 4);
        const made = plan();
        expect(breaches(book, made)).toEqual([]);
        expect(evaluatePlan(book, made, PLAN_COSTS).total).toBeCloseTo(cost, 5);
        expect(bound).toBeLessThanOrEqual(cost + 1e-6);
      }),
      { numRuns: DEEP ? 2000 : 60 },
    );
  });

  test('each further round is no worse', () => {
    const book = randomBook({ dogs: 40, days: 42, people: 1, fill: 1.2, seed: 3, rich: true });
    const costs: number[] = [];
    for (const { cost, round } of planBookings(book)) {
      costs.push(cost);
      if (round === 30) break;
    }
    expect(costs).toEqual(costs.toSorted((a, b) => b - a));
    expect(costs.at(-1)).toBeLessThan(costs[0]!);
  });

  test('the same seed and rounds give the same plan; uneven days are part of what is reported', () => {
    const book = randomBook({ dogs: 25, days: 28, people: 2, fill: 1, seed: 11, rich: true });
    const costs = { ...PLAN_COSTS, uneven: 0.2 };
    const [one, two] = [planFor(book, 6, { seed: 5, costs }), planFor(book, 6, { seed: 5, costs })];
    expect(one.plan()).toEqual(two.plan());
    expect(evaluatePlan(book, one.plan(), costs).total).toBeCloseTo(one.cost, 5);
  });

  test('prices of last night are a good start: the first plan is better for them', () => {
    const book = randomBook({ dogs: 120, days: 56, people: 1, fill: 1.3, seed: 4 });
    const night = planFor(book, 60);
    const [cold, warm] = [planFor(book, 1), planFor(book, 1, { kept: night.prices() })];
    expect(warm.bound).toBeGreaterThan(cold.bound);
  });
});

describe('the judge of plans', () => {
  const rich = randomBook({ dogs: 12, days: 21, people: 2, fill: 0.6, seed: 9, rich: true });
  const [first = rich.dogs[0]!, second = rich.dogs[1]!] = rich.dogs;
  const free = { where: 'salon', skills: [], people: null, slot: null, barredDays: [] };
  const book: Book = {
    ...rich,
    dogs: [
      {
        ...first,
        needs: { ...free, slot: 'first' },
        standing: [],
        full: { ...first.full, minutes: 120, uses: { tub: 100 } },
      },
      {
        ...second,
        needs: { ...free, slot: 'first' },
        standing: [],
        full: { ...second.full, minutes: 150, uses: { tub: 100 } },
      },
      { ...first, id: 'held', needs: { ...free, skills: ['lift'], barredDays: [1] } },
      { ...first, id: 'fixed', standing: [{ id: 'b', day: 4, person: 'person 0', choice: 'full', isFixed: true }] },
    ],
  };
  const at = (person: string, day: number, from: number) =>
    book.blocks.findIndex((each) => each.person === person && each.day === day && each.from === from);
  const kept = { dog: 'fixed', choice: 'full', day: 4, block: null } as const;
  const visit = (dog: string, day: number, block: number) => ({ dog, choice: 'full', day, block }) as const;
  const morning = at('person 0', 0, 540);

  test.each([
    ['nothing wrong', [visit(first.id, 0, morning)], []],
    [
      'more minutes than a block has',
      [visit(first.id, 0, morning), visit(second.id, 0, morning)],
      [/holds 270 minutes of 240/, /2 dogs that must be first/, /tub is used 200 of 180/],
    ],
    [
      'twice on a day',
      [visit(first.id, 0, morning), visit(first.id, 0, at('person 1', 0, 540))],
      [/twice on day 0/, /tub is used 200 of 180/],
    ],
    ['a block of another day', [visit(first.id, 1, morning)], [/may not be in block/]],
    ['not the first of the day', [visit(first.id, 0, at('person 0', 0, 825))], [/may not be in block/]],
    ['nobody who may lift', [visit('held', 0, morning)], [/may not be in block/]],
    ['a barred day', [visit('held', 1, at('person 1', 1, 540))], [/may not be in block/]],
    ['a dog that is not there', [visit('nobody', 0, morning)], [/not in the book/]],
  ])('%s', (_, plan, told) => {
    expect(breaches(book, [kept, ...plan])).toEqual(told.map((words) => expect.stringMatching(words) as string));
  });

  test('a fixed booking that is lost, or one that never was', () => {
    expect(breaches(book, [])).toEqual([expect.stringMatching(/lost its fixed booking on day 4/)]);
    expect(breaches(book, [kept, { ...kept, day: 5 }])).toEqual([expect.stringMatching(/no booking on day 5/)]);
  });
});

describe('beside an exact solver (HiGHS)', () => {
  let solver: Highs;
  beforeAll(async () => {
    solver = await highsLoader();
  });

  const COUNT = DEEP ? 100 : 12;
  test(`${COUNT} small books: 2 % over the best on average at the most, 5 % at worst`, () => {
    const over = Array.from({ length: COUNT }, (_, i) => {
      const shape: BookShape = {
        dogs: 4 + (i % 9),
        days: 10,
        people: 1 + (i % 2),
        fill: 0.6 + 0.1 * (i % 10),
        seed: 100 + i,
        rich: i % 3 === 0,
      };
      const book = randomBook(shape);
      const best = exactCost(solver, book, PLAN_COSTS);
      const { cost, bound } = planFor(book, 120);
      expect(bound).toBeLessThanOrEqual(best + 1e-5);
      expect(cost).toBeGreaterThanOrEqual(best - 1e-5);
      return cost / best - 1;
    });
    console.log(
      `bookings beside HiGHS: mean ${percent(over.reduce((a, b) => a + b, 0) / COUNT)}, worst ${percent(Math.max(...over))}, ` +
        `equal ${over.filter((each) => each < 1e-6).length} of ${COUNT}`,
    );
    expect(over.reduce((a, b) => a + b, 0) / COUNT).toBeLessThanOrEqual(0.02);
    expect(Math.max(...over)).toBeLessThanOrEqual(0.05);
  });

  test('more capacity never costs more: one more person, exactly', () => {
    for (let seed = 0; seed < (DEEP ? 20 : 4); seed++) {
      const two = randomBook({ dogs: 8, days: 10, people: 2, fill: 1.4, seed });
      const one = { ...two, blocks: two.blocks.filter(({ person }) => person === 'person 0') };
      expect(exactCost(solver, two, PLAN_COSTS)).toBeLessThanOrEqual(exactCost(solver, one, PLAN_COSTS) + 1e-6);
    }
  });
});

const percent = (share: number) => `${(100 * share).toFixed(2)} %`;
