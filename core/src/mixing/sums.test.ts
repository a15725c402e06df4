import { showStrength } from '../dilution';
import { describe, expect, test } from 'vitest';
import { cutting, howStrong, readRatio, toppingUp } from '.';

const CONTEXT = { medicated: false, oneToN: 'N parts water' } as const;
const ratio = (text: string) => readRatio(text, CONTEXT);

describe('ratios as they are typed', () => {
  test.each([
    ['50:1', '50:1'],
    ['1 in 4', '3:1'],
    ['2 %', '49:1'],
    ['1:50', '50:1'],
  ])('%s is %s', (typed, read) => {
    const answer = ratio(typed);
    expect(answer.kind === 'answer' && showStrength(answer.strength)).toBe(read);
  });

  test('"1:4" is read as the business reads it', () => {
    const inAll = readRatio('1:4', { medicated: false, oneToN: 'N parts in all' });
    expect(inAll.kind === 'answer' && showStrength(inAll.strength)).toBe('3:1');
  });

  test.each(['', 'abc', '50:0', 'ready to use', '2:100', '1,000:1', '2 % 50:1'])(
    '"%s" gives words, not a number',
    (typed) => {
      expect(ratio(typed)).toMatchObject({ kind: 'no answer', why: expect.stringMatching(/\w/) as string });
    },
  );
});

describe('cutting a mix: C1·V1 = C2·V2', () => {
  test('300 ml at 9:1 hold 30 ml of product: 29:1 is 900 ml, so 600 ml of water', () => {
    expect(cutting(300, ratio('9:1'), ratio('29:1'))).toEqual({
      kind: 'answer',
      cut: { kind: 'add water', water: 600, total: 900 },
    });
  });

  test('water never makes it stronger', () => {
    expect(cutting(300, ratio('29:1'), ratio('9:1'))).toMatchObject({ cut: { kind: 'refused' } });
  });

  test.each([
    [0, '9:1', '29:1'],
    [300, 'abc', '29:1'],
    [300, '9:1', ''],
  ])('%s ml, %s to %s: no answer', (volume, now, wanted) => {
    expect(cutting(volume, ratio(now), ratio(wanted)).kind).toBe('no answer');
  });
});

describe('topping up a left-over', () => {
  const left = { volume: 200, strength: ratio('19:1'), madeToday: true };

  test('200 ml at 19:1 hold 10 ml; 1000 ml at 49:1 hold 20: add 10 of product and 790 of water', () => {
    expect(toppingUp(left, 1000, ratio('49:1'))).toMatchObject({
      topUp: { kind: 'topped up', add: { product: 10, water: 790 } },
    });
  });

  test('yesterday’s mix is poured away', () => {
    expect(toppingUp({ ...left, madeToday: false }, 1000, ratio('49:1'))).toMatchObject({
      topUp: { kind: 'refused', why: expect.stringContaining('discard time') as string },
    });
  });

  test.each([
    [{ ...left, volume: 0 }, 1000],
    [left, 0],
    [{ ...left, strength: ratio('x') }, 1000],
  ])('without %o and %s ml there is no answer', (given, total) => {
    expect(toppingUp(given, total, ratio('49:1')).kind).toBe('no answer');
  });
});

describe('how strong is it?', () => {
  test('two strokes of 5 ml in 500 ml are 49:1, 2 % over 50:1: fine', () => {
    const answer = howStrong({ strokes: 2, stroke: 5, total: 500 }, ratio('50:1'), false);
    expect(answer).toMatchObject({ kind: 'answer', verdict: { kind: 'fine' } });
    if (answer.kind !== 'answer' || answer.strength === 'neat') throw new Error('an answer');
    expect(showStrength(answer.strength)).toBe('49:1');
    expect(answer.error).toBeCloseTo(0.02, 12);
  });

  test('three strokes are too strong; medicated, that is refused', () => {
    const three = { strokes: 3, stroke: 5, total: 500 };
    expect(howStrong(three, ratio('50:1'), false)).toMatchObject({ verdict: { kind: 'warning' } });
    expect(howStrong(three, ratio('50:1'), true)).toMatchObject({ verdict: { kind: 'refused' } });
  });

  test('all product and no water is neat; without a label there is nothing to judge', () => {
    const neat = { strokes: 1, stroke: 5, total: 5 };
    expect(howStrong(neat, ratio('50:1'), false)).toMatchObject({ strength: 'neat', verdict: { kind: 'warning' } });
    expect(howStrong(neat, ratio(''), false)).toMatchObject({ strength: 'neat', verdict: null });
  });

  test.each([
    { strokes: 0, stroke: 5, total: 500 },
    { strokes: 2, stroke: 5, total: 0 },
    { strokes: 2, stroke: 5, total: 9 },
  ])('%o has no answer', (poured) => {
    expect(howStrong(poured, ratio('50:1'), false).kind).toBe('no answer');
  });
});
