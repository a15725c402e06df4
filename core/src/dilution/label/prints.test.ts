import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { readLabel, type LabelContext, type LabelReading, type Reading } from '..';

/** "24", "10–32" for a range. */
const parts = ({ strength, range }: Reading): string =>
  range ? `${range.strongest.water.toFraction()}–${range.weakest.water.toFraction()}` : strength.water.toFraction();
const told = (reading: LabelReading): string => {
  if (reading.kind === 'read') return parts(reading.reading);
  if (reading.kind === 'ask which') return `${reading.readings.map(parts).join(' | ')}${reading.byHabit ? '' : ' ?'}`;
  return reading.kind;
};
const ASK = 'ask for the dilution';

/**
 * Prints as they stand on bottles, and parts of water to one of product: one number is read outright, "a | b" asks with the
 * business's habit first, "a | b ?" asks always (common practice, no source).
 */
const PRINTS: readonly (readonly [print: string, told: string])[] = [
  // Water to product.
  ['50:1', '50'],
  ['50 : 1', '50'],
  ['50 to 1', '50'],
  ['50/1', '50'],
  ['32:1', '32'],
  ['3:2', '3/2'],
  ['100:2', '50'],
  ['1:1', '1'],
  ['16:1 concentrate', '16'],
  ['16:1 concentrated', '16'],
  ['Dilution ratio 24:1', '24'],
  ['Dilute 24:1 with water', '24'],
  ['Mix 10:1', '10'],
  ['up to 32:1', '32'],
  ['Up to 50 to 1', '50'],
  ['50∶1', '50'],
  ['５０：１', '50'],
  ['24 : 1.', '24'],
  ['7.5:1', '15/2'],
  ['7,5:1', '15/2'],
  ['10:1 for dirty coats', '10'],
  ['about 20:1', '20'],
  // Product to water, by habit of the trade.
  ['1:50', '50 | 49'],
  ['1 : 4', '4 | 3'],
  ['1/50', '50 | 49'],
  ['1 to 50', '50 | 49'],
  ['1∶10', '10 | 9'],
  ['１：３２', '32 | 31'],
  ['dilute 1:32', '32 | 31'],
  ['1:9.5', '19/2 | 17/2'],
  // More product than water, read as it stands.
  ['2:100', '50 | 49 ?'],
  ['5:95', '19 | 18 ?'],
  ['10/100', '10 | 9 ?'],
  ['1.5:10', '20/3 | 17/3 ?'],
  ['2:3', '3/2 | 1/2 ?'],
  ['0.5:1', '1/2 | 2 ?'],
  ['60 %', ASK],
  ['1 in 1.5', ASK],
  // A sign that parts thousands or decimals.
  ['1,000:1', '1000 | 1 ?'],
  ['1.000:1', '1000 | 1 ?'],
  ['1:1,000', '1000 | 999 | 1 ?'],
  ['1.250:1', 'unreadable'],
  // In all.
  ['1 in 50', '49'],
  ['1 in 4', '3'],
  ['1 part in 4', '3'],
  ['1 part in 10 parts', '9'],
  ['1in20', '19'],
  ['1 in 10 to 1 in 32', '9–31'],
  ['1 in 11 – 1 in 33', '10–32'],
  ['1 in 10-20', '9–19'],
  // Said in words or by "+".
  ['1 part to 9 parts water', '9'],
  ['1 part product to 9 parts of water', '9'],
  ['1 part shampoo: 16 parts water', '16'],
  ['9 parts water to 1 part product', '9'],
  ['24 parts of water to 1 part concentrate', '24'],
  ['1 + 24', '24'],
  ['1+9', '9'],
  ['24 + 1', '24'],
  // Ranges.
  ['10:1 to 32:1', '10–32'],
  ['10:1 - 32:1', '10–32'],
  ['32:1-10:1', '10–32'],
  ['10–20:1', '10–20'],
  ['10 to 20:1', '10–20'],
  ['10:1 or 20:1', '10–20'],
  ['1:10 to 1:32', '10–32 | 9–31'],
  ['1:10 or 1:20', '10–20 | 9–19'],
  ['1:10-20', '10–20 | 9–19'],
  ['1:10-1:32', '10–32 | 9–31'],
  ['1:32 (1:16 for very dirty coats)', '16–32 | 15–31'],
  ['32:1 (16:1 for heavy soiling)', '16–32'],
  ['1–2 %', '49–99'],
  ['2 % to 4 %', '24–49'],
  ['20-40 ml/l', '25–50 | 24–49'],
  // Per cent.
  ['2 %', '49'],
  ['2%', '49'],
  ['3%', '97/3'],
  ['2,5 %', '39'],
  ['2 per cent', '49'],
  ['2 percent solution', '49'],
  ['2 % product', '49'],
  ['use at 4 %', '24'],
  ['4 % chlorhexidine', ASK],
  ['chlorhexidine 4 %', ASK],
  ['Chlorhexidine gluconate 4%', ASK],
  ['contains 2 % miconazole', ASK],
  ['aloe vera 2 %', ASK],
  // Two ratios at once.
  ['2 % 50:1', '49 | 50 ?'],
  ['50:1 (2 %)', '50 | 49 ?'],
  ['10:1 32:1', '10 | 32 ?'],
  ['1 in 50 (20 ml/l)', '49 | 50 ?'],
  // Measures.
  ['20 ml/l', '50 | 49'],
  ['20ml per litre', '50 | 49'],
  ['20 ml to a litre', '50 | 49'],
  ['50 ml per litre of water', '20'],
  ['10 ml per 500 ml', '50 | 49'],
  ['10 ml in 500 ml water', '50'],
  ['25 ml in 500 ml of mix', '19'],
  ['4 oz/gal', '32 | 31'],
  ['4 fl oz per gallon', '32 | 31'],
  ['8 oz per gallon of water', '16'],
  ['1/4 cup per gallon', '64 | 63'],
  ['½ cup per gallon', '32 | 31'],
  ['1 ½ cups per gallon of water', '32/3'],
  ['2 tbsp per quart', '32 | 31'],
  ['1 teaspoon per pint', '96 | 95'],
  ['3 pumps per 500 ml', ASK],
  // As it is.
  ['Ready to use', 'ready to use'],
  ['Ready-to-use', 'ready to use'],
  ['RTU', 'ready to use'],
  ['neat', 'ready to use'],
  ['Use undiluted', 'ready to use'],
  ['do not dilute', 'ready to use'],
  ['use as is', 'ready to use'],
  // No ratio.
  ['', 'unreadable'],
  ['abc', 'unreadable'],
  ['50', 'unreadable'],
  ['50:0', 'unreadable'],
  ['0:1', 'unreadable'],
  ['1:0', 'unreadable'],
  ['0 %', 'unreadable'],
  ['100 %', 'unreadable'],
  ['1 in 1', 'unreadable'],
  ['5000:1', 'unreadable'],
  ['-50:1', 'unreadable'],
  ['50:1 abc', 'unreadable'],
  ['10:1 to strong', 'unreadable'],
  ['0:1 to 10:1', 'unreadable'],
  ['10:1 to 20:1 to 30:1', 'unreadable'],
  ['1/0 cup per gallon', 'unreadable'],
];

describe('prints of labels', () => {
  test.each(PRINTS)('%s: %s', (print, expected) => {
    expect(told(readLabel(print))).toBe(expected);
  });

  test('there are over a hundred of them', () => {
    expect(PRINTS.length).toBeGreaterThan(100);
  });

  const business: LabelContext = { medicated: false, oneToN: 'N parts in all' };
  test.each([
    ['1:50', '49 | 50'],
    ['1:10 to 1:32', '9–31 | 10–32'],
    ['2:100', '49 | 50 ?'],
    ['20 ml/l', '50 | 49'],
  ])('in a business that reads 1:N as N parts in all, %s: %s', (print, expected) => {
    expect(told(readLabel(print, business))).toBe(expected);
  });

  test.each([
    ['2 %', ASK],
    ['1-2 %', ASK],
    ['2 % 50:1', ASK],
    ['9:1', '9'],
    ['1:4', '4 | 3'],
  ])('on a medicated product "%" is never a dilution: %s: %s', (print, expected) => {
    expect(told(readLabel(print, { medicated: true, oneToN: 'N parts water' }))).toBe(expected);
  });

  test('printed in pumps it is read once the pump is calibrated: 3 × 4 ml in half a litre', () => {
    const read = readLabel('3 pumps per 500 ml', { medicated: false, oneToN: 'N parts water', strokeMl: 4 });
    expect(told(read)).toBe('125/3 | 122/3');
    const words = readLabel('3 pumps per 500 ml');
    expect(words).toMatchObject({ why: expect.stringMatching(/Calibrate its pump/) as string });
  });

  test('4 oz to the gallon is 1 in 32 parts of water (published: NIST Handbook 44, 128 fluid ounces to the gallon)', () => {
    const read = readLabel('4 oz/gal');
    expect(read.kind === 'ask which' && read.readings.map(({ words }) => words)).toEqual([
      '4 oz in a gal of water',
      '4 oz in a gal of mix',
    ]);
  });

  test('no text makes it throw, and nothing is read outright as more product than water', () => {
    const letters = fc.constantFrom(...'0123456789:/%.,+-() ½ tomlingal∶');
    const looksLike = fc.array(letters, { maxLength: 16 }).map((list) => list.join(''));
    fc.assert(
      fc.property(fc.oneof(fc.string(), looksLike, fc.string({ unit: 'grapheme' })), (text) => {
        const read = readLabel(text);
        if (read.kind === 'read') expect(read.reading.strength.water.valueOf()).toBeGreaterThanOrEqual(1);
      }),
      { numRuns: 5000 },
    );
  });
});
