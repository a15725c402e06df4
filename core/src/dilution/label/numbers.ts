import Fraction from 'fraction.js';

/** A number as printed: "50", "2.5", "2,5", "1,000", "1 000". */
export const NUMBER = String.raw`(?:\d{1,3}(?:[.,'’]\d{3})+(?!\d)|\d{1,5}(?:[.,]\d{1,3})?)`;

/** A measure may be a broken number, too: "1/4", "1 1/2". */
export const MEASURE_NUMBER = String.raw`(?:\d{1,3}\s\d{1,2}\/\d{1,2}|\d{1,3}\/\d{1,2}(?!\d)|${NUMBER})`;

const THOUSANDS = /^[1-9]\d{0,2}(?:[.,'’]\d{3})+$/;

/** Whether its sign may part thousands or decimals: "1,000" is a thousand, or one. */
export const isEitherWay = (text: string): boolean => THOUSANDS.test(text);

/**
 * What a printed number may be: one value, or two where its sign may part thousands or decimals ("1,000" is 1000 or 1).
 * Throws `RangeError` for a division by nothing.
 */
export function valuesOf(text: string): readonly Fraction[] {
  const broken = /^(?:(\d+)\s)?(\d+)\/(\d+)$/.exec(text);
  if (broken) {
    const [, whole = '0', above = '0', below = '1'] = broken;
    if (Number(below) === 0) throw new RangeError(`"${text}" divides by nothing.`);
    return [new Fraction(Number(above), Number(below)).add(Number(whole))];
  }
  if (!isEitherWay(text)) return [new Fraction(text.replace(',', '.'))];
  const grouped = new Fraction(text.replaceAll(/[.,'’]/g, ''));
  const once = text.match(/[.,'’]/g)?.length === 1 && /[.,]/.test(text);
  return once ? [grouped, new Fraction(text.replace(',', '.'))] : [grouped];
}

const BROKEN: Readonly<Record<string, string>> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
};

/**
 * A print in plain letters: lower case, full-width digits and signs as ordinary ones, "½" as "1/2", every dash "-", every
 * ratio sign ":".
 */
export const plainPrint = (printed: string): string =>
  printed
    .replaceAll(/[½⅓⅔¼¾⅛]/g, (sign) => ` ${BROKEN[sign] ?? sign}`)
    .normalize('NFKC')
    .toLowerCase()
    .replaceAll(/[∶꞉︓]/g, ':')
    .replaceAll(/[‐‑‒–—−]/g, '-')
    .replaceAll('⁄', '/')
    .replaceAll(/\s+/g, ' ')
    .trim();
