import { describe, expect, test } from 'vitest';
import { yearOfBook } from './tests/yearOfBook';

/** Invented dogs with hidden rates; what is learned in the first weeks is the point, so these are not counted. */
const SEEDS = process.env['DEWPOND_DEEP'] ? [1, 2, 3, 4, 5, 6, 7, 8] : [1];

describe.each(SEEDS)('a year of sixteen dogs, seed %i, planned week by week with what is learned', (seed) => {
  const year = { dogs: 16, weeks: 30, skip: 10, people: 1, seed };
  const planned = yearOfBook(year, 'planned');

  test('has fewer than half the late days of a visit every six weeks', () => {
    expect(planned.lateDays).toBeLessThan(0.5 * yearOfBook(year, 'every six weeks').lateDays);
  });

  test('has fewer late days than a visit every three weeks, for no more work', () => {
    const fixed = yearOfBook(year, 'every three weeks');
    expect(planned.lateDays).toBeLessThan(fixed.lateDays);
    expect(planned.idle).toBeGreaterThan(fixed.idle - 0.01);
  });

  test('has fewer than where owners ring as soon as they see it', () => {
    expect(planned.lateDays).toBeLessThan(yearOfBook(year, 'when they ring').lateDays);
  });
});
