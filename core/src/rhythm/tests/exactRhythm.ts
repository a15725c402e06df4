import type { Observation, RhythmQuestion } from '..';
import { daysBetween } from '../../units';

/**
 * The rhythm once more, sharing no code with the model: the normal distribution by its series and continued fraction
 * (published: Abramowitz & Stegun, Handbook of Mathematical Functions, 26.2.11 and 26.2.14; formulas from memory), the
 * answer by walking the days up. Slow and plain.
 */
const [ONSET, SPREAD, PRIOR_SPREAD, STEP] = [[0.5, 1, 1.65], 0.35, 0.5, 0.02] as const;
/** The 80 % quantile of the normal distribution, printed: 0.8416212336. */
const Z80 = 0.841621233572914;

/** ln Q(x), the log of the upper tail, for x ≥ 0. */
export function logUpperTail(x: number): number {
  const logDensity = (-x * x) / 2 - Math.log(2 * Math.PI) / 2;
  if (x < 3) {
    let term = x;
    let sum = x;
    for (let n = 1; n < 45; n++) sum += term *= (x * x) / (2 * n + 1);
    return Math.log(0.5 - Math.exp(logDensity) * sum);
  }
  let below = x;
  for (let n = 45; n >= 1; n--) below = x + n / below;
  return logDensity - Math.log(below);
}

const logLower = (x: number): number => (x <= 0 ? logUpperTail(-x) : Math.log1p(-Math.exp(logUpperTail(x))));

/** ln (Φ(b) − Φ(a)), a < b. */
export function logBetween(a: number, b: number): number {
  const fromTails = (near: number, far: number) =>
    far === Infinity
      ? logUpperTail(near)
      : logUpperTail(near) + Math.log1p(-Math.exp(logUpperTail(far) - logUpperTail(near)));
  if (a >= 0) return fromTails(a, b);
  if (b <= 0) return fromTails(-b, -a);
  const outside = (a === -Infinity ? 0 : Math.exp(logUpperTail(-a))) + (b === Infinity ? 0 : Math.exp(logUpperTail(b)));
  return Math.log1p(-outside);
}

interface Weighed {
  readonly seen: Observation;
  readonly grade: number;
  readonly weight: number;
}

/** Days until the next care, within the plan's bounds, as docs/formulas.md defines it ("Rhythm"); `lapse` 0 leaves it out. */
export function exactInterval({ observations, plan, today }: RhythmQuestion, lapse = 0.02): number {
  const weighed = observations.map((seen) => ({
    seen,
    grade: Math.max(seen.lookGrade, seen.padGrade ?? 0),
    weight: 2 ** (-daysBetween(seen.day, today) / 180),
  }));
  const newest = weighed.at(-1);
  let raw = longest(weighed, plan, lapse);
  if (newest) {
    const before = longest(weighed.slice(0, -1), plan, lapse);
    raw = newest.grade <= 1 ? Math.max(raw, before) : Math.min(raw, before);
  }
  return Math.min(plan.most, Math.max(plan.least, raw));
}

function longest(evidence: readonly Weighed[], plan: RhythmQuestion['plan'], lapse: number): number {
  const mean = Math.log(plan.usual) - Math.log(1) + Z80 * Math.sqrt(SPREAD ** 2 + PRIOR_SPREAD ** 2);
  const grid = Array.from({ length: 301 }, (_, i) => mean + (i - 150) * STEP);
  const logs = grid.map((logTau) =>
    evidence.reduce(
      (sum, { seen, grade, weight }) => sum + weight * logOfLook(seen.t, grade, logTau, plan.most, lapse),
      -((logTau - mean) ** 2) / (2 * PRIOR_SPREAD ** 2),
    ),
  );
  const top = Math.max(...logs);
  const weights = logs.map((log) => Math.exp(log - top));
  const whole = weights.reduce((a, b) => a + b);
  let good = 0;
  for (let t = 1; t <= plan.most; t++) {
    const fine = acceptableAt(t, mean, grid);
    if (weights.reduce((sum, weight, i) => sum + weight * (fine[i] ?? 0), 0) / whole >= 0.8 - 1e-6) good = t;
    else break;
  }
  return good;
}

/** P(grade ≤ 1 | t, τ) along the grid; kept, since many histories ask for the same days. */
function acceptableAt(t: number, mean: number, grid: readonly number[]): readonly number[] {
  const key = `${mean} ${t}`;
  const known = KEPT.get(key);
  if (known) return known;
  const fine = grid.map((logTau) => Math.exp(logLower((logTau - Math.log(t)) / SPREAD)));
  KEPT.set(key, fine);
  return fine;
}
const KEPT = new Map<string, readonly number[]>();

function logOfLook(t: number, grade: number, logTau: number, most: number, lapse: number): number {
  const begins = (g: number) =>
    g < 1 ? Infinity : g > 3 ? -Infinity : (Math.log(t) - logTau - Math.log(ONSET[g - 1] ?? 1)) / SPREAD;
  if (grade <= 1) return logBetween(begins(grade + 1), begins(grade));
  const late = t > most;
  const log = logBetween(late ? -Infinity : begins(grade + 1), begins(late ? 2 : grade));
  return Math.log((1 - lapse) * Math.exp(log) + (late ? (lapse * 2) / 4 : lapse / 4));
}
