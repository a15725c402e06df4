import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  ML_PER_FLUID_OUNCE,
  addDays,
  day,
  daysBetween,
  isDay,
  kilograms,
  millilitres,
  showInColumn,
  showProduct,
  showVolume,
  showWeight,
  volumeFrom,
  volumeIn,
  yearsOld,
} from '.';

describe('volumes and weights', () => {
  test('a US fluid ounce is 29.5735295625 ml (published: NIST Handbook 44, Appendix C)', () => {
    expect(ML_PER_FLUID_OUNCE).toBeCloseTo(29.5735295625, 10);
  });

  test('a US gallon of 128 fluid ounces is 231 cubic inches of 25.4 mm, exactly (published: NIST Handbook 44, Appendix C)', () => {
    // (25.4 mm)³ = 16 387.064 mm³; times 231 = 3 785 411.784 mm³: 3.785411784 litres.
    expect(volumeFrom(128, 'US')).toBeCloseTo(3785.411784, 9);
    expect(volumeIn(millilitres(3785.411784), 'US')).toBe(128);
  });

  test.each([
    [9.8, 'metric', '9.8 ml'],
    [505.2, 'metric', '505 ml'],
    [999, 'metric', '999 ml'],
    [1000, 'metric', '1 l'],
    [2500, 'metric', '2.5 l'],
    [9.8, 'US', '9.8 ml'],
    [29.5735295625, 'US', '1 fl oz'],
    [500, 'US', '16.9 fl oz'],
    [3785.411784, 'US', '128 fl oz'],
  ] as const)('%s ml in %s reads %s', (volume, system, words) => {
    expect(showVolume(millilitres(volume), system)).toBe(words);
  });

  test('in a column and on an axis one unit stands throughout', () => {
    const column = [0, 20, 40, 80].map((ml) => showInColumn(millilitres(ml), 'US'));
    expect(column).toEqual(['0 fl oz', '0.68 fl oz', '1.35 fl oz', '2.71 fl oz']);
    expect(showInColumn(millilitres(20), 'metric')).toBe('20 ml');
  });

  test.each([
    [9.804, 'metric', '9.8 ml'],
    [3.333, 'metric', '3.33 ml'],
    [45.45, 'metric', '45.5 ml'],
    [125, 'metric', '125 ml'],
    [9.804, 'US', '9.8 ml'],
    [30.9, 'US', '1.04 fl oz'],
  ] as const)('product is one digit finer: %s ml in %s reads %s', (volume, system, words) => {
    expect(showProduct(millilitres(volume), system)).toBe(words);
  });

  test.each(['metric', 'US'] as const)(
    'in %s what is shown keeps a mix within the 2 % that is asked of it',
    (system) => {
      const read = (words: string) =>
        Number.parseFloat(words) * (words.endsWith('fl oz') ? ML_PER_FLUID_OUNCE : words.endsWith(' l') ? 1000 : 1);
      fc.assert(
        fc.property(fc.integer({ min: 50, max: 40_000 }), fc.integer({ min: 3, max: 100 }), (total, water) => {
          const product = total / (water + 1);
          fc.pre(product >= 1);
          const shown = read(showProduct(millilitres(product), system)) / read(showVolume(millilitres(total), system));
          expect(Math.abs((shown * total) / product - 1)).toBeLessThan(0.02);
        }),
        { numRuns: 2000 },
      );
    },
  );

  test.each(['metric', 'US'] as const)('what is typed in %s comes back as it was typed', (system) => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 100_000 }), (hundredths) => {
        const typed = hundredths / 100;
        expect(volumeIn(volumeFrom(typed, system), system)).toBe(typed);
      }),
    );
    expect(volumeFrom(1, system)).toBeCloseTo(system === 'US' ? 29.5735295625 : 1, 10);
  });

  test('a dog of 14.2 kg is 31.3 lb', () => {
    expect(showWeight(kilograms(14.2), 'US')).toBe('31.3 lb');
  });

  test.each([0, -3, 400, Number.NaN, Number.POSITIVE_INFINITY])('no dog weighs %s kg', (weight) => {
    expect(() => kilograms(weight)).toThrow(RangeError);
  });

  test.each([-1, Number.NaN])('no bottle holds %s ml', (volume) => {
    expect(() => millilitres(volume)).toThrow(RangeError);
  });
});

describe('days', () => {
  test.each(['2026-02-30', '2026-13-01', '26-01-01', 'tomorrow', '', '2026-1-1'])('%s is no day', (text) => {
    expect(isDay(text)).toBe(false);
    expect(() => day(text)).toThrow(RangeError);
  });

  test('29 February exists in leap years only', () => {
    expect(isDay('2028-02-29')).toBe(true);
    expect(isDay('2027-02-29')).toBe(false);
  });

  test('adding days and counting them are inverse, across years and clock changes', () => {
    fc.assert(
      fc.property(fc.integer({ min: -2000, max: 2000 }), (count) => {
        const start = day('2026-03-28');
        expect(daysBetween(start, addDays(start, count))).toBe(count);
      }),
    );
  });

  test('a dog is one year older on its birthday, not the day before', () => {
    expect(yearsOld(day('2020-11-26'), day('2026-11-25'))).toBe(5);
    expect(yearsOld(day('2020-11-25'), day('2026-11-25'))).toBe(6);
  });
});
