import { millilitres } from '../units';
import { describe, expect, test } from 'vitest';
import { mixOfDog, reckon, type MixQuestion } from '.';

const bottle = {
  id: 'b',
  name: 'Half-litre bottle',
  brim: millilitres(550),
  line: millilitres(500),
  graduation: millilitres(50),
};
const question: MixQuestion = {
  label: '50:1',
  medicated: false,
  oneToN: 'N parts water',
  said: null,
  lead: { by: 'total', ml: 500 },
  stroke: 5,
  bottle,
  bottles: [{ bottle, count: 3 }],
  units: 'metric',
  mostWaste: 0.2,
};

describe('the calculator', () => {
  test('500 ml at 50:1 with 5 ml strokes: two strokes, 2 % over, and that is already tidy', () => {
    const answer = reckon(question);
    expect(answer.how).toMatchObject({ by: 'strokes', strokes: 2, total: 500 });
    expect(answer.tidy).toEqual({ total: 500, strokes: 2 });
    expect([answer.problem, answer.warning, answer.split]).toEqual([null, null, null]);
  });

  test.each([
    [{ by: 'strokes', strokes: 2 }, 510],
    [{ by: 'product', ml: 5 }, 255],
    [{ by: 'water', ml: 250 }, 255],
    [{ by: 'dogs', dogs: 1, each: 510 }, 510],
  ] as const)('%j leads: %s ml in all', (lead, total) => {
    expect(reckon({ ...question, lead }).how?.total).toBeCloseTo(total, 6);
  });

  test.each<[string, Partial<MixQuestion>, RegExp]>([
    ['a zero', { label: '50:0' }, /zero/],
    ['nonsense', { label: 'abc' }, /no ratio we know/],
    ['stronger than neat', { label: '1 in 0.5' }, /not a dilution/],
    ['nothing wanted', { lead: { by: 'total', ml: 0 } }, /how much mix/],
    ['not a number', { lead: { by: 'total', ml: Number.NaN } }, /how much mix/],
    ['strokes without a calibrated pump', { stroke: 0, lead: { by: 'strokes', strokes: 2 } }, /not calibrated/],
    ['a percentage on a medicated product', { label: '2 %', medicated: true }, /active substance/],
  ])('%s is told in words', (_, change, words) => {
    expect(reckon({ ...question, ...change })).toMatchObject({
      how: null,
      problem: expect.stringMatching(words) as string,
    });
  });

  test.each([
    ['metric', /2 l.*550 ml to the brim.*1.5 l/],
    ['US', /67\.6 fl oz.*18\.6 fl oz to the brim.*50\.7 fl oz/],
  ] as const)('more than all bottles hold, in %s', (units, words) => {
    const answer = reckon({ ...question, units, lead: { by: 'total', ml: 2000 } });
    expect(answer.problem).toMatch(words);
    expect(answer.how?.total).toBe(2000);
  });

  test('more than the bottle holds goes over several, each with strokes of its own', () => {
    const { split, problem } = reckon({ ...question, lead: { by: 'total', ml: 900 } });
    expect(problem).toBeNull();
    expect(split?.map(({ total, how }) => [total, how.by === 'millilitres' ? null : how.strokes])).toEqual([
      [500, 2],
      [500, 2],
    ]);
  });

  test('the second reading of 1:50 is a little stronger, and both are set side by side', () => {
    const read = (waterParts: string | null) =>
      reckon({ ...question, label: '1:50', said: waterParts === null ? null : { waterParts, range: null }, stroke: 0 });
    expect(read(null).how?.product).toBeCloseTo(500 / 51, 9);
    expect(read('49').how?.product).toBeCloseTo(10, 9);
    expect(read('49').readings.map(({ chosen, mix }) => [chosen, mix?.product.toFixed(3)])).toEqual([
      [false, '9.804'],
      [true, '10.000'],
    ]);
  });

  test('what was kept of a product holds: "1:4" kept as 3:1 takes 125 ml of 500, not 100', () => {
    const kept = reckon({ ...question, label: '1:4', said: { waterParts: '3', range: null }, stroke: 0 });
    expect(kept.how?.product).toBe(125);
  });

  test('a medicated "%" product is mixed to what was said', () => {
    const kept = { label: '2 %', medicated: true, said: { waterParts: '5/4', range: null }, stroke: 0 };
    expect(reckon({ ...question, ...kept }).how?.product).toBeCloseTo((500 * 4) / 9, 9);
  });

  test.each([
    [null, 500 / 33],
    ['10', 500 / 11],
    ['24', 20],
    ['32', 500 / 33],
  ])('a range of 10:1 to 32:1, %s chosen', (waterParts, product) => {
    const said = waterParts === null ? null : { waterParts, range: null };
    expect(reckon({ ...question, label: '10:1 to 32:1', said, stroke: 0 }).how?.product).toBeCloseTo(product, 9);
  });

  test.each(['4', '90', 'strong'])('beyond the ends of a range (%s) nothing is mixed', (waterParts) => {
    const answer = reckon({ ...question, label: '10:1 to 32:1', said: { waterParts, range: null } });
    expect(answer).toMatchObject({ how: null, problem: expect.stringMatching(/\w/) as string });
  });

  test('a thousands sign is asked: nothing is mixed before one said which', () => {
    const answer = reckon({ ...question, label: '1,000:1' });
    expect(answer).toMatchObject({ how: null, problem: expect.stringMatching(/say which/) as string });
    expect(answer.readings.map(({ chosen }) => chosen)).toEqual([false, false]);
  });

  test('a second wash is half of the first: a dog takes two thirds with one wash', () => {
    const like = 'large, short coat, 30 kg';
    expect(mixOfDog(like, 1) / mixOfDog(like, 2)).toBeCloseTo(2 / 3, 2);
  });
});
