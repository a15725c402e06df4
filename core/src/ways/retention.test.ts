import { sub } from 'date-fns';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { addDays, day } from '../units';
import { KEPT_KINDS, RETENTION, isRetention, keptFrom } from './retention';

test.each([
  ['2026-11-25', 6, '2026-05-25'],
  ['2026-08-31', 6, '2026-02-28'],
  ['2028-08-31', 6, '2028-02-29'],
  ['2026-01-15', 12, '2025-01-15'],
  ['2026-01-31', 24, '2024-01-31'],
])('on %s, what is kept for %i months begins on %s', (today, months, from) => {
  expect(keptFrom(day(today), months)).toBe(from);
});

// Against date-fns, a reference library of the registry.
test('as a reference library reckons it, on every day', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 40_000 }), fc.constantFrom(6, 12, 24, 36, 60, 84, 120), (days, months) => {
      const today = addDays(day('1990-01-01'), days);
      const theirs = sub(new Date(`${today}T12:00:00Z`), { months })
        .toISOString()
        .slice(0, 10);
      expect(keptFrom(today, months)).toBe(theirs);
    }),
  );
});

test('what a house may choose is in the table, and nothing shorter', () => {
  expect(KEPT_KINDS.every((kind) => RETENTION[kind].after.every((months) => isRetention(kind, months)))).toBe(true);
  expect(isRetention('log', 6)).toBe(false);
  expect(isRetention('dogs gone', 12)).toBe(false);
});
