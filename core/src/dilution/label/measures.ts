import Fraction from 'fraction.js';

/** Litre and ounce in millilitres, exact: a US gallon is 231 cubic inches (published: NIST Handbook 44, Appendix C). */
const GALLON = new Fraction('3785.411784');

interface Measure {
  /** As printed, after {@link plainPrint}. */
  readonly print: string;
  readonly ml: Fraction;
}

/** Measures that labels are printed in. Ounces, cups and spoons are US measures. */
const MEASURES: readonly Measure[] = [
  { print: String.raw`ml|millilit(?:re|er)s?|cc`, ml: new Fraction(1) },
  { print: String.raw`cl|centilit(?:re|er)s?`, ml: new Fraction(10) },
  { print: String.raw`l|lt|ltr|lit(?:re|er)s?`, ml: new Fraction(1000) },
  { print: String.raw`fl\.? ?oz\.?|oz\.?|(?:us )?(?:fluid )?ounces?`, ml: GALLON.div(128) },
  { print: String.raw`gal\.?|gals|(?:us )?gallons?`, ml: GALLON },
  { print: String.raw`quarts?|qt\.?`, ml: GALLON.div(4) },
  { print: String.raw`pints?|pt\.?`, ml: GALLON.div(8) },
  { print: String.raw`cups?`, ml: GALLON.div(16) },
  { print: String.raw`tbsp\.?|tbs\.?|tablespoons?`, ml: GALLON.div(256) },
  { print: String.raw`tsp\.?|teaspoons?`, ml: GALLON.div(768) },
];

/** A pump's stroke has no size of its own. */
const STROKE = String.raw`pumps?|strokes?|squirts?`;

const oneOf = (prints: readonly string[]) => `(?:${prints.join('|')})`;
/** Longer prints first, so that "litre" is not read as "l". */
const ALL = MEASURES.flatMap(({ print }) => print.split(/\|(?![^(]*\))/)).toSorted((a, b) => b.length - a.length);

/** Of water or mix. */
export const VESSEL = oneOf(ALL);
/** Of product: strokes as well. */
export const POURED = oneOf([...STROKE.split('|'), ...ALL]);

/** Millilitres of one such measure; null: a stroke, whose size only its pump knows. */
export function mlOf(print: string): Fraction | null {
  if (new RegExp(`^(?:${STROKE})$`).test(print)) return null;
  const its = MEASURES.find((each) => new RegExp(`^(?:${each.print})$`).test(print));
  if (!its) throw new RangeError(`"${print}" is no measure we know.`);
  return its.ml;
}
