import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { clashesOf, merged } from './clashes';

const base = { name: 'Oat', label: '24:1', price: '40' };

describe('two changes of one thing', () => {
  test.each([
    ['only mine', { ...base, name: 'Oat wash' }, base, [], { ...base, name: 'Oat wash' }],
    ['only theirs', base, { ...base, price: '42' }, [], { ...base, price: '42' }],
    [
      'different fields',
      { ...base, name: 'Oat wash' },
      { ...base, price: '42' },
      [],
      { name: 'Oat wash', label: '24:1', price: '42' },
    ],
    ['the same change twice', { ...base, name: 'X' }, { ...base, name: 'X' }, [], { ...base, name: 'X' }],
    ['one field, to different ends', { ...base, name: 'A' }, { ...base, name: 'B' }, ['name'], { ...base, name: 'B' }],
  ])('%s', (_, mine, theirs, clashing, result) => {
    expect(clashesOf(base, mine, theirs).map(({ field }) => field)).toEqual(clashing);
    expect(merged(base, mine, theirs, [])).toEqual(result);
  });

  test('nothing that only one of them changed is ever lost, and of a clash the named one stands', () => {
    const form = fc.record({
      name: fc.constantFrom('a', 'b', 'c'),
      label: fc.constantFrom('x', 'y'),
      price: fc.constantFrom('1', '2'),
    });
    fc.assert(
      fc.property(form, form, form, fc.subarray(['name', 'label', 'price'] as const), (before, mine, theirs, kept) => {
        const result = merged(before, mine, theirs, kept);
        for (const field of ['name', 'label', 'price'] as const) {
          if (theirs[field] === before[field]) expect(result[field]).toBe(mine[field]);
          else if (mine[field] === before[field]) expect(result[field]).toBe(theirs[field]);
          else expect(result[field]).toBe(kept.includes(field) ? mine[field] : theirs[field]);
        }
      }),
    );
  });
});
