import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { strengthOf, type Product } from '../dilution';
import type { UnitSystem } from '../units';
import { HOUSEHOLD, householdMix, spoonfuls } from '.';

const wash = (waterParts: number, kind: Product['kind'] = 'cleansing') => {
  const strength = strengthOf(waterParts);
  return { strength, product: { name: 'Oat gentle wash', kind, dilution: { kind: 'dilute', strength } as const } };
};
const mixed = (need: number, waterParts: number, units: UnitSystem = 'metric', kind: Product['kind'] = 'cleansing') =>
  householdMix({ need, units, ...wash(waterParts, kind) });

describe('household measures', () => {
  // Published: NIST Handbook 44, Appendix C: teaspoon 4.928 92 ml, tablespoon 14.786 76 ml, cup 236.588 2 ml (from memory).
  test('US spoons and cups are those of the handbook', () => {
    const { spoon, cup, jugMark } = HOUSEHOLD.US;
    expect([spoon.teaspoon, spoon.tablespoon, cup].map((ml) => Number(ml.toFixed(5)))).toEqual([
      4.92892, 14.78676, 236.58824,
    ]);
    expect(jugMark * 4).toBeCloseTo(cup, 9);
  });

  test('each amount once, by the spoon that takes fewer, the least first', () => {
    const all = spoonfuls('metric');
    expect(all.map(({ ml }) => ml)).toEqual([...new Set(all.map(({ ml }) => ml))].toSorted((a, b) => a - b));
    expect(all.find(({ ml }) => ml === 15)).toEqual({ by: 'spoon', spoon: 'tablespoon', count: 1, ml: 15 });
    expect(all.find(({ ml }) => ml === 7.5)).toEqual({ by: 'spoon', spoon: 'teaspoon', count: 1.5, ml: 7.5 });
  });
});

describe('a bath at home, mixed in a kitchen', () => {
  test.each([
    // 7.5 ml want 375 ml of water, between two marks: at 350 it would be 7 % too strong.
    [300, 50, { by: 'spoon', spoon: 'teaspoon', count: 1.5, ml: 7.5 }, 400],
    [300, 24, { by: 'spoon', spoon: 'tablespoon', count: 1, ml: 15 }, 350],
    // Nobody counts seven tablespoons.
    [900, 10, { by: 'jug', ml: 100 }, 1000],
    // One teaspoon in 150 ml is 6 % too strong, in 200 ml a fifth too weak.
    [120, 32, { by: 'syringe', ml: 4.5 }, 150],
  ] as const)('%i ml at %i:1', (need, parts, by, water) => {
    const { measured, water: poured } = mixed(need, parts);
    expect([measured, poured]).toEqual([by, water]);
  });

  test('in a US kitchen: spoons and quarter cups', () => {
    const { measured, water } = mixed(300, 32, 'US');
    expect(measured).toMatchObject({ by: 'spoon', spoon: 'teaspoon', count: 2.5 });
    expect(water / HOUSEHOLD.US.cup).toBeCloseTo(1.75, 9);
  });

  test('what a vet prescribed is measured to the millilitre: within 2 %, by a syringe where no spoon gives it', () => {
    // 15 ml in 500 ml of water is 33.3:1, 1 % weaker. At 37:1 no spoon comes out within 2 %.
    expect(mixed(400, 33, 'metric', 'medicated')).toMatchObject({ product: 15, water: 500 });
    const { measured, error } = mixed(130, 37, 'metric', 'medicated');
    expect(measured.by).toBe('syringe');
    expect(Math.abs(error)).toBeLessThanOrEqual(0.02);
  });

  test('nothing to wash is no bath', () => {
    expect(() => mixed(0, 10)).toThrow(RangeError);
  });

  test('whatever the dog, the label and the kitchen: enough, never too strong, and no smaller mix would do', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 80, max: 4000 }),
        fc.integer({ min: 2, max: 100 }),
        fc.constantFrom<UnitSystem>('metric', 'US'),
        fc.boolean(),
        (need, parts, units, isMedicated) => {
          const made = mixed(need, parts, units, isMedicated ? 'medicated' : 'cleansing');
          const [stronger, weaker] = isMedicated ? [1.02, 0.98] : [1.05, 0.9];
          const share = (product: number, water: number) => (product / (product + water)) * (parts + 1);
          const isRight = (product: number, water: number) => {
            const by = share(product, water);
            return by <= stronger + 1e-9 && by >= weaker - 1e-9;
          };
          expect(made.product + made.water).toBeGreaterThanOrEqual(need * 1.1 - 1e-6);
          expect(isRight(made.product, made.water)).toBe(true);
          expect(made.error).toBeCloseTo(share(made.product, made.water) - 1, 9);
          const { jugMark, spoon } = HOUSEHOLD[units];
          const { measured } = made;
          if (measured.by === 'syringe') return;
          if (measured.by === 'spoon') expect(measured.count * spoon[measured.spoon]).toBeCloseTo(made.product, 9);
          else expect(made.product / jugMark).toBeCloseTo(Math.round(made.product / jugMark), 9);
          expect(Math.abs(made.water / jugMark - Math.round(made.water / jugMark))).toBeLessThan(1e-9);
          // By trying: every half spoon with every mark of the jug that is the nearest to what it wants.
          for (const { ml } of spoonfuls(units))
            for (let water = jugMark; ml + water < made.total - 1e-6; water += jugMark)
              if (Math.abs(water - ml * parts) < jugMark - 1e-6)
                expect(ml + water >= need * 1.1 && isRight(ml, water)).toBe(false);
        },
      ),
    );
  });
});
