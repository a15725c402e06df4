import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { millilitres } from '../units';
import { concentration, leadBy, showStrength, strengthOf, type Lead } from '.';

const at50 = { strength: strengthOf(50), stroke: millilitres(5), medicated: false, room: millilitres(2000) };
const led = (lead: Lead, question = at50) => leadBy({ ...question, lead });

describe('any one number leads', () => {
  test.each([
    [{ by: 'total', ml: 510 }, 'strokes', 10, 500, 2],
    [{ by: 'product', ml: 10 }, 'strokes', 10, 500, 2],
    [{ by: 'water', ml: 500 }, 'strokes', 10, 500, 2],
    [{ by: 'strokes', strokes: 2 }, 'strokes', 10, 500, 2],
    [{ by: 'dogs', dogs: 2, each: 255 }, 'strokes', 10, 500, 2],
    [{ by: 'product', ml: 8 }, 'millilitres', 8, 400, null],
  ] as const)('%j at 50:1: 10 ml in 510 (worked by hand)', (lead, by, product, water, strokes) => {
    const answer = led(lead);
    if (answer.kind === 'refused') throw new Error(answer.why);
    expect(answer.how.by).toBe(by);
    expect(answer.how.product).toBeCloseTo(product, 9);
    expect(answer.how.water).toBeCloseTo(water, 9);
    if (answer.how.by !== 'millilitres') expect(answer.how.strokes).toBe(strokes);
    expect(showStrength(answer.how.realised)).toBe('50:1');
  });

  test.each([
    [{ by: 'total', ml: 0 }, /how much mix/],
    [{ by: 'product', ml: 0 }, /No product/],
    [{ by: 'water', ml: -1 }, /No water/],
    [{ by: 'strokes', strokes: 0 }, /one whole stroke/],
    [{ by: 'strokes', strokes: 1.5 }, /one whole stroke/],
    [{ by: 'dogs', dogs: 0, each: 300 }, /how many dogs/],
    [{ by: 'dogs', dogs: 2, each: 0 }, /how much mix/],
    [{ by: 'total', ml: 2001 }, /takes 2000 ml/],
    [{ by: 'product', ml: 60 }, /comes to 3060 ml/],
    [{ by: 'total', ml: Number.NaN }, /how much mix/],
  ] as const)('%j is refused in words', (lead, why) => {
    const answer = led(lead);
    expect(answer.kind === 'refused' && answer.why).toMatch(why);
  });

  test('strokes of a pump that was never calibrated are refused; millilitres are not', () => {
    const answer = leadBy({ ...at50, stroke: null, lead: { by: 'strokes', strokes: 2 } });
    expect(answer.kind === 'refused' && answer.why).toMatch(/not calibrated/);
    expect(leadBy({ ...at50, stroke: null, lead: { by: 'total', ml: 500 } }).kind).toBe('led');
  });

  test('whatever leads: volumes add up, the strength keeps its limits, never zero strokes', () => {
    const lead = fc.oneof(
      fc.record({ by: fc.constant('total' as const), ml: fc.double({ min: 1, max: 5000, noNaN: true }) }),
      fc.record({ by: fc.constant('product' as const), ml: fc.double({ min: 0.1, max: 200, noNaN: true }) }),
      fc.record({ by: fc.constant('water' as const), ml: fc.double({ min: 1, max: 5000, noNaN: true }) }),
      fc.record({ by: fc.constant('strokes' as const), strokes: fc.integer({ min: 1, max: 60 }) }),
      fc.record({
        by: fc.constant('dogs' as const),
        dogs: fc.integer({ min: 1, max: 12 }),
        each: fc.double({ min: 20, max: 900, noNaN: true }),
      }),
    );
    fc.assert(
      fc.property(
        lead,
        fc.integer({ min: 1, max: 100 }),
        fc.constantFrom(null, 1.7, 5, 8),
        fc.boolean(),
        (each, water, stroke, medicated) => {
          const strength = strengthOf(water);
          const answer = leadBy({
            lead: each,
            strength,
            stroke: stroke === null ? null : millilitres(stroke),
            medicated,
            room: millilitres(5000),
          });
          if (answer.kind === 'refused') return;
          const { how } = answer;
          expect(how.product + how.water).toBeCloseTo(how.total, 6);
          const error = how.product / how.total / concentration(strength).valueOf() - 1;
          expect(error).toBeLessThanOrEqual((medicated ? 0.02 : 0.05) + 1e-9);
          expect(error).toBeGreaterThanOrEqual((medicated ? -0.02 : -0.1) - 1e-9);
          if (how.by !== 'millilitres') expect(how.strokes).toBeGreaterThanOrEqual(1);
          if (each.by === 'water') expect(how.water).toBeCloseTo(each.ml, 6);
          if (each.by === 'product') expect(how.product).toBeCloseTo(each.ml, 9);
        },
      ),
    );
  });
});
