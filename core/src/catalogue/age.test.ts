import { describe, expect, test } from 'vitest';
import { kilograms } from '../units';
import { humanYears, lifeStage, seniorFrom } from './age';

describe('age in human terms', () => {
  // American Kennel Club and AVMA chart of dog years in human years by size; value from memory.
  test.each([
    [5, 1, 15],
    [5, 2, 24],
    [5, 6, 40],
    [5, 10, 56],
    [5, 15, 76],
    [15, 6, 42],
    [15, 10, 60],
    [15, 14, 78],
    [35, 6, 45],
    [35, 10, 66],
    [35, 13, 82],
    [60, 6, 49],
    [60, 10, 79],
  ])('a dog of %d kg and %d years is about %d: published chart', (kg, years, human) => {
    expect(Math.abs(humanYears(years, kg) - human)).toBeLessThanOrEqual(3);
  });

  test('never runs backwards, and a larger dog is never younger', () => {
    for (let months = 0; months < 240; months++)
      for (const [kg, larger] of [
        [4, 12],
        [12, 30],
        [30, 60],
      ] as const) {
        expect(humanYears((months + 1) / 12, kg)).toBeGreaterThanOrEqual(humanYears(months / 12, kg));
        expect(humanYears(months / 12, larger)).toBeGreaterThanOrEqual(humanYears(months / 12, kg));
      }
    expect(humanYears(0, 5)).toBe(0);
  });
});

describe('senior by size [house values]', () => {
  test.each([
    [9, 10, 'adult'],
    [9, 11, 'senior'],
    [20, 9, 'senior'],
    [40, 7, 'adult'],
    [60, 6, 'senior'],
    [60, 0.5, 'puppy'],
  ] as const)('%d kg, %d years: %s', (kg, years, stage) => {
    expect(lifeStage(years, kilograms(kg))).toBe(stage);
    if (stage === 'senior') expect(years).toBeGreaterThanOrEqual(seniorFrom(kg));
  });
});
