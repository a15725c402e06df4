import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Product, ProductKind } from '../dilution';
import { productOf } from '../dilution/tests/shelf';
import { day, kilograms } from '../units';
import { DEFAULT_HOUSE_WAYS, HOUSE_QUESTIONS } from '../ways';
import { PRODUCT_PARTS, lineAmounts, predictedWithoutFactor, productsOf, visitNeeds } from '.';
import { makePlan } from '../careplan';
import { plainDog, toAvoid, type DogFacts, type Instruction } from '../dog';

const TODAY = day('2026-11-25');
const product = (kind: ProductKind, more: Partial<Product> = {}): Product =>
  productOf(kind, { id: `${kind} ${more.name ?? ''}`, ...more });
const SHELF: readonly Product[] = [
  product('cleansing'),
  product('conditioning wash'),
  product('face', { dilution: { kind: 'ready to use' } }),
  product('conditioner'),
  product('ear cleaner', { dilution: { kind: 'ready to use' } }),
  product('eye and face cleaner', { dilution: { kind: 'ready to use' } }),
  product('fold care', { dilution: { kind: 'ready to use' } }),
  product('medicated', { suppliedBy: 'vet' }),
];
const dog = (more: Partial<DogFacts> = {}): DogFacts =>
  plainDog(['pug'], {
    weight: kilograms(8),
    ways: { ...DEFAULT_HOUSE_WAYS, foldWipe: 'pet wipe' },
    today: TODAY,
    ...more,
  });
const needs = (facts: DogFacts, parts: Parameters<typeof visitNeeds>[0] = PRODUCT_PARTS, shelf = SHELF, factor = 1) =>
  visitNeeds(parts, facts, makePlan(facts), shelf, factor);
const kinds = (facts: DogFacts, parts: Parameters<typeof visitNeeds>[0] = PRODUCT_PARTS, shelf = SHELF) =>
  needs(facts, parts, shelf).needs.map((need) => need.product.kind);
const instruct = (says: Instruction['says']): Instruction => ({
  id: 'i',
  by: 'vet',
  who: 'Dr Oyelaran',
  place: null,
  says,
  from: TODAY,
  until: null,
});

describe('what a visit takes', () => {
  test.each([
    [PRODUCT_PARTS, ['cleansing', 'conditioning wash', 'face', 'ear cleaner', 'eye and face cleaner', 'fold care']],
    [['bath'], ['cleansing', 'conditioning wash', 'face']],
    [['ears'], ['ear cleaner']],
    [['eyes and folds'], ['eye and face cleaner', 'fold care']],
    [[], []],
  ] as const)('%s of a pug', (parts, expected) => {
    expect(kinds(dog(), parts).toSorted()).toEqual([...expected].toSorted());
  });

  test('one wash takes the combined product; two the plain one; whichever there is, there is', () => {
    const ways = { ...dog().ways, washes: 'one' as const };
    expect(kinds(dog({ ways }), ['bath'])[0]).toBe('conditioning wash');
    expect(kinds(dog(), ['bath'])[0]).toBe('cleansing');
    expect(kinds(dog(), ['bath'], [product('conditioning wash')])).toEqual(['conditioning wash']);
    expect(kinds(dog(), ['bath'], [])).toEqual([]);
  });

  test('a vet’s product comes instead, and alone where nothing else is allowed', () => {
    const says = { kind: 'bath product', productId: 'medicated ', contactMinutes: 10, nothingElse: false } as const;
    expect(kinds(dog({ instructions: [instruct(says)] }), ['bath'])).toEqual(['medicated', 'face']);
    expect(kinds(dog({ instructions: [instruct({ ...says, nothingElse: true })] }), ['bath'])).toEqual(['medicated']);
  });

  test('a barred bath takes nothing; an ear under a bar no cleaner', () => {
    const bars = dog({
      instructions: [instruct({ kind: 'bar', task: 'bath' }), instruct({ kind: 'bar', task: 'ear cleaning' })],
    });
    expect(kinds(bars)).toEqual(expect.not.arrayContaining(['cleansing', 'ear cleaner']));
  });

  test('both ears are one amount, and it teaches no factor', () => {
    const ear = needs(dog()).needs.find((need) => need.product.kind === 'ear cleaner');
    const one = needs(
      dog({
        instructions: [{ ...instruct({ kind: 'bar', task: 'ear cleaning' }), place: { site: 'ear', side: 'left' } }],
      }),
    );
    const half = one.needs.find((need) => need.product.kind === 'ear cleaner');
    expect(ear?.byArea).toBe(false);
    expect(ear?.ml).toBe((half?.ml ?? 0) * 2);
  });

  test('amounts never fall with weight or with the dog’s factor', () => {
    const weight = fc.integer({ min: 1, max: 120 });
    fc.assert(
      fc.property(weight, weight, fc.constantFrom(0.5, 1, 2), (a, b, factor) => {
        const sum = (kg: number, by: number) =>
          needs(dog({ weight: kilograms(kg) }), ['bath'], SHELF, by).needs.reduce((all, { ml }) => all + ml, 0);
        expect(sum(Math.max(a, b), factor)).toBeGreaterThanOrEqual(sum(Math.min(a, b), factor));
        expect(sum(a, 2)).toBeGreaterThanOrEqual(sum(a, factor));
      }),
      { numRuns: 40 },
    );
  });

  test('what the factor is learned against is the need without it, in every school and under a prescribed wash', () => {
    const given = instruct({ kind: 'bath product', productId: 'medicated ', contactMinutes: 10, nothingElse: false });
    for (const { id: faceProduct } of HOUSE_QUESTIONS.faceProduct.schools)
      for (const { id: head } of HOUSE_QUESTIONS.head.schools)
        for (const instructions of [[], [given]]) {
          const its = dog({ instructions, ways: { ...dog().ways, faceProduct, head } });
          for (const { product: used, ml, byArea, tasks } of needs(its, ['bath']).needs)
            if (byArea)
              expect([faceProduct, head, used.kind, predictedWithoutFactor(its, used, tasks).toFixed(6)]).toEqual([
                faceProduct,
                head,
                used.kind,
                ml.toFixed(6),
              ]);
        }
  });

  test('a prescribed wash that is not on the shelf leaves the business’s a body wash', () => {
    const gone = instruct({ kind: 'bath product', productId: 'gone', contactMinutes: 10, nothingElse: false });
    const its = dog({ instructions: [gone] });
    const wash = needs(its, ['bath']).needs.find(({ product: used }) => used.kind === 'cleansing');
    expect(wash && predictedWithoutFactor(its, wash.product, wash.tasks)).toBeCloseTo(wash?.ml ?? 0, 9);
  });

  test('the amount a plan line shows holds the lather of the product that the visit takes', () => {
    const poor = SHELF.filter(({ kind }) => kind !== 'conditioning wash').map((each) =>
      each.kind === 'cleansing' ? { ...each, amountFactor: 1.3 } : each,
    );
    const its = dog();
    const taken = needs(its, ['bath'], poor).needs;
    const products = productsOf(taken);
    const shown = makePlan(its)
      .lines.filter(({ task }) => task === 'bath' || task === 'second wash')
      .flatMap((line) => lineAmounts(line, its, 1, products[line.task]))
      .reduce((sum, { amount }) => sum + ('ml' in amount ? amount.ml : 0), 0);
    expect(products).toMatchObject({ bath: { amountFactor: 1.3 }, 'second wash': { amountFactor: 1.3 } });
    expect(shown).toBeCloseTo(taken.find(({ product: used }) => used.kind === 'cleansing')?.ml ?? 0, 9);
  });

  test('the amount a plan line shows is what the visit takes of that product, also under a prescribed wash', () => {
    const given = instruct({ kind: 'bath product', productId: 'medicated ', contactMinutes: 10, nothingElse: false });
    const its = dog({ instructions: [given], ways: { ...dog().ways, faceProduct: 'mild wash for all' } });
    const shown = makePlan(its)
      .lines.filter(({ task }) => task === 'bath' || task === 'second wash')
      .flatMap((line) => lineAmounts(line, its, 1))
      .reduce((sum, { amount }) => sum + ('ml' in amount ? amount.ml : 0), 0);
    expect(shown).toBeCloseTo(
      needs(its, ['bath']).needs.find(({ product: used }) => used.kind === 'medicated')?.ml ?? 0,
      9,
    );
  });
});

describe('what a dog is to be kept from', () => {
  const avoid = (ingredient: string) => instruct({ kind: 'avoid', ingredient });
  const teaTree = product('cleansing', { name: 'Tea tree wash', ingredients: ['Tea tree oil'] });
  const plain = product('cleansing', { name: 'Plain wash' });

  test('another of its kind is taken', () => {
    const { needs: taken, trouble } = needs(dog({ instructions: [avoid('tea tree')] }), ['bath'], [teaTree, plain]);
    expect([taken[0]?.product.name, trouble]).toEqual(['Plain wash', []]);
  });

  test('with no other a person decides, and nothing is mixed', () => {
    const { needs: taken, trouble } = needs(dog({ instructions: [avoid('tea tree')] }), ['bath'], [teaTree]);
    expect(taken).toEqual([]);
    expect(trouble).toEqual(['Tea tree wash lists Tea tree oil, and there is no other.']);
  });

  test('a prescribed one that lists it is not silently left out: ask who prescribed it', () => {
    const says = { kind: 'bath product', productId: teaTree.id, contactMinutes: 5, nothingElse: false } as const;
    const { needs: taken, trouble } = needs(
      dog({ instructions: [instruct(says), avoid('tea tree')] }),
      ['bath'],
      [teaTree],
    );
    expect(taken[0]?.product.name).toBe('Tea tree wash');
    expect(trouble[0]).toMatch(/was asked for and lists Tea tree oil: ask Dr Oyelaran/);
  });

  test('from instructions that hold today, and from what it reacted to before', () => {
    const past = { ...avoid('lanolin'), until: day('2026-11-01') };
    expect(toAvoid({ instructions: [avoid('oat'), past], reactions: 'lavender; pine' }, TODAY)).toEqual([
      'oat',
      'lavender',
      'pine',
    ]);
    expect(toAvoid({ instructions: [], reactions: '' }, TODAY)).toEqual([]);
  });

  test('the plan says it at the bath, with whose word it is', () => {
    const bath = makePlan(dog({ instructions: [avoid('tea tree')] })).lines.find(({ task }) => task === 'bath');
    expect(bath?.cautions.map(({ words }) => words).join()).toMatch(/Nothing with tea tree in it: Dr Oyelaran/);
  });
});
