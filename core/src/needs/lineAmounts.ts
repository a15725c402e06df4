import { bathAmounts, HOUSE_AMOUNTS, type BathAmounts } from '../dilution';
import { COMMON_PRACTICE, HOUSE_VALUE, type Source } from '../provenance';
import { millilitres, type Millilitres } from '../units';
import type { DogFacts } from '../dog';
import { takesProduct } from '../careplan';
import type { PlanLine } from '../careplan';
import { prescribedOn } from '../careplan';
import type { Task } from '../tasks';
import { waysFor, washesHead } from '../work';

/** How much of what one line takes at the salon; a balm or powder is weighed. */
export interface LineAmount {
  readonly what: string;
  readonly amount: { readonly ml: Millilitres } | { readonly grams: number };
  readonly source: Source;
  readonly because: string;
}

/** Up to this weight a dog is small, up to the next middle, kg [house values]. */
const SMALL_KG = 10;
const MIDDLE_KG = 25;

/** Ear cleaner for one ear by this dog's school, ml [house values]; filling goes by size, a second round takes as much. */
function earCleaner(facts: DogFacts): number {
  const ways = waysFor(facts);
  const filled = facts.weight <= SMALL_KG ? 2 : facts.weight <= MIDDLE_KG ? 4 : 6;
  const once = { fill: filled, 'few drops': 1, 'soaked cotton': 3, 'damp pad only': 2 }[ways.earCleaning];
  return ways.earsWhen === 'both' && ways.earCleaning !== 'damp pad only' ? 2 * once : once;
}

const FACE_CLEANER_ML = 5;
const FOLD_PRODUCT_ML = 3;
const BALM_GRAMS = 1;

/** Whether the face has a product of its own: a prescribed wash stays off it, also where one mild wash does both. */
export const washesFaceApart = (facts: DogFacts): boolean =>
  washesHead(facts) &&
  (facts.ways.faceProduct === 'tear-free' ||
    (facts.ways.faceProduct === 'mild wash for all' && prescribedOn(facts) !== null));

/**
 * What a wash takes of the body's product: the face's share with it where one mild wash does both, and without the rest
 * of the head where the bath stops at the neck.
 */
export function ofBodyWash(facts: DogFacts, { body, face }: BathAmounts['wash1']): Millilitres {
  if (!washesHead(facts)) return millilitres(body - (body + face) * HOUSE_AMOUNTS.headShare);
  const forAll = facts.ways.faceProduct === 'mild wash for all' && !washesFaceApart(facts);
  return forAll ? millilitres(body + face) : body;
}

/**
 * Amounts of one plan line: washes and conditioner from skin area and coat, times this dog's learned factor and the lather
 * of the product that the visit takes for it ({@link productFactors}); the rest by
 * house amounts. Empty where nothing is used, the line is barred, or a word keeps the product off. docs/trade.md: how much.
 */
export function lineAmounts(line: PlanLine, facts: DogFacts, dogFactor: number, productFactor = 1): LineAmount[] {
  if (line.bars.length > 0 || line.productShare === 0) return [];
  const bath = bathAmounts({
    weight: facts.weight,
    length: facts.traits.coatLength,
    density: facts.traits.coatDensity,
    productFactor,
    dogFactor,
    washes: facts.ways.washes === 'two' ? 2 : 1,
  });
  const byArea = `skin area, coat length and density, times this dog’s own factor${productFactor === 1 ? '' : ` and the product’s, × ${Number(productFactor.toFixed(2))}`}`;
  const mix = (what: string, ml: Millilitres, source: Source = HOUSE_VALUE): LineAmount[] =>
    ml > 0 ? [{ what, amount: { ml }, source, because: byArea }] : [];
  const fixed = (what: string, ml: number, because = 'the house amount'): LineAmount[] => [
    { what, amount: { ml: millilitres(ml) }, source: HOUSE_VALUE, because },
  ];
  const OF: Readonly<Partial<Record<Task, () => LineAmount[]>>> = {
    bath: () => mix('wash 1, made-up mix', ofBodyWash(facts, bath.wash1)),
    'second wash': () =>
      mix(
        `wash 2, ${HOUSE_AMOUNTS.secondWash === 0.5 ? 'half of wash 1' : 'less'}`,
        ofBodyWash(facts, bath.wash2),
        COMMON_PRACTICE,
      ),
    'face wash': () =>
      washesFaceApart(facts)
        ? mix('mild face product', millilitres((bath.wash1.face + bath.wash2.face) * line.productShare))
        : [],
    conditioner: () => (facts.ways.conditioner === 'never' ? [] : mix('conditioner, made-up mix', bath.conditioner)),
    'ear cleaning': () =>
      facts.services['ear cleaning'] === 'done'
        ? fixed('ear cleaner', earCleaner(facts), 'by school and, when filled, by size')
        : [],
    'eyes and face': () => (takesProduct(facts, line) ? fixed('eye and face cleaner', FACE_CLEANER_ML) : []),
    'fold care': () => fixed('fold product', FOLD_PRODUCT_ML),
    'nose balm': () => [
      { what: 'balm', amount: { grams: BALM_GRAMS }, source: HOUSE_VALUE, because: 'the house amount' },
    ],
  };
  return OF[line.task]?.() ?? [];
}
