import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Place } from '../places';
import { day } from '../units';
import { contradicts, type Instruction } from '.';
import { anyDog, instruct } from '../careplan/tests/randomDogs';

const LEFT: Place = { site: 'ear', side: 'left' };
const RIGHT: Place = { site: 'ear', side: 'right' };
const bar = (more: Partial<Instruction> = {}) => instruct({ kind: 'bar', task: 'ear cleaning' }, more);
const every = (days: number, more: Partial<Instruction> = {}) =>
  instruct({ kind: 'interval', task: 'ear cleaning', days }, more);
const wash = (productId: string) =>
  instruct({ kind: 'bath product', productId, contactMinutes: 10, nothingElse: false });

describe('words that cannot both be followed', () => {
  test.each<[string, Instruction, Instruction, boolean]>([
    ['no ears, and ears every week', bar(), every(7), true],
    ['every week, and every month', every(7), every(30), true],
    ['every week, said twice', every(7), every(7), false],
    ['no ears, said twice', bar(), bar({ place: LEFT }), false],
    ['left every week, right every month', every(7, { place: LEFT }), every(30, { place: RIGHT }), false],
    ['both ears, and the left', every(7), every(30, { place: LEFT }), true],
    ['a vet and an owner: ranks settle it', every(7), every(30, { by: 'owner' }), false],
    ['one after the other', every(7, { until: day('2026-06-30') }), every(30, { from: day('2026-07-01') }), false],
    ['on one day both', every(7, { until: day('2026-07-01') }), every(30, { from: day('2026-07-01') }), true],
    ['two washes', wash('a'), wash('b'), true],
    ['a wash, and no bath', wash('a'), instruct({ kind: 'bar', task: 'bath' }), false],
  ])('%s', (_, a, b, contradictory) => {
    expect(contradicts(a, b)).toBe(contradictory);
    expect(contradicts(b, a)).toBe(contradictory);
  });

  test('no word contradicts itself, and it does not matter which came first', () => {
    fc.assert(
      fc.property(anyDog, ({ instructions }) => {
        for (const a of instructions) {
          if (contradicts(a, a)) throw new Error(JSON.stringify(a));
          for (const b of instructions) if (contradicts(a, b) !== contradicts(b, a)) throw new Error('one way only');
        }
      }),
      { numRuns: 500 },
    );
  });
});
