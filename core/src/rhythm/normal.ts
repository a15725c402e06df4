/// <reference path="./jstat.d.ts" />
import statistics from 'jstat';

const { normal } = statistics.jStat;

const REACH = 9;
const PER_UNIT = 128;
const STEP = 1 / PER_UNIT;
const density = (x: number): number => Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI);
const NODES = Float64Array.from({ length: 2 * REACH * PER_UNIT + 2 }, (_, i) => normal.cdf(i * STEP - REACH, 0, 1));
const SLOPES = Float64Array.from({ length: NODES.length }, (_, i) => density(i * STEP - REACH) * STEP);

/**
 * Standard normal distribution function. The rhythm asks for it some ten thousand times a dog, so values of the
 * statistics package are kept at nodes 1/128 apart and joined by cubic Hermite pieces, off by less than 1e-10.
 */
export function normalCdf(x: number): number {
  if (x <= -REACH) return 0;
  if (x >= REACH) return 1;
  const position = (x + REACH) * PER_UNIT;
  const i = Math.floor(position);
  const u = position - i;
  const [y0, y1, m0, m1] = [NODES[i] ?? 0, NODES[i + 1] ?? 1, SLOPES[i] ?? 0, SLOPES[i + 1] ?? 0];
  const v = 1 - u;
  return y0 * (1 + 2 * u) * v * v + m0 * u * v * v + y1 * u * u * (3 - 2 * u) - m1 * u * u * v;
}

/** Quantile of the standard normal distribution. */
export const normalQuantile = (probability: number): number => normal.inv(probability, 0, 1);
