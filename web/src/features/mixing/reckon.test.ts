import { millilitres } from '@dewpond/core/units';
import { describe, expect, test } from 'vitest';
import { reckon, type Question } from './reckon';

const question: Question = {
  label: '50:1',
  medicated: false,
  oneToN: 'N parts water',
  reading: 0,
  total: 500,
  stroke: 5,
  bottle: {
    id: 'b',
    name: 'Half-litre bottle',
    brim: millilitres(550),
    line: millilitres(500),
    graduation: millilitres(50),
  },
  units: 'metric',
};

describe('the calculator', () => {
  test('500 ml at 50:1 with 5 ml strokes: two strokes, 2 % over, and that is already tidy', () => {
    const answer = reckon(question);
    expect(answer.how).toMatchObject({ by: 'strokes', strokes: 2, total: 500 });
    expect(answer.tidy).toEqual({ total: 500, strokes: 2 });
    expect(answer.problem).toBeNull();
  });

  test.each<[string, Partial<Question>, RegExp]>([
    ['a zero', { label: '50:0' }, /zero/],
    ['nonsense', { label: 'abc' }, /no ratio we know/],
    ['nothing wanted', { total: 0 }, /how much mix/],
    ['not a number', { total: Number.NaN }, /how much mix/],
    ['more than the bottle', { total: 600 }, /550 ml to the brim/],
    ['the same in US units', { total: 600, units: 'US' }, /19 fl oz to the brim/],
    ['a percentage on a medicated product', { label: '2 %', medicated: true }, /active substance/],
  ])('%s is told in words', (_, change, words) => {
    expect(reckon({ ...question, ...change })).toMatchObject({
      how: null,
      problem: expect.stringMatching(words) as string,
    });
  });

  test('the second reading of 1:50 is a little stronger', () => {
    const product = (reading: 0 | 1) => reckon({ ...question, label: '1:50', reading, stroke: 0 }).how?.product;
    expect(product(0)).toBeCloseTo(500 / 51, 9);
    expect(product(1)).toBeCloseTo(10, 9);
  });
});
