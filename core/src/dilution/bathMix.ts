import { millilitres, type Millilitres } from '../units';
import type { Bottle } from './bottle';
import { everyMark, topMark } from './chooseBottles';
import type { Product } from './product';
import { MOST_WASTE, measure, tidyBatch, type Measuring } from './strokes';

/** Reserve over the reckoned need, so that the second dog's rinse is not the first dog's shortage [house value]. */
export const RESERVE = 0.1;

/** What to make up for one product of one bath. */
export type BathMix =
  | { readonly kind: 'as it is'; readonly need: Millilitres }
  /** The business has no bottle to mix it in. */
  | { readonly kind: 'no bottle'; readonly need: Millilitres }
  | {
      readonly kind: 'mixed';
      readonly need: Millilitres;
      readonly bottle: Bottle;
      readonly how: Measuring;
    }
  /** The need goes into no single bottle of the business: make it twice. */
  | {
      readonly kind: 'several batches';
      readonly need: Millilitres;
      readonly bottle: Bottle;
      readonly batches: number;
      readonly how: Measuring;
    };

/**
 * Chooses the smallest bottle that holds the need with its reserve and fills it to a readable mark whose strokes
 * come out; a bottle without marks is filled to its line. Throws `RangeError` when there is no need.
 */
export function bathMix(
  need: Millilitres,
  product: Product,
  bottles: readonly Bottle[],
  stroke: Millilitres | null,
  mostWaste = MOST_WASTE,
): BathMix {
  if (!(need > 0)) throw new RangeError('Nothing to mix: the need is 0 ml.');
  if (product.dilution.kind === 'ready to use') return { kind: 'as it is', need };
  const bySize = bottles.filter((each) => topMark(each) > 0).toSorted((a, b) => topMark(a) - topMark(b));
  const largest = bySize.at(-1);
  if (!largest) return { kind: 'no bottle', need };
  const wanted = need * (1 + RESERVE);
  const fits = bySize.find((bottle) => topMark(bottle) >= wanted);
  const bottle = fits ?? largest;
  const batches = fits ? 1 : Math.ceil(wanted / topMark(largest));
  const how = fill(millilitres(wanted / batches), product, bottle, stroke, mostWaste);
  return batches === 1 ? { kind: 'mixed', need, bottle, how } : { kind: 'several batches', need, bottle, batches, how };
}

function fill(
  wanted: Millilitres,
  product: Product,
  bottle: Bottle,
  stroke: Millilitres | null,
  mostWaste: number,
): Measuring {
  if (product.dilution.kind === 'ready to use') throw new RangeError(`${product.name} is never diluted.`);
  const strength = product.dilution.strength;
  const medicated = product.kind === 'medicated';
  if (bottle.graduation === null) {
    return measure({ total: bottle.line, strength, stroke, medicated, room: bottle.line, mostWaste });
  }
  const vessel = { graduation: millilitres(bottle.graduation * everyMark(bottle)), room: bottle.line };
  const tidy = stroke === null ? null : tidyBatch(wanted, strength, stroke, vessel, mostWaste);
  const mark = Math.min(topMark(bottle), Math.ceil(wanted / vessel.graduation) * vessel.graduation);
  return measure({
    total: tidy?.total ?? millilitres(mark),
    strength,
    stroke,
    medicated,
    room: bottle.line,
    mostWaste,
  });
}
