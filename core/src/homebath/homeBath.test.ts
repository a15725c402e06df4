import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { TODAY, aDog, anyDog, instruct } from '../careplan/tests/randomDogs';
import { PRODUCT_KINDS, strengthOf, type Product } from '../dilution';
import { productOf } from '../dilution/tests/shelf';
import type { DogFacts } from '../dog';
import { homeTasks } from '../homecare';
import { AT_HOME_LINES, HOME_CARDS } from '../methods';
import { addDays, millilitres } from '../units';
import { ENGLISH, homeBathTold, homeLabel, type HomeBathReady } from '../wording';
import { SPANISH } from '../wording/spanish';
import { fillingFor, homeBath, withHomeBath, type HomeBathAgreed, type HomeBottle } from '.';

const oats = productOf('gentle wash', {
  id: 'oats',
  name: 'Oat gentle wash',
  cautions: ['eyes', 'pregnancy of the user'],
});
const vets = productOf('medicated', {
  id: 'vets',
  name: 'Vet-supplied antiseptic wash',
  suppliedBy: 'vet',
  dilution: { kind: 'dilute', strength: strengthOf(33) },
});
const SHELF: readonly Product[] = [oats, vets];
const filled: HomeBottle = { kind: 'filled', productId: 'oats' };
const own = (label: string, said: Extract<HomeBottle, { kind: 'own' }>['said'] = null): HomeBottle => ({
  kind: 'own',
  name: 'Meadow dog wash',
  label,
  said,
});
const agreed = (bottle: HomeBottle): HomeBathAgreed => ({ bottle, everyDays: 14 });
const bathOf = (dog: DogFacts, bottle: HomeBottle = filled, shelf = SHELF) =>
  homeBath(dog, makePlan(dog), agreed(bottle), { units: 'metric', shelf });
const told = (dog: DogFacts, bottle?: HomeBottle) => homeBathTold(ENGLISH, bathOf(dog, bottle), 'metric');
const ready = (dog: DogFacts, bottle?: HomeBottle): HomeBathReady => {
  const its = told(dog, bottle);
  if (its.kind !== 'ready') throw new Error(its.words);
  return its;
};
const prescribed = instruct({ kind: 'bath product', productId: 'vets', contactMinutes: 10, nothingElse: true });

describe('a bath at home', () => {
  test('with a small bottle that the salon filled: spoons, water, parts, and every step but the wait', () => {
    const bath = ready(aDog());
    // 12 kg: 0.529 m² at 0.8 l/m² is 424 ml, 92 % of it for the body, a tenth more in reserve: 429 ml. At 24:1 17.5 ml
    // want 420 ml of water; 400 would not be enough in all.
    expect(bath).toMatchObject({ spoons: '3½ level teaspoons', amount: '17.5 ml', water: '450 ml' });
    expect(bath.parts).toBe('1 part shampoo to 24 parts water');
    expect(bath.steps.map(({ id }) => id)).toEqual([
      ...['comb first', 'mix', 'wet', 'wash', 'rinse', 'rinse test', 'face', 'dry', 'throw away'],
    ]);
  });

  test('with the owner’s own bottle, by its label as the mixing bench reads it', () => {
    expect(bathOf(aDog(), own('10:1'))).toMatchObject({ product: 'Meadow dog wash', waterParts: '10', shelfId: null });
    const asItIs = ready(aDog(), own('ready to use'));
    expect([asItIs.water, asItIs.spoons, asItIs.amount]).toEqual([null, null, '60 ml']);
    expect(asItIs.steps.map(({ id }) => id)).not.toContain('mix');
    // A label that can be read in two ways is said by a person first; the owner is told to ask.
    const unclear = own('1:4 to 1:10, 2 %');
    expect(bathOf(aDog(), unclear).kind).toBe('to be settled');
    expect(told(aDog(), unclear)).toEqual({ kind: 'not now', words: 'No bath at home before you have asked us.' });
  });

  test('a vet’s wash goes before what was agreed: its strength within 2 %, its time, and nothing else', () => {
    const dog = aDog({ instructions: [prescribed] });
    for (const bottle of [filled, own('10:1')]) {
      const bath = ready(dog, bottle);
      expect(bath).toMatchObject({ product: vets.name, contactMinutes: 10, nothingElse: true });
      expect(bath.steps.find(({ id }) => id === 'wait')?.words).toContain('10 minutes');
    }
    const { mix } = bathOf(dog) as { mix: { error: number } };
    expect(Math.abs(mix.error)).toBeLessThanOrEqual(0.02);
    expect(bathOf(dog, filled, [oats])).toMatchObject({ kind: 'to be settled' });
  });

  test.each([
    [
      'a medicated wash, which only a vet gives',
      aDog(),
      { kind: 'filled', productId: 'vets' },
      /not a wash that a salon may fill/,
    ],
    ['a wash that is gone from the shelf', aDog(), { kind: 'filled', productId: 'gone' }, /not on the shelf/],
    ['a wash its skin reacted to', aDog({ reactedTo: ['oats'] }), filled, /made its skin react/],
    ['a prescription that has run out', aDog(), { kind: 'prescribed' }, /Nothing is prescribed/],
  ] as const)('is not mixed with %s', (_, dog, bottle, why) => {
    const bath = bathOf(dog, bottle);
    expect(bath).toEqual({ kind: 'to be settled', why: expect.stringMatching(why) });
  });

  test.each([
    ['stitches', aDog({ fitness: { ...aDog().fitness, stitches: true } }), /^No bath at home now: .*stitches/],
    [
      'a spot-on of yesterday',
      aDog({ fitness: { ...aDog().fitness, spotOn: addDays(TODAY, -1) } }),
      /^No bath at home before Fri 27 Nov: the drops on the neck/,
    ],
    [
      'a vet’s no',
      aDog({ instructions: [instruct({ kind: 'bar', task: 'bath' })] }),
      /^No bath at home now: Dr Oyelaran/,
    ],
  ] as const)('is not given with %s, and is not in the week either', (_, dog, words) => {
    expect(told(dog)).toEqual({ kind: 'not now', words: expect.stringMatching(words) });
    const lines = withHomeBath(makePlan(dog).lines, agreed(filled), dog);
    expect(homeTasks(lines.map((line) => ({ line }))).map(({ task }) => task)).not.toContain('bath');
  });

  test('an ear that is left alone stands in the way of nothing: the head stays dry', () => {
    const dog = aDog({ suspended: { 'ear/left': { words: 'a stop of an earlier visit' } } });
    expect(told(dog).kind).toBe('ready');
  });

  test('stands in the week as any home care, with its minutes; without an agreement nothing is asked', () => {
    const { lines } = makePlan(aDog());
    const [bath] = homeTasks(withHomeBath(lines, agreed(filled), aDog()).map((line) => ({ line }))).filter(
      ({ task }) => task === 'bath',
    );
    expect(bath).toMatchObject({ key: 'bath', everyDays: 14, minutes: 45, how: 'bath at home' });
    expect(withHomeBath(lines, null, aDog())).toBe(lines);
  });

  test('whatever the dog: told or refused in words, nothing medicated without a vet, never a mix to keep', () => {
    const shelf = PRODUCT_KINDS.map((kind) => productOf(kind));
    fc.assert(
      fc.property(anyDog, fc.constantFrom(...PRODUCT_KINDS), (dog, kind) => {
        const plan = makePlan(dog);
        const bath = homeBath(dog, plan, agreed({ kind: 'filled', productId: kind }), { units: 'metric', shelf });
        for (const wording of [ENGLISH, SPANISH]) {
          const its = homeBathTold(wording, bath, 'metric');
          if (its.kind === 'not now') expect(its.words).not.toMatch(/[{}]/);
          else for (const { words } of its.steps) expect(words).not.toMatch(/[{}]/);
        }
        if (bath.kind !== 'ready') return;
        const isVets = dog.instructions.some(({ says }) => says.kind === 'bath product');
        expect(bath.product === 'medicated' && !isVets).toBe(false);
      }),
    );
    expect(HOME_CARDS['bath at home'].never.map((id) => AT_HOME_LINES[id]).join(' ')).toContain('Never keep a mix');
  });
});

describe('the small bottle', () => {
  test.each([
    [7.5, 14, 42, { baths: 2, ml: 15, bottle: 30 }],
    [22.5, 7, 42, { baths: 5, ml: 113, bottle: 250 }],
    [22.5, 30, 28, { baths: 1, ml: 23, bottle: 30 }],
    [100, 7, 56, { baths: 7, ml: 700, bottle: null }],
  ] as const)('%d ml a bath every %i days, the next visit in %i: %j', (takes, every, until, filling) => {
    expect(fillingFor(millilitres(takes), every, until)).toEqual(filling);
  });

  test.each([
    [
      'English',
      ENGLISH,
      'ONLY FOR Teasel',
      'Concentrate. Never use it unmixed.',
      'Mix it on the day. Throw the rest away.',
    ],
    [
      'Spanish',
      SPANISH,
      'SOLO PARA Teasel',
      'Concentrado. Nunca sin mezclar.',
      'Mézclelo el mismo día. Tire lo que sobre.',
    ],
  ] as const)(
    'its label in %s: whose, how much in how much, never kept, and what the product warns of',
    (_, wording, dog, ...says) => {
      const bath = homeBathTold(wording, bathOf(aDog()), 'metric');
      if (bath.kind !== 'ready') throw new Error(bath.words);
      const label = homeLabel(wording, bath, { dog: 'Teasel', filledOn: TODAY, cautions: oats.cautions });
      expect(label).toMatchObject({ product: 'Oat gentle wash', dog });
      expect(label.lines).toEqual(expect.arrayContaining([...says]));
      expect(label.lines.join(' ')).toContain('(17.5 ml) + 450 ml');
      expect(label.hazard.split('. ').length).toBeGreaterThanOrEqual(3);
    },
  );
});
