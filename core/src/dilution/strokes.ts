import Fraction from 'fraction.js';
import { millilitres, type Millilitres } from '../units';
import { concentration, fromConcentration, strengthError, type Strength } from './strength';

/** How far a realised mix may be off the label, as shares of the label's concentration; limits are inclusive [house values]. */
export interface Tolerance {
  readonly stronger: Fraction;
  readonly weaker: Fraction;
}
export const LABEL_TOLERANCE: Tolerance = { stronger: new Fraction(5, 100), weaker: new Fraction(10, 100) };
export const MEDICATED_TOLERANCE: Tolerance = { stronger: new Fraction(2, 100), weaker: new Fraction(2, 100) };
const TIDY_TOLERANCE: Tolerance = { stronger: new Fraction(2, 100), weaker: new Fraction(2, 100) };

/** Mix beyond what is wanted that is borne for whole strokes, as a share of what is wanted; beyond it one measures [house value]. */
export const MOST_WASTE = 0.2;

export interface Measured {
  /** Product in ml, water in ml, total in ml; they add up. */
  readonly product: Millilitres;
  readonly water: Millilitres;
  readonly total: Millilitres;
  readonly realised: Strength;
  /** Realised over label concentration, less one: +0.03 is 3 % stronger. */
  readonly error: number;
}

/** How the product gets into the bottle. */
export type Measuring =
  /** Whole strokes, within the limits, in the volume asked for. */
  | (Measured & { readonly by: 'strokes'; readonly strokes: number })
  /** Whole strokes; the water was fitted to them, so the total moved. */
  | (Measured & { readonly by: 'strokes, water fitted'; readonly strokes: number })
  /** No whole number of strokes will do: measure the product. */
  | (Measured & { readonly by: 'millilitres' });

export interface StrokeQuestion {
  readonly total: Millilitres;
  readonly strength: Strength;
  /** Millilitres that one stroke of the pump gives; null when there is no calibrated pump. */
  readonly stroke: Millilitres | null;
  readonly medicated: boolean;
  /** The most the vessel takes. */
  readonly room: Millilitres;
  /** {@link MOST_WASTE} where the business says nothing else. */
  readonly mostWaste?: number;
}

/**
 * Whole pump strokes for a batch, or water fitted to them where that wastes little, or millilitres, in that order
 * (docs/formulas.md, "Dilution").
 * Never zero strokes, never outside the limits. Throws `RangeError` when the total is 0 or more than the room.
 */
export function measure(question: StrokeQuestion): Measuring {
  const { total, strength, stroke, room, mostWaste = MOST_WASTE } = question;
  if (!(total > 0)) throw new RangeError('A mix needs a volume over 0 ml.');
  if (total > room) throw new RangeError(`${total} ml does not go into a vessel of ${room} ml.`);
  const wanted = concentration(strength);
  if (stroke !== null && stroke > 0) {
    const limits = question.medicated ? MEDICATED_TOLERANCE : LABEL_TOLERANCE;
    const strokes = wholeStrokes(total, wanted, stroke, limits);
    if (strokes !== null) return { by: 'strokes', strokes, ...measured(total, strokes * stroke, wanted) };
    const fitted = fitWater(total, wanted, stroke, Math.min(room, total * (1 + mostWaste)));
    if (fitted) return fitted;
  }
  const product = new Fraction(total).mul(wanted).valueOf();
  return {
    by: 'millilitres',
    product: millilitres(product),
    water: millilitres(total - product),
    total,
    realised: strength,
    error: 0,
  };
}

/** The best whole number of strokes (at least one) within the limits, or null. */
export function wholeStrokes(total: number, wanted: Fraction, stroke: number, limits: Tolerance): number | null {
  const ideal = Math.floor(new Fraction(total).mul(wanted).div(stroke).valueOf());
  let best: { strokes: number; off: Fraction } | null = null;
  for (const strokes of [ideal, ideal + 1]) {
    if (strokes < 1) continue;
    const error = strengthError(new Fraction(strokes).mul(stroke).div(total), wanted);
    if (error.compare(limits.stronger) > 0 || error.compare(limits.weaker.neg()) < 0) continue;
    const off = error.abs();
    if (!best || off.compare(best.off) < 0) best = { strokes, off };
  }
  return best?.strokes ?? null;
}

/** Keeps whole strokes and the label's strength, moves the total up to the nearest such batch of at most `room`. */
function fitWater(total: number, wanted: Fraction, stroke: number, room: number): Measuring | null {
  const strokes = Math.max(1, new Fraction(total).mul(wanted).div(stroke).ceil().valueOf());
  const fittedTotal = new Fraction(strokes).mul(stroke).div(wanted);
  if (fittedTotal.compare(room) > 0) return null;
  const size = fittedTotal.valueOf();
  return { by: 'strokes, water fitted', strokes, ...measured(size, strokes * stroke, wanted) };
}

/** A given batch as it is measured: in whole strokes where the product is exactly that, else in ml. */
export function realise(total: number, product: number, wanted: Fraction, stroke: number | null): Measuring {
  const strokes = stroke === null || stroke <= 0 ? 0 : product / stroke;
  const whole = Math.round(strokes);
  const batch = measured(total, product, wanted);
  return whole >= 1 && Math.abs(strokes - whole) < 1e-9
    ? { by: 'strokes', strokes: whole, ...batch }
    : { by: 'millilitres', ...batch };
}

function measured(total: number, product: number, wanted: Fraction): Measured {
  const share = new Fraction(product).div(total);
  return {
    product: millilitres(product),
    water: millilitres(total - product),
    total: millilitres(total),
    realised: fromConcentration(share),
    error: strengthError(share, wanted).valueOf(),
  };
}

/**
 * The smallest volume at or above `need`, on a readable mark, within the room and what may be wasted, whose strokes come
 * out within 2 %. Null when there is none.
 */
export function tidyBatch(
  need: Millilitres,
  strength: Strength,
  stroke: Millilitres,
  vessel: { readonly graduation: Millilitres; readonly room: Millilitres },
  mostWaste = MOST_WASTE,
): { readonly total: Millilitres; readonly strokes: number } | null {
  const wanted = concentration(strength);
  const first = Math.max(1, Math.ceil(need / vessel.graduation));
  const room = Math.min(vessel.room, Math.max(first * vessel.graduation, need * (1 + mostWaste)));
  for (let mark = first; mark * vessel.graduation <= room; mark++) {
    const total = mark * vessel.graduation;
    const strokes = wholeStrokes(total, wanted, stroke, TIDY_TOLERANCE);
    if (strokes !== null) return { total: millilitres(total), strokes };
  }
  return null;
}
