import type { Interval } from '../rhythm';

/** Days of rows of the rules as the business sees them, by the rule's id; rows that are not named stay as they ship. */
export type HouseIntervals = Readonly<Record<string, Interval>>;

/** Days that a business can set: from every day to once in two years. */
export const INTERVAL_LIMITS = { least: 1, most: 730 } as const;

/** Least, usual, most in this order, whole days within the limits. */
export const isInterval = ({ least, usual, most }: Interval): boolean =>
  [least, usual, most].every(Number.isInteger) &&
  INTERVAL_LIMITS.least <= least &&
  least <= usual &&
  usual <= most &&
  most <= INTERVAL_LIMITS.most;
