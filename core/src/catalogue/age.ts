import type { Kilograms } from '../units';

export type LifeStage = 'puppy' | 'adult' | 'senior';

interface AgeingBySize {
  readonly uptoKg: number;
  /** Whole years from which it counts as senior. */
  readonly seniorFrom: number;
  /** Human years a dog of this size ages in each year after its second. */
  readonly eachYear: number;
}

/** Small dogs age later and slower [house values, after charts in common use]. */
const AGEING: readonly AgeingBySize[] = [
  { uptoKg: 10, seniorFrom: 11, eachYear: 4 },
  { uptoKg: 25, seniorFrom: 9, eachYear: 4.7 },
  { uptoKg: 45, seniorFrom: 8, eachYear: 5.4 },
  { uptoKg: Infinity, seniorFrom: 6, eachYear: 7 },
];
const FIRST_YEAR = 15;
const SECOND_YEAR = 9;

const ageingOf = (weight: number): AgeingBySize => {
  const found = AGEING.find(({ uptoKg }) => weight <= uptoKg) ?? AGEING.at(-1);
  if (!found) throw new RangeError('No sizes to age by.');
  return found;
};

/** The age in whole years from which a dog of this weight, kg, is a senior. */
export const seniorFrom = (weight: number): number => ageingOf(weight).seniorFrom;

/**
 * Life stage from age in years (null = not known, taken as adult) and weight. Puppy under one year.
 * @example
 * lifeStage(7, kilograms(60)) // 'senior'
 * lifeStage(null, kilograms(60)) // 'adult'
 */
export function lifeStage(years: number | null, weight: Kilograms): LifeStage {
  if (years === null) return 'adult';
  if (years < 1) return 'puppy';
  return years >= seniorFrom(weight) ? 'senior' : 'adult';
}

/**
 * Age in human terms, whole years: fifteen for the first year, nine for the second, then by size. For talking with
 * owners; nothing is reckoned from it. `years` may be a fraction.
 */
export function humanYears(years: number, weight: number): number {
  const first = Math.min(years, 1) * FIRST_YEAR;
  const second = Math.min(Math.max(years - 1, 0), 1) * SECOND_YEAR;
  return Math.round(first + second + Math.max(years - 2, 0) * ageingOf(weight).eachYear);
}
