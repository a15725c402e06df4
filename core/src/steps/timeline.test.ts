import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { aDog } from '../careplan/tests/randomDogs';
import { kilograms } from '../units';
import { timeline, totalMinutes } from '.';
import { stepsFor } from '../visit/tests/randomVisits';

describe('the day ribbon', () => {
  test('towel rest and contact are dwell; hands-on work of one kind is joined', () => {
    const blocks = timeline(stepsFor({ ...aDog(), weight: kilograms(12) }, { contactMinutes: 10 }));
    expect(blocks.filter((block) => block.dwell).map((block) => [block.name, block.minutes])).toEqual([
      ['contact', 10],
      ['contact', 10],
      ['rest', 10],
    ]);
    const names = blocks.map((block) => block.name);
    names.slice(1).forEach((name, i) => expect(name).not.toBe(names[i]));
  });

  test('a heavier dog never takes less time', () => {
    const weight = fc.double({ min: 1, max: 100, noNaN: true });
    fc.assert(
      fc.property(weight, weight, (a, b) => {
        const minutes = (kg: number) => totalMinutes(timeline(stepsFor({ ...aDog(), weight: kilograms(kg) })));
        expect(minutes(Math.max(a, b))).toBeGreaterThanOrEqual(minutes(Math.min(a, b)));
      }),
    );
  });
});
