import fc from 'fast-check';
import Fraction from 'fraction.js';
import { describe, expect, test } from 'vitest';
import { millilitres } from '../units';
import {
  concentration,
  exactParts,
  labelMeaning,
  readingsOf,
  sayReading,
  cutMix,
  judgeStrength,
  measure,
  mix,
  readLabel,
  strengthError,
  strengthFrom,
  strengthOf,
  tidyBatch,
  topUp,
  type LabelContext,
  type RatioSaid,
} from '.';
import { productOf } from './tests/shelf';

const ml = millilitres;
const ratio = (water: number | string) => strengthOf(water);

test('the two readings of a ratio differ by 2 % at 50 and 25 % at 4 (common practice, worked in fractions)', () => {
  const gap = (n: number) => strengthError(concentration(ratio(n - 1)), concentration(ratio(n))).valueOf();
  expect(gap(50)).toBeCloseTo(0.02, 12);
  expect(gap(4)).toBeCloseTo(0.25, 12);
});

describe('what a label means', () => {
  const means = (
    label: string,
    waterParts: string | null,
    more: Partial<LabelContext> = {},
    range: RatioSaid['range'] = null,
  ) => {
    const read = readLabel(label, { medicated: false, oneToN: 'N parts water', ...more });
    const meaning = labelMeaning(read, waterParts === null ? null : { waterParts, range });
    if (meaning.kind !== 'diluted') return meaning.kind === 'refused' ? `refused at ${meaning.at}` : meaning.kind;
    const { strength, range: its } = meaning.dilution;
    return its
      ? `${exactParts(strength)} in ${its.strongest.water.toFraction()}–${its.weakest.water.toFraction()}`
      : exactParts(strength);
  };

  test.each([
    ['50:1', null, '50'],
    ['50:1', '50', '50'],
    ['50:1', '49', 'refused at waterParts'],
    ['1:4', null, '4'],
    ['1:4', '3', '3'],
    ['1:4', '5', 'refused at waterParts'],
    ['2:100', null, 'to be said'],
    ['2:100', '49', '49'],
    ['10:1 to 32:1', null, '32 in 10–32'],
    ['10:1 to 32:1', '97/3', 'refused at waterParts'],
    ['10:1 to 32:1', '31', '31 in 10–32'],
    ['10:1 to 32:1', '5', 'refused at waterParts'],
    ['1:10 to 1:32', '24', '24 in 10–32'],
    ['1:10 to 1:32', '9', '9 in 9–31'],
    ['4 % chlorhexidine', null, 'to be said'],
    ['4 % chlorhexidine', '9', '9'],
    ['ready to use', null, 'ready to use'],
    ['ready to use', '9', 'refused at waterParts'],
    ['abc', '9', 'refused at label'],
    ['50:1', 'x', 'refused at waterParts'],
  ])('"%s", %s said: %s', (label, said, meaning) => {
    expect(means(label, said)).toBe(meaning);
  });

  test('of two ranges that both hold it the one that was saved counts', () => {
    expect(means('1:10 to 1:32', '24', {}, { strongest: '9', weakest: '31' })).toBe('24 in 9–31');
  });

  test('saying a reading gives that reading back, whatever the print', () => {
    for (const label of ['50:1', '1:4', '2:100', '1:10-20', '3 %', '20 ml/l', '4 oz/gal']) {
      const read = readLabel(label);
      for (const reading of readingsOf(read))
        expect(labelMeaning(read, sayReading(reading))).toMatchObject({ kind: 'diluted', reading });
    }
  });
});

describe('mixing', () => {
  test('500 ml at 50:1 takes 9.8 ml: 500/51 (worked example)', () => {
    expect(mix(ml(500), ratio(50)).product).toBeCloseTo(500 / 51, 10);
    expect(concentration(ratio(50)).toFraction()).toBe('1/51');
  });

  const anyVolume = fc.integer({ min: 1, max: 20_000 });
  const anyWater = fc
    .tuple(fc.integer({ min: 1, max: 9000 }), fc.integer({ min: 9, max: 9 }))
    .map(([n, d]) => new Fraction(n, d));

  test('product and water add up to the total', () => {
    fc.assert(
      fc.property(anyVolume, anyWater, (volume, water) => {
        const made = mix(ml(volume), strengthOf(water));
        expect(made.product + made.water).toBeCloseTo(volume, 8);
        expect(made.water / made.product).toBeCloseTo(water.valueOf(), 6);
      }),
    );
  });

  test('cutting twice is cutting once', () => {
    fc.assert(
      fc.property(anyVolume, fc.tuple(anyWater, anyWater, anyWater), (volume, waters) => {
        const [first, second, third] = waters.map(strengthOf).toSorted((a, b) => a.water.compare(b.water));
        if (!first || !second || !third) throw new Error('three strengths');
        const once = cutMix(ml(volume), first, third);
        const half = cutMix(ml(volume), first, second);
        if (half.kind !== 'add water' || once.kind !== 'add water') throw new Error('refused');
        const twice = cutMix(half.total, second, third);
        if (twice.kind !== 'add water') throw new Error('refused');
        expect(twice.total / once.total).toBeCloseTo(1, 9);
      }),
    );
  });

  test('water never makes a mix stronger', () => {
    expect(cutMix(ml(500), ratio(50), ratio(20)).kind).toBe('refused');
  });

  test('300 ml of 24:1 topped up to 1 l of 49:1: 8 ml product, 692 ml water (1000/50 − 300/25)', () => {
    const leftOver = { volume: ml(300), strength: ratio(24), mixedAt: 1, discardAt: 100 };
    const topped = topUp(leftOver, ml(1000), ratio(49), 50);
    if (topped.kind !== 'topped up') throw new Error(topped.why);
    expect(topped.add.product).toBeCloseTo(8, 10);
    expect(topped.add.water).toBeCloseTo(692, 10);
    expect(topped.result).toMatchObject({ mixedAt: 1, discardAt: 100, volume: 1000 });
  });

  test('a left-over past its discard time, or holding too much of either, is refused', () => {
    const leftOver = { volume: ml(300), strength: ratio(4), mixedAt: 1, discardAt: 100 };
    expect(topUp(leftOver, ml(1000), ratio(4), 100).kind).toBe('refused');
    expect(topUp(leftOver, ml(400), ratio(50), 50).kind).toBe('refused');
    expect(topUp({ ...leftOver, strength: ratio(50) }, ml(310), ratio(4), 50).kind).toBe('refused');
    expect(topUp(leftOver, ml(200), ratio(4), 50).kind).toBe('refused');
  });

  test('mixing two equal mixes changes nothing', () => {
    const topped = topUp({ volume: ml(510), strength: ratio(50), mixedAt: 0, discardAt: 9 }, ml(1020), ratio(50), 1);
    expect(topped.kind === 'topped up' && topped.add).toEqual({ product: 10, water: 500 });
  });

  test('"two strokes of 5 ml in 510 ml: how strong is it?" 50:1', () => {
    expect(strengthFrom(ml(10), ml(510)).water.toFraction()).toBe('50');
    expect(() => strengthFrom(ml(0), ml(510))).toThrow(RangeError);
    expect(() => strengthFrom(ml(510), ml(510))).toThrow(RangeError);
  });
});

describe('pump strokes', () => {
  const ask = { strength: ratio(50), stroke: ml(5), medicated: false, room: ml(1000) };

  test('500 ml at 50:1 with a 5 ml pump is two strokes, 2 % over (10 ml against 500/51)', () => {
    expect(measure({ ...ask, total: ml(500) })).toMatchObject({ by: 'strokes', strokes: 2, product: 10 });
    expect(measure({ ...ask, total: ml(500) }).error).toBeCloseTo(0.02, 12);
  });

  test('exactly +5 % is accepted: limits are inclusive', () => {
    // 5 ml in 5·51/1.05 ml
    const total = ml((5 * 51) / 1.05);
    expect(measure({ ...ask, total: ml(Number(total)) }).by).not.toBe('millilitres');
    expect(
      measure({ strength: ratio(20), stroke: ml(1), medicated: false, room: ml(20), total: ml(20) }),
    ).toMatchObject({
      by: 'strokes',
      strokes: 1,
    });
  });

  test('a small bottle takes fitted water when there is room and little is thrown away, else millilitres', () => {
    expect(measure({ ...ask, total: ml(220) })).toMatchObject({ by: 'strokes, water fitted', strokes: 1, total: 255 });
    expect(measure({ ...ask, total: ml(220), room: ml(250) })).toMatchObject({ by: 'millilitres' });
    expect(measure({ ...ask, total: ml(200) })).toMatchObject({ by: 'millilitres', total: 200 });
    expect(measure({ ...ask, total: ml(200), mostWaste: 0.5 })).toMatchObject({
      by: 'strokes, water fitted',
      total: 255,
    });
  });

  test('110 ml of a 32:1 mix with a 30 ml pump are measured: a stroke would make a litre', () => {
    const pump = { strength: ratio(32), stroke: ml(30), medicated: false, room: ml(2000), total: ml(110) };
    expect(measure(pump)).toMatchObject({ by: 'millilitres', total: 110 });
    expect(measure({ ...pump, mostWaste: Infinity })).toMatchObject({ by: 'strokes, water fitted', total: 990 });
    expect(tidyBatch(ml(110), ratio(32), ml(30), { graduation: ml(10), room: ml(2000) })).toBeNull();
  });

  test('a medicated mix keeps within 2 %', () => {
    expect(measure({ ...ask, total: ml(490), medicated: true }).by).toBe('strokes, water fitted');
    expect(measure({ ...ask, total: ml(510), medicated: true }).by).toBe('strokes');
  });

  test('never zero strokes, always within the limits, and volumes add up', () => {
    const cases = fc.record({
      total: fc.integer({ min: 5, max: 5000 }),
      water: fc.integer({ min: 1, max: 100 }),
      stroke: fc.double({ min: 0.4, max: 30, noNaN: true }),
      medicated: fc.boolean(),
      spare: fc.integer({ min: 0, max: 2000 }),
    });
    fc.assert(
      fc.property(cases, ({ total, water, stroke, medicated, spare }) => {
        const how = measure({
          total: ml(total),
          strength: ratio(water),
          stroke: ml(stroke),
          medicated,
          room: ml(total + spare),
        });
        expect(how.product + how.water).toBeCloseTo(how.total, 6);
        expect(how.total).toBeLessThanOrEqual(total + spare + 1e-9);
        expect(how.error).toBeLessThanOrEqual((medicated ? 0.02 : 0.05) + 1e-12);
        expect(how.error).toBeGreaterThanOrEqual((medicated ? -0.02 : -0.1) - 1e-12);
        if (how.by !== 'millilitres') expect(how.strokes).toBeGreaterThanOrEqual(1);
      }),
    );
  });

  test('tidy batch: at 50:1 with 5 ml strokes and 50 ml marks, a need of 430 goes to 500', () => {
    const vessel = { graduation: ml(50), room: ml(1000) };
    expect(tidyBatch(ml(430), ratio(50), ml(5), vessel)).toEqual({ total: 500, strokes: 2 });
    expect(tidyBatch(ml(430), ratio(50), ml(5), { ...vessel, room: ml(450) })).toBeNull();
  });
});

describe('judging a strength', () => {
  const product = productOf('cleansing', { name: 'Deep clean concentrate' });

  test('where a label gives a range, stronger than its strong end warns', () => {
    const dilution = {
      kind: 'dilute',
      strength: strengthOf(32),
      range: { strongest: strengthOf(10), weakest: strengthOf(32) },
    } as const;
    const judge = (water: number) => judgeStrength({ name: 'Oat', kind: 'cleansing', dilution }, strengthOf(water));
    expect(judge(10).kind).toBe('fine');
    expect(judge(9)).toMatchObject({
      kind: 'warning',
      why: expect.stringMatching(/the strongest the label allows/) as string,
    });
  });

  test.each([
    ['at the label', product, ratio(24), 'fine'],
    ['weaker', product, ratio(40), 'fine'],
    ['exactly 5 % stronger: 1/25 · 1.05 = 21/500', product, ratio('479/21'), 'fine'],
    ['a hair over 5 %', product, ratio('478/21'), 'warning'],
    ['neat', product, 'neat', 'warning'],
    ['medicated, 4 % off', { ...product, kind: 'medicated' }, ratio(25), 'refused'],
    ['medicated, exact', { ...product, kind: 'medicated' }, ratio(24), 'fine'],
    ['ready to use, watered', { ...product, dilution: { kind: 'ready to use' } }, ratio(24), 'refused'],
    ['ready to use, neat', { ...product, dilution: { kind: 'ready to use' } }, 'neat', 'fine'],
  ] as const)('%s', (_, judged, used, verdict) => {
    expect(judgeStrength(judged, used).kind).toBe(verdict);
  });
});
