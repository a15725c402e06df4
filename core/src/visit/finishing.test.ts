import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { aDog, instruct } from '../careplan/tests/randomDogs';
import { PRODUCT_KINDS, type Product } from '../dilution';
import type { DogFacts } from '../dog';
import type { Happening } from '../events';
import { finding } from '../findings';
import { finishing, readVisit } from '.';
import { logged } from './tests/randomVisits';

const SHELF: readonly Product[] = PRODUCT_KINDS.map((kind) => ({
  id: kind,
  name: kind,
  kind,
  label: '',
  dilution: { kind: 'ready to use' },
  contact: null,
  amountFactor: 1,
  suppliedBy: 'house',
  costPerMl: null,
  cautions: kind === 'cologne' ? ['scented'] : [],
  ingredients: kind === 'finish' ? ['lanolin'] : [],
}));
const offered = (
  step: { readonly stage: 'comb and tidy' | 'folds' | 'teeth' | 'nails' | 'dry'; readonly id: string },
  happened: readonly Happening[] = [],
  more: Partial<DogFacts> = {},
) => {
  const dog = aDog(more, 'cocker');
  const before = { kind: 'full visit', facts: dog, plan: makePlan(dog), contactMinutes: 0, lastFindings: [] } as const;
  const list = finishing(readVisit(before, logged(happened)), step, SHELF);
  return Object.fromEntries(list.map(({ product, against }) => [product.kind, against]));
};
const COMB = { stage: 'comb and tidy', id: 'comb and tidy' } as const;

// docs/trade.md, finishing. Common practice, no source.
describe('what finishes', () => {
  test('spray, leave-in, cologne and powder after the comb; gel at the teeth; nothing elsewhere', () => {
    expect(offered(COMB)).toEqual({ powder: null, finish: null, cologne: null, 'leave-in': null });
    expect(offered({ stage: 'teeth', id: 'teeth' })).toEqual({ 'tooth gel': null });
    expect(offered({ stage: 'dry', id: 'dry' })).toEqual({});
  });

  test('all of them stay off skin that is not healthy, known or found today; a scent off tender skin', () => {
    const treated = offered(COMB, [], { skin: 'under treatment' });
    expect(Object.values(treated)).toEqual(Array(4).fill('stays off skin that is under treatment'));
    const sore: Happening = { type: 'found', finding: finding({ site: 'side', side: 'left' }, 'wet sore', 1) };
    expect(Object.values(offered(COMB, [sore])).every((why) => why?.includes('something was found today'))).toBe(true);
    expect(offered(COMB, [], { lifeStage: 'senior' })).toMatchObject({
      finish: null,
      cologne: expect.stringMatching(/scented/),
    });
  });

  test('what a dog must not have is not taken to finish it either', () => {
    const instructions = [instruct({ kind: 'avoid', ingredient: 'lanolin' })];
    expect(offered(COMB, [], { instructions })).toMatchObject({ finish: 'lists lanolin', cologne: null });
  });

  test('a styptic is for a nail that was nicked, and for nothing else; balm for the nose pad', () => {
    const nails = { stage: 'nails', id: 'nails' } as const;
    expect(offered(nails)).toEqual({});
    const quick: Happening = {
      type: 'incident',
      incident: { kind: 'quick', place: null, done: '', told: '', words: '' },
    };
    expect(offered(nails, [quick])).toEqual({ styptic: null });
    expect(offered(COMB, [quick])).not.toHaveProperty('styptic');
    expect(offered({ stage: 'folds', id: 'folds fold nose/none' })).toEqual({});
    expect(offered({ stage: 'folds', id: 'nose balm' })).toEqual({ balm: null });
  });
});
