import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { kilograms, millilitres } from '../units';
import {
  bathAmounts,
  bathMix,
  learnDogFactor,
  levelOf,
  surfaceArea,
  usedMillilitres,
  volumeBelow,
  type Bottle,
} from '.';
import { productOf } from './tests/shelf';

const ml = millilitres;

describe('surface area', () => {
  // Published: weight to surface area table for dogs, Merck Veterinary Manual (values from memory).
  test.each([
    [5, 0.29],
    [10, 0.46],
    [20, 0.74],
    [30, 0.96],
    [40, 1.17],
    [50, 1.36],
  ])('a dog of %s kg has %s m² of skin', (weight, printed) => {
    const allowed = Math.max(printed * 0.02, 0.015);
    expect(Math.abs(surfaceArea(kilograms(weight)) - printed)).toBeLessThanOrEqual(allowed);
  });
});

const lather = {
  weight: kilograms(10),
  length: 'short',
  density: 'ordinary',
  productFactor: 1,
  dogFactor: 1,
  washes: 2,
} as const;

describe('how much mix', () => {
  test('10 kg, short coat: 10.1 · 10000^(2/3) / 10000 · 800 = 375 ml, half for the second wash (worked by hand)', () => {
    const amounts = bathAmounts(lather);
    expect(amounts.wash1.body + amounts.wash1.face).toBeCloseTo(375.03, 1);
    expect(amounts.wash2.body + amounts.wash2.face).toBeCloseTo(187.51, 1);
    expect(amounts.wash1.face).toBeCloseTo(30.0, 1);
    expect(amounts.conditioner).toBeCloseTo(187.51, 1);
  });

  test('one wash makes no second', () => {
    expect(bathAmounts({ ...lather, washes: 1 }).wash2).toEqual({ body: 0, face: 0 });
  });

  test('a heavier dog never needs less', () => {
    const weight = fc.double({ min: 0.5, max: 120, noNaN: true });
    fc.assert(
      fc.property(weight, weight, (a, b) => {
        const [light, heavy] = [Math.min(a, b), Math.max(a, b)];
        expect(bathAmounts({ ...lather, weight: kilograms(heavy) }).wash1.body).toBeGreaterThanOrEqual(
          bathAmounts({ ...lather, weight: kilograms(light) }).wash1.body,
        );
      }),
    );
  });

  test('taps turn into millilitres', () => {
    expect(usedMillilitres('as planned', ml(300))).toBe(300);
    expect(usedMillilitres('a bit more', ml(300))).toBe(375);
    expect(usedMillilitres('double', ml(300))).toBe(600);
    expect(usedMillilitres(ml(320), ml(300))).toBe(320);
  });
});

describe("this dog's own factor", () => {
  const lesson = (used: number, predicted = 100) => ({ used: ml(used), predicted: ml(predicted), complete: true });

  test('nothing learned is exactly 1', () => {
    expect(learnDogFactor([])).toBe(1);
    expect(learnDogFactor([{ ...lesson(400), complete: false }, lesson(0)])).toBe(1);
  });

  test('one double bath moves it by 2^(1/4)', () => {
    expect(learnDogFactor([lesson(200)])).toBeCloseTo(2 ** 0.25, 12);
  });

  test('it stays within 0.5 and 2, and follows the record', () => {
    const many = (used: number) => Array.from({ length: 40 }, () => lesson(used));
    expect(learnDogFactor(many(900))).toBe(2);
    expect(learnDogFactor(many(10))).toBe(0.5);
    expect(learnDogFactor(many(130))).toBeCloseTo(1.3 ** (40 / 43), 12);
  });
});

describe('the bath in bottles', () => {
  const bottle = (id: string, line: number, graduation: number | null): Bottle => ({
    id,
    name: `${line} ml`,
    brim: ml(line * 1.1),
    line: ml(line),
    graduation: graduation === null ? null : ml(graduation),
  });
  const bottles = [bottle('m', 500, 50), bottle('l', 1000, 50), bottle('s', 250, null)];
  const product = productOf('cleansing', { name: 'Deep clean concentrate' });

  test('375 ml at 24:1 goes into the 500 ml bottle: 20 ml, four strokes', () => {
    const mixed = bathMix(ml(400), product, bottles, ml(5));
    expect(mixed).toMatchObject({ kind: 'mixed', bottle: { id: 'm' }, how: { by: 'strokes', strokes: 4, total: 500 } });
  });

  test('the smallest bottle without marks is filled to its line', () => {
    expect(bathMix(ml(200), product, bottles, ml(5))).toMatchObject({
      bottle: { id: 's' },
      how: { total: 250, strokes: 2 },
    });
  });

  test('more than the largest bottle is made in equal batches', () => {
    const mixed = bathMix(ml(1500), product, bottles, ml(5));
    expect(mixed).toMatchObject({ kind: 'several batches', batches: 2, bottle: { id: 'l' } });
  });

  test('ready to use is not mixed; no bottle and no need are refused in words', () => {
    expect(bathMix(ml(200), { ...product, dilution: { kind: 'ready to use' } }, [], null)).toEqual({
      kind: 'as it is',
      need: 200,
    });
    expect(bathMix(ml(200), product, [], null)).toEqual({ kind: 'no bottle', need: 200 });
  });

  test('a bottle whose line stands above its last mark is filled to the mark', () => {
    const odd = { id: 'o', name: 'odd', brim: ml(300), line: ml(257), graduation: ml(50) };
    // 231 and a tenth are 254.1: within the line, above the last mark at 250. So it is made twice.
    expect(bathMix(ml(231), product, [odd], null)).toMatchObject({ batches: 2, how: { total: 150 } });
    expect(bathMix(ml(225), product, [odd], null)).toMatchObject({ kind: 'mixed', how: { total: 250 } });
  });

  test('nothing to mix is an error of the caller', () => {
    expect(() => bathMix(ml(0), product, bottles, null)).toThrow('0 ml');
  });

  test('the made mix always covers the need with its reserve and never passes the line', () => {
    const need = fc.integer({ min: 20, max: 4000 });
    const stroke = fc.constantFrom(2, 5, 8, 30, null);
    fc.assert(
      fc.property(need, stroke, fc.constantFrom('cleansing', 'medicated'), (needed, size, kind) => {
        const made = bathMix(ml(needed), { ...product, kind }, bottles, size === null ? null : ml(size));
        if (made.kind === 'as it is' || made.kind === 'no bottle') throw new Error('should be mixed');
        const batches = made.kind === 'mixed' ? 1 : made.batches;
        expect(made.how.total * batches).toBeGreaterThanOrEqual(needed * 1.1 - 1e-6);
        expect(made.how.total).toBeLessThanOrEqual(made.bottle.line + 1e-9);
      }),
    );
  });

  test('levels are to scale: volume to height and back', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1000, noNaN: true }), (volume) => {
        expect(volumeBelow(levelOf(ml(volume), ml(1000)), ml(1000))).toBeCloseTo(volume, 6);
      }),
    );
    expect(levelOf(ml(0), ml(1000))).toBe(0);
    expect(levelOf(ml(1000), ml(1000))).toBeCloseTo(1, 9);
  });
});
