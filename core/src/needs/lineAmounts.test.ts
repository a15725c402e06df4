import { expect, test } from 'vitest';
import { kilograms } from '../units';
import { lineAmounts } from '.';
import { makePlan } from '../careplan';
import { type DogFacts } from '../dog';
import { type Task } from '../tasks';
import { aDog, instruct } from '../careplan/tests/randomDogs';

const amount = (task: Task, facts: DogFacts, factor = 1) => {
  const line = makePlan(facts).lines.find((each) => each.task === task);
  if (!line) throw new Error(`no ${task}`);
  const [first] = lineAmounts(line, facts, factor);
  return first && ('ml' in first.amount ? first.amount.ml : first.amount.grams);
};
const ways = (more: Partial<DogFacts['ways']>) => ({ ways: { ...aDog().ways, ...more } });

// House amounts of docs/trade.md: 0.8 l of mix a square metre, of it 8 % for the face; half again for wash 2.
// 10 kg have 0.46 m² (published: Merck Veterinary Manual, weight to surface area; value from memory).
test('a smooth dog of 10 kg takes about 0.8 l × 0.46 for the first wash, half for the second', () => {
  const beagle = aDog({ weight: kilograms(10) });
  const smooth = { ...beagle, traits: { ...beagle.traits, coatLength: 'short', coatDensity: 'ordinary' } } as const;
  // The printed area is rounded low: within 3 %.
  expect(Math.abs((amount('bath', smooth) ?? 0) / (0.46 * 800 * 0.92) - 1)).toBeLessThan(0.03);
  expect(amount('second wash', smooth)).toBeCloseTo((amount('bath', smooth) ?? 0) / 2, 6);
  expect(amount('bath', smooth, 2)).toBeCloseTo((amount('bath', smooth) ?? 0) * 2, 6);
});

test.each<[string, number, Partial<DogFacts['ways']>, number]>([
  ['filled, small', 6, { earCleaning: 'fill' }, 2],
  ['filled, middle', 18, { earCleaning: 'fill' }, 4],
  ['filled, large', 40, { earCleaning: 'fill' }, 6],
  ['drops', 18, { earCleaning: 'few drops' }, 1],
  ['soaked cotton', 18, { earCleaning: 'soaked cotton' }, 3],
  ['pad', 18, { earCleaning: 'damp pad only' }, 2],
])('ear cleaner, %s: %d kg', (_, kg, school, ml) => {
  expect(amount('ear cleaning', aDog({ weight: kilograms(kg), ...ways(school) }))).toBe(ml);
});

test('folds 3 ml by dog wipe, eyes 5 ml, balm 1 g; a cloth in water and a plain wipe draw nothing', () => {
  const pug = aDog({ ...ways({ foldWipe: 'pet wipe' }) }, 'pug');
  expect([amount('fold care', pug), amount('eyes and face', pug), amount('nose balm', pug)]).toEqual([3, 5, 1]);
  for (const foldWipe of ['cloth', 'plain wipe'] as const)
    expect(amount('fold care', aDog(ways({ foldWipe }), 'pug'))).toBeUndefined();
});

test('what is barred takes nothing', () => {
  const barred = aDog({ instructions: [instruct({ kind: 'bar', task: 'bath' })] });
  expect(amount('bath', barred)).toBeUndefined();
});
