import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { millilitres } from '../units';
import { MOST_LEFT_OVER, chooseBottles, fillMarks, strengthOf, type Bottle, type FreeBottle, type Pumped } from '.';

const bottle = (id: string, line: number, graduation: number | null): Bottle => ({
  id,
  name: id,
  brim: millilitres(line * 1.1),
  line: millilitres(line),
  graduation: graduation === null ? null : millilitres(graduation),
});
const measured: Pumped = { strength: strengthOf(24), stroke: null, medicated: false };
const fills = (wanted: number, free: readonly FreeBottle[], pumped = measured) => {
  const choice = chooseBottles(millilitres(wanted), free, pumped);
  return choice.kind === 'chosen' ? choice.fills.map(({ bottle: { id }, total }) => `${id} ${total}`) : choice;
};

const SMALL = bottle('small', 250, 25);
const HALF = bottle('half', 500, 50);
const LITRE = bottle('litre', 1000, 50);
const PLAIN = bottle('plain', 400, null);

describe('which bottles', () => {
  test.each([
    ['one bottle that leaves little over', 430, [{ bottle: HALF, count: null }], ['half 450']],
    [
      'the tightest of two that leave the same',
      450,
      [
        { bottle: LITRE, count: null },
        { bottle: HALF, count: 1 },
      ],
      ['half 450'],
    ],
    [
      'two bottles where one would leave too much',
      405,
      [
        { bottle: PLAIN, count: 2 },
        { bottle: SMALL, count: 1 },
      ],
      ['plain 400', 'small 25'],
    ],
    ['least left over where none leaves little', 410, [{ bottle: PLAIN, count: 5 }], ['plain 400', 'plain 400']],
    [
      'no more of a kind than there are',
      900,
      [
        { bottle: HALF, count: 1 },
        { bottle: SMALL, count: 2 },
      ],
      ['half 450', 'small 225', 'small 225'],
    ],
  ] as const)('%s', (_, wanted, free, expected) => {
    const chosen = fills(wanted, free);
    if (!Array.isArray(chosen)) throw new Error('no choice');
    expect(chosen.length).toBe(expected.length);
    const sum = (list: readonly string[]) => list.reduce((all, each) => all + Number(each.split(' ')[1]), 0);
    expect(sum(chosen)).toBe(sum(expected));
    expect(chosen.map((each) => each.split(' ')[0]).toSorted()).toEqual(
      expected.map((each) => each.split(' ')[0]).toSorted(),
    );
  });

  test('too few bottles says what they hold', () => {
    expect(
      fills(900, [
        { bottle: HALF, count: 1 },
        { bottle: SMALL, count: 1 },
      ]),
    ).toEqual({
      kind: 'too few bottles',
      holds: 750,
    });
  });

  test('nothing to fill is an error of the caller', () => {
    expect(() => chooseBottles(millilitres(0), [{ bottle: HALF, count: 1 }], measured)).toThrow(RangeError);
  });

  test('a mark whose strokes do not come out is no mark: 5 ml strokes at 49:1 take 250 ml, or as near as the limits', () => {
    const marks = fillMarks(HALF, { strength: strengthOf(49), stroke: millilitres(5), medicated: false });
    // 5 ml in 250 ml is exact; 5 ml in 240–278 ml would be within +5/−10 %, so of the 50 ml marks only 250; 500 has two.
    expect(marks).toEqual([250, 500]);
  });

  test('fluid-ounce marks add up without drift: three bottles of 4 fl oz hold 12', () => {
    const ounce = 29.5735295625;
    const four = bottle('four', 4 * ounce, ounce);
    expect(chooseBottles(millilitres(12 * ounce), [{ bottle: four, count: 3 }], measured)).toMatchObject({
      kind: 'chosen',
    });
  });
});

/** Every multiset of fills that holds enough, by plain search: what the choice must never be worse than. */
function exhaustive(
  wanted: number,
  free: readonly FreeBottle[],
  pumped: Pumped,
): readonly [number, number, number] | null {
  const options = free.map(({ bottle: each, count }) => ({
    line: each.line,
    count: count ?? Infinity,
    marks: fillMarks(each, pumped).map(Number),
  }));
  const found: (readonly [over: number, bottles: number, spare: number])[] = [];
  const search = (kind: number, from: number, taken: number, sum: number, bottles: number, spare: number): void => {
    if (sum >= wanted) {
      found.push([sum - wanted, bottles, spare]);
      return;
    }
    const option = options[kind];
    if (!option) return;
    search(kind + 1, 0, 0, sum, bottles, spare);
    if (taken >= option.count) return;
    option.marks.slice(from).forEach((mark, i) => {
      search(kind, from + i, taken + 1, sum + mark, bottles + 1, spare + option.line - mark);
    });
  };
  search(0, 0, 0, 0, 0, 0);
  if (found.length === 0) return null;
  const borne = found.filter(([over]) => over <= wanted * MOST_LEFT_OVER + 1e-6);
  const few = Math.min(...borne.map(([, bottles]) => bottles));
  const among = borne.length > 0 ? borne.filter(([, bottles]) => bottles === few) : found;
  return among.toSorted((a, b) => a[0] - b[0] || a[1] - b[1] || a[2] - b[2])[0] ?? null;
}

describe('against exhaustive search', () => {
  const size = fc.record({
    line: fc.integer({ min: 5, max: 16 }).map((n) => n * 25),
    graduation: fc.constantFrom(null, 50, 75, 100, 125),
    count: fc.constantFrom(1, 1, 1, 2, 3),
  });
  const pumps = fc.constantFrom<Pumped>(
    measured,
    { strength: strengthOf(24), stroke: millilitres(5), medicated: false },
    { strength: strengthOf(9), stroke: millilitres(6), medicated: true },
  );

  test('up to six sizes, with and without marks, limited counts', () => {
    fc.assert(
      fc.property(
        fc.array(size, { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 2, max: 24 }).map((n) => n * 25),
        pumps,
        (sizes, wanted, pumped) => {
          const free = sizes.map(({ line, graduation, count }, i) => ({
            bottle: bottle(`${i}`, line, graduation),
            count,
          }));
          const best = exhaustive(wanted, free, pumped);
          const choice = chooseBottles(millilitres(wanted), free, pumped);
          if (best === null) expect(choice.kind).toBe('too few bottles');
          else if (choice.kind === 'chosen') {
            expect([choice.leftOver, choice.fills.length, choice.spare]).toEqual(best);
            for (const { bottle: each } of choice.fills) {
              const taken = choice.fills.filter((fill) => fill.bottle.id === each.id).length;
              expect(taken).toBeLessThanOrEqual(free.find(({ bottle: { id } }) => id === each.id)?.count ?? 0);
            }
          } else expect(choice).toBe(best);
        },
      ),
      { numRuns: process.env['DEWPOND_DEEP'] ? 5000 : 400 },
    );
  });
});
