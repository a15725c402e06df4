import Fraction from 'fraction.js';
import { POURED, VESSEL, mlOf } from './measures';
import { MEASURE_NUMBER, NUMBER, isEitherWay, valuesOf } from './numbers';

/** One way to take a ratio: parts of water to one of product, and how one says it; null: by the number alone. */
export interface RatioWay {
  readonly water: Fraction;
  readonly words: string | null;
}

/** One ratio as printed: its ways at each end. A single ratio has the same ways at both. */
export interface Phrase {
  readonly form: 'ratio' | 'percent' | 'measure';
  readonly strong: readonly RatioWay[];
  readonly weak: readonly RatioWay[];
  /** The ways differ by a habit of the trade; else a person must always say. */
  readonly byHabit: boolean;
}

export interface PhraseContext {
  readonly oneToN: 'N parts water' | 'N parts in all';
  /** Ml of one stroke of its pump, where that is known. */
  readonly strokeMl: number | null;
}

/** How one ratio is printed, and what it says. First match wins. */
interface Form {
  readonly pattern: RegExp;
  readonly reads: (found: Readonly<Record<string, string | undefined>>, context: PhraseContext) => Phrase;
}

const form = (pattern: string, reads: Form['reads']): Form => ({ pattern: new RegExp(pattern, 'y'), reads });
const number = (name: string, print = NUMBER) => `(?<${name}>${print})`;
const BETWEEN = String.raw`\s*(?:-|\bto\b)\s*`;
const PRODUCT = String.raw`(?:\s*(?:of\s)?(?:product|shampoo|conditioner|concentrate))?`;
const OF_WATER = String.raw`\s*(?:of\s)?(?:(?:warm|clean|lukewarm)\s)?water`;
const OF_MIX = String.raw`\s*(?:of\s)?(?:mix|mixture|solution|ready mix|in all|made up)`;
/** No further digit, no second ":". */
const ENDS = String.raw`(?![\d.,]*\d|\s*[:/]\s*\d)`;

const plain = (water: Fraction): RatioWay => ({ water, words: null });
/** Every pairing of what two prints may be. */
const pairs = (a: string, b: string): [Fraction, Fraction][] =>
  valuesOf(a).flatMap((first) => valuesOf(b).map((second): [Fraction, Fraction] => [first, second]));
const same = (ways: readonly RatioWay[]) => ({ strong: ways, weak: ways });

function assertNotZero(first: Fraction, second: Fraction): void {
  if (first.equals(0) || second.equals(0))
    throw new RangeError('The ratio has a zero in it; a dilution has some of each.');
}

/** "1:50" and its like: so much water, or so much in all; the business's habit first. */
function oneToN(n: Fraction, { oneToN: habit }: PhraseContext): readonly RatioWay[] {
  const ways = [plain(n), plain(n.sub(1))];
  return habit === 'N parts water' ? ways : ways.toReversed();
}

/** "50:1", "3:2"; where product would be more than water it is the other way round, or so much in all. */
function ratio(first: string, second: string, context: PhraseContext): Phrase {
  const either = isEitherWay(first) || isEitherWay(second);
  const ways = pairs(first, second).flatMap(([a, b]) => {
    assertNotZero(a, b);
    if (a.compare(b) >= 0) return [plain(a.div(b))];
    if (b.equals(1)) return [plain(a), plain(b.div(a))];
    return oneToN(b.div(a), context);
  });
  const printedOne = valuesOf(first).every((value) => value.equals(1));
  return { form: 'ratio', ...same(ways), byHabit: printedOne && !either };
}

/** "20 ml/l", "4 oz/gal", "3 pumps per 500 ml": in so much water, or in so much mix. */
function measure(found: Readonly<Record<string, string | undefined>>, { strokeMl }: PhraseContext): Phrase {
  const { least = '', most = least, poured = '', vessel = '', water, mix } = found;
  const volume = found['volume'] ?? '1';
  const one = mlOf(poured) ?? (strokeMl !== null && strokeMl > 0 ? new Fraction(strokeMl) : null);
  if (one === null)
    throw new AskForDilution(`How much one stroke gives is not printed. Calibrate its pump, or say the dilution.`);
  const either = [least, most, volume].some(isEitherWay);
  const end = (amount: string): RatioWay[] =>
    pairs(amount, volume).flatMap(([product, of]) => {
      assertNotZero(product, of);
      const parts = (mlOf(vessel) ?? new Fraction(1)).mul(of).div(one.mul(product));
      const says = (what: string) => `${amount} ${poured} in ${volume === '1' ? 'a' : volume} ${vessel} of ${what}`;
      const inWater = { water: parts, words: says('water') };
      const inMix = { water: parts.sub(1), words: says('mix') };
      return water ? [inWater] : mix ? [inMix] : [inWater, inMix];
    });
  return { form: 'measure', strong: end(most), weak: end(least), byHabit: !either };
}

/** A "%" is product in all; more than one value only where its sign is open. */
const percent = (amount: string): readonly RatioWay[] =>
  valuesOf(amount).map((value) => {
    if (value.equals(0)) throw new RangeError('0 % holds no product.');
    return plain(new Fraction(100).div(value).sub(1));
  });

const oneIn = (n: string): readonly RatioWay[] => valuesOf(n).map((value) => plain(value.sub(1)));

/** What a person has to say, for no print tells it. */
export class AskForDilution extends RangeError {}

export const FORMS: readonly Form[] = [
  form(
    `${number('least', MEASURE_NUMBER)}(?:${BETWEEN}${number('most', MEASURE_NUMBER)})?\\s*(?<poured>${POURED})${PRODUCT}` +
      String.raw`\s*(?:\/|:|\bper\b|\bto\b|\bin\b|\bfor\b)\s*(?:(?:a|an|one|each|every)\s)?` +
      `(?:${number('volume', MEASURE_NUMBER)}\\s*)?(?<vessel>${VESSEL})(?![a-z])(?:(?<water>${OF_WATER})|(?<mix>${OF_MIX}))?`,
    measure,
  ),
  form(`${number('least')}${BETWEEN}${number('most')}\\s*(?:%|per ?cent)`, ({ least = '', most = '' }) => ({
    form: 'percent',
    strong: percent(most),
    weak: percent(least),
    byHabit: false,
  })),
  form(`${number('amount')}\\s*(?:%|per ?cent)`, ({ amount = '' }) => ({
    form: 'percent',
    ...same(percent(amount)),
    byHabit: false,
  })),
  // "1 part to 9 parts water": said in words, nothing to ask.
  form(
    `${number('product')}\\s*parts?${PRODUCT}\\s*(?:to|in|with|and|plus|per|:|\\+|/)\\s*${number('water')}(?:\\s*parts?)?${OF_WATER}`,
    ({ product = '', water = '' }) => ({ form: 'ratio', ...same(pairs(water, product).map(share)), byHabit: false }),
  ),
  form(
    `${number('water')}\\s*parts?${OF_WATER}\\s*(?:to|with|and|plus|per|:|\\+|/)\\s*${number('product')}(?:\\s*parts?)?${PRODUCT}`,
    ({ product = '', water = '' }) => ({ form: 'ratio', ...same(pairs(water, product).map(share)), byHabit: false }),
  ),
  // "1 + 24": one of product and 24 of water.
  form(`${number('a')}\\s*\\+\\s*${number('b')}`, ({ a = '', b = '' }) => ({
    form: 'ratio',
    ...same(pairs(a, b).map(([x, y]) => (x.compare(y) > 0 ? share([x, y]) : share([y, x])))),
    byHabit: false,
  })),
  form(`1\\s*(?:parts?\\s*)?in\\s*${number('least')}${BETWEEN}${number('most')}${ENDS}(?!\\s*in)`, (found) => ({
    form: 'ratio',
    strong: oneIn(found['least'] ?? ''),
    weak: oneIn(found['most'] ?? ''),
    byHabit: false,
  })),
  form(`1\\s*(?:parts?\\s*)?in\\s*${number('n')}(?:\\s*parts?)?`, ({ n = '' }) => ({
    form: 'ratio',
    ...same(oneIn(n)),
    byHabit: false,
  })),
  // "10-20:1" and "1:10-20": two ends that share their one.
  form(`${number('least')}${BETWEEN}${number('most')}\\s*:\\s*1${ENDS}`, ({ least = '', most = '' }, context) => ({
    form: 'ratio',
    strong: ratio(least, '1', context).strong,
    weak: ratio(most, '1', context).weak,
    byHabit: false,
  })),
  form(`1\\s*:\\s*${number('least')}${BETWEEN}${number('most')}${ENDS}`, ({ least = '', most = '' }, context) => ({
    form: 'ratio',
    strong: ratio('1', least, context).strong,
    weak: ratio('1', most, context).weak,
    byHabit: true,
  })),
  form(
    `${number('first')}(?:\\s*parts?)?\\s*(?::|\\bto\\b|/)\\s*${number('second')}(?:\\s*parts?)?`,
    (found, context) => ratio(found['first'] ?? '', found['second'] ?? '', context),
  ),
];

function share([water, product]: readonly [Fraction, Fraction]): RatioWay {
  assertNotZero(water, product);
  return plain(water.div(product));
}
