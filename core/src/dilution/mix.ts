import Fraction from 'fraction.js';
import { millilitres, type Millilitres } from '../units';
import { concentration, fromConcentration, strengthOf, type Strength } from './strength';

/** So much product and so much water. Volumes are taken to add up. */
export interface Mix {
  readonly product: Millilitres;
  readonly water: Millilitres;
}

/**
 * Product = V·c, water the rest. Throws `RangeError` unless `total` is over 0 ml.
 * @example
 * mix(millilitres(500), strengthOf(24)) // { product: 20, water: 480 }
 */
export function mix(total: Millilitres, strength: Strength): Mix {
  if (!(total > 0)) throw new RangeError('A mix needs a volume over 0 ml.');
  const product = new Fraction(total).mul(concentration(strength)).valueOf();
  return { product: millilitres(product), water: millilitres(total - product) };
}

/** Concentration of a mix from its two volumes, exact. */
export const shareOf = (product: number, total: number): Fraction => new Fraction(product).div(total);

export type Cut =
  | { readonly kind: 'add water'; readonly water: Millilitres; readonly total: Millilitres }
  | { readonly kind: 'refused'; readonly why: string };

/**
 * C1·V1 = C2·V2: how much water brings an existing mix down to `wanted`. Refused when it is already weaker.
 * @example
 * cutMix(millilitres(100), strengthOf(9), strengthOf(19)) // { kind: 'add water', water: 100, total: 200 }
 */
export function cutMix(volume: Millilitres, strength: Strength, wanted: Strength): Cut {
  const total = new Fraction(volume).mul(concentration(strength)).div(concentration(wanted));
  const water = total.sub(volume);
  if (water.compare(0) < 0) {
    return { kind: 'refused', why: 'Water cannot make it stronger. Add product, or mix a new one.' };
  }
  return { kind: 'add water', water: millilitres(water.valueOf()), total: millilitres(total.valueOf()) };
}

/** A mix in its bottle. Times are instants in milliseconds. */
export interface MixInBottle {
  readonly volume: Millilitres;
  readonly strength: Strength;
  readonly mixedAt: number;
  readonly discardAt: number;
}

export type TopUp =
  | { readonly kind: 'topped up'; readonly add: Mix; readonly result: MixInBottle }
  | { readonly kind: 'refused'; readonly why: string };

/**
 * Mass balance: what to add to a left-over of another strength so that `total` stands at `wanted`.
 * The result keeps the older mixed-at and discard times; a left-over past its discard time is refused.
 */
export function topUp(leftOver: MixInBottle, total: Millilitres, wanted: Strength, now: number): TopUp {
  if (now >= leftOver.discardAt) return { kind: 'refused', why: 'It is past its discard time. Pour it away.' };
  if (total < leftOver.volume) return { kind: 'refused', why: 'There is already more than that in the bottle.' };
  const held = new Fraction(leftOver.volume).mul(concentration(leftOver.strength));
  const product = new Fraction(total).mul(concentration(wanted)).sub(held);
  const water = new Fraction(total).sub(leftOver.volume).sub(product);
  if (product.compare(0) < 0) {
    return { kind: 'refused', why: 'The left-over alone holds more product than that. Make more, or cut it first.' };
  }
  if (water.compare(0) < 0) {
    return { kind: 'refused', why: 'The left-over alone holds more water than that. Make more, or mix a new one.' };
  }
  return {
    kind: 'topped up',
    add: { product: millilitres(product.valueOf()), water: millilitres(water.valueOf()) },
    result: { ...leftOver, volume: total, strength: wanted },
  };
}

/** "I put this much product into that much mix: how strong is it?" Throws `RangeError` for neat or no product. */
export function strengthFrom(product: Millilitres, total: Millilitres): Strength {
  if (!(product > 0)) throw new RangeError('No product, no strength.');
  return product >= total ? strengthOf(0) : fromConcentration(shareOf(product, total));
}
