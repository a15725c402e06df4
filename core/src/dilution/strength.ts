import Fraction from 'fraction.js';

/**
 * How strong a mix is, in the one canonical form: parts of water to one part of product, exact.
 * 50:1 has 50 parts of water; the concentration is 1/51.
 */
export interface Strength {
  readonly water: Fraction;
}

/** Weaker than this no label asks for; a larger number is a slip of the finger. */
export const WEAKEST_WATER_PARTS = 1000;

/** Parts of water from a number, "97/3" or a fraction. Throws `RangeError` unless over 0 and at most 1000. */
export function strengthOf(waterParts: number | string | Fraction): Strength {
  let water: Fraction;
  try {
    water = new Fraction(waterParts);
  } catch {
    throw new RangeError(`"${String(waterParts)}" is not a number of parts of water.`);
  }
  if (water.compare(0) <= 0 || water.compare(WEAKEST_WATER_PARTS) > 0) {
    throw new RangeError(
      `${showFraction(water)} parts of water to one of product is not a dilution; it takes more than 0 and at most ${WEAKEST_WATER_PARTS}.`,
    );
  }
  return { water };
}

/**
 * Share of product in the mix: 1/(w+1), exact.
 * @example
 * concentration(strengthOf(24)).toFraction() // '1/25'
 */
export const concentration = (strength: Strength): Fraction => strength.water.add(1).inverse();

/** The strength whose share of product is `share`. */
export const fromConcentration = (share: Fraction): Strength => strengthOf(share.inverse().sub(1));

/**
 * "50:1"; odd ratios to one decimal, "52.3:1".
 * @example
 * showStrength(strengthOf('97/3')) // '32.3:1'
 */
export const showStrength = (strength: Strength): string => `${showFraction(strength.water)}:1`;

/** As kept and sent: "97/3" parts of water. A shown ratio is rounded and never read back. */
export const exactParts = (strength: Strength): string => strength.water.toFraction();

const showFraction = (value: Fraction): string => String(Number(value.valueOf().toFixed(1)));

/** How much stronger (+) or weaker (−) `actual` is than `wanted`, as a share of the wanted concentration; exact. */
export const strengthError = (actual: Fraction, wanted: Fraction): Fraction => actual.div(wanted).sub(1);
