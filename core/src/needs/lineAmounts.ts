import { sizeOf } from '../dilution';
import { COMMON_PRACTICE, HOUSE_VALUE, type Source } from '../provenance';
import { millilitres, type Millilitres } from '../units';
import type { DogFacts } from '../dog';
import { takesProduct } from '../careplan';
import type { PlanLine } from '../careplan';
import type { Task } from '../tasks';
import { isPoured, waysFor, type EarDepth } from '../work';
import { REACH, partAmounts, washesFaceApart, washesOf, type Lathering } from './bathAmount';

/** How much of what one line takes at the salon; a balm or powder is weighed. */
export interface LineAmount {
  readonly what: string;
  readonly amount: { readonly ml: Millilitres } | { readonly grams: number };
  readonly source: Source;
  readonly because: string;
}

/** How an ear was cleaned: as deep as the look asked for, and how often. */
export interface EarWork {
  readonly depth: EarDepth;
  readonly rounds: number;
}

/** What is planned before anyone has looked: the most that the business does. */
function earPlanned(facts: DogFacts): EarWork {
  const { earCleaning, earsWhen } = waysFor(facts);
  return { depth: earCleaning, rounds: earsWhen === 'both' && isPoured(earCleaning) ? 2 : 1 };
}

/** Ear cleaner for one ear, ml [house values]; filling goes by size, each further round takes as much. */
function earCleaner({ weight }: DogFacts, { depth, rounds }: EarWork): number {
  const filled = { small: 2, middle: 4, large: 6 }[sizeOf(weight)];
  return rounds * { wipe: 0, fill: filled, 'few drops': 1, 'soaked cotton': 3, 'damp pad only': 2 }[depth];
}

/** A diluted wash that lathers as most do: what is shown where the shelf has none. */
const ORDINARY_MIX: Lathering = {
  kind: 'cleansing',
  amountFactor: 1,
  dilution: { kind: 'dilute' },
};

const FACE_CLEANER_ML = 5;
const FOLD_PRODUCT_ML = 3;
const BALM_GRAMS = 1;

/**
 * Amounts of one plan line: the parts of the bath from skin area and coat, times this dog's learned factor and the lather
 * of the product that the visit takes for it ({@link productsOf}); the rest by house amounts. Empty where nothing is used,
 * the line is barred, or a word keeps the product off. docs/trade.md: how much.
 */
export function lineAmounts(
  line: PlanLine,
  facts: DogFacts,
  dogFactor: number,
  product: Lathering = ORDINARY_MIX,
  ear: EarWork = earPlanned(facts),
): LineAmount[] {
  if (line.bars.length > 0 || line.productShare === 0) return [];
  const parts = partAmounts(facts, product, dogFactor);
  const lather = product.amountFactor === 1 ? '' : ` and the product’s, × ${Number(product.amountFactor.toFixed(2))}`;
  const reach = REACH[facts.ways.reach] === 1 ? '' : `, by ${facts.ways.reach} × ${REACH[facts.ways.reach]}`;
  const byArea = `skin area, coat length and density, times this dog’s own factor${lather}${reach}`;
  const made = product.dilution.kind === 'ready to use' ? 'as it comes' : 'made-up mix';
  const part = (what: string, ml: Millilitres, source: Source = HOUSE_VALUE): LineAmount[] =>
    ml > 0 ? [{ what: `${what}, ${made}`, amount: { ml }, source, because: byArea }] : [];
  const fixed = (what: string, ml: number, because = 'the house amount'): LineAmount[] => [
    { what, amount: { ml: millilitres(ml) }, source: HOUSE_VALUE, because },
  ];
  const OF: Readonly<Partial<Record<Task, () => LineAmount[]>>> = {
    bath: () => part(washesOf(facts) === 2 ? 'wash 1' : 'the wash', parts.bath),
    'second wash': () => part('wash 2, half of wash 1', parts['second wash'], COMMON_PRACTICE),
    'face wash': () =>
      washesFaceApart(facts) ? part('mild face product', millilitres(parts['face wash'] * line.productShare)) : [],
    conditioner: () => part('conditioner', parts.conditioner),
    'ear cleaning': () =>
      facts.services['ear cleaning'] === 'done'
        ? fixed('ear cleaner', earCleaner(facts, ear), 'by what is done and, when filled, by size')
        : [],
    'eyes and face': () => (takesProduct(facts, line) ? fixed('eye and face cleaner', FACE_CLEANER_ML) : []),
    'fold care': () => (takesProduct(facts, line) ? fixed('fold product', FOLD_PRODUCT_ML) : []),
    'nose balm': () => [
      { what: 'balm', amount: { grams: BALM_GRAMS }, source: HOUSE_VALUE, because: 'the house amount' },
    ],
  };
  return OF[line.task]?.() ?? [];
}
