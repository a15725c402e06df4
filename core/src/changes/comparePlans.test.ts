import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { comparePlans } from '.';
import { makePlan } from '../careplan';
import { type DogFacts } from '../dog';
import { DEFAULT_HOUSE_WAYS } from '../ways';
import { taskKey } from '../tasks';
import { differenceWords } from '../wording';
import { aDog, anyDog, instruct } from '../careplan/tests/randomDogs';

const changes = (before: DogFacts, after: DogFacts) =>
  Object.fromEntries(
    comparePlans(makePlan(before), makePlan(after)).map((each) => [
      taskKey(each),
      [each.kind, ...each.differences.map(differenceWords)].join('; '),
    ]),
  );

describe('what changes from one plan to another', () => {
  test('the same dog changes nothing', () => {
    fc.assert(
      fc.property(anyDog, (facts) => {
        expect(comparePlans(makePlan(facts), makePlan({ ...facts }))).toEqual([]);
      }),
      { numRuns: 200 },
    );
  });

  test('ears that turn out hanging and hairy are cleaned oftener, and nothing else moves but the ears', () => {
    const dog = aDog({}, 'german-shepherd');
    const seen = changes(dog, { ...dog, traits: { ...dog.traits, ears: 'hanging', canalHair: 'dense' } });
    expect(seen['ear cleaning@ear/left']).toMatch(
      /every 21 days \(7–42 days\) instead of every 42 days \(14–84 days\)/,
    );
    expect(Object.keys(seen).filter((key) => !key.startsWith('ear '))).toEqual([]);
  });

  test('a fold that is found is new in the plan; one that is not there is gone', () => {
    const dog = aDog();
    const folded = { ...dog, traits: { ...dog.traits, folds: { lip: 'deep' as const } } };
    expect(changes(dog, folded)['fold care@fold lip/left']).toBe('new; every 21 days (7–42 days)');
    expect(changes(folded, dog)['fold care@fold lip/left']).toBe('gone; no longer in the plan');
  });

  test('another school says its words and drops the other’s', () => {
    const after = aDog({ ways: { ...DEFAULT_HOUSE_WAYS, earCleaning: 'fill' } });
    expect(changes(aDog(), after)['ear cleaning@ear/left']).toMatch(/\+ Filled until.*− A few drops/);
  });

  test('a bar is told as such, and so is its end', () => {
    const barred = aDog({ instructions: [instruct({ kind: 'bar', task: 'nails' })] });
    expect(changes(aDog(), barred)['nails']).toMatch(/barred: Nails and dewclaws: not done: Dr Oyelaran/);
    expect(changes(barred, aDog())['nails']).toMatch(/no longer barred/);
  });

  test('for any two dogs, what is new one way is gone the other', () => {
    fc.assert(
      fc.property(anyDog, anyDog, (a, b) => {
        const of = (from: DogFacts, to: DogFacts, kind: string) =>
          comparePlans(makePlan(from), makePlan(to))
            .filter((each) => each.kind === kind)
            .map(taskKey)
            .toSorted();
        expect(of(a, b, 'new')).toEqual(of(b, a, 'gone'));
        expect(of(a, b, 'changed')).toEqual(of(b, a, 'changed'));
      }),
      { numRuns: 200 },
    );
  });
});
