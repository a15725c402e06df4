/**
 * The rhythm of one place as a hand-tuned loop over typed arrays: house values only, no objects, buffers used again, the
 * days of age given. What `learnRhythm` is measured against; it shares no code with it.
 */
const STEP = 0.02;
const SPREAD = 0.35;
const PRIOR_SPREAD = 0.5;
const HALF = 150;
const LENGTH = 2 * HALF + 1;
const LAPSE = 0.02;
const ENOUGH = 0.8 - 1e-6;
const Z80 = 0.841621233572914;
const PER_STEP = 8;
const REACH = 48;
const NODE = STEP / SPREAD / PER_STEP;
const NODES = Math.ceil((2 * REACH) / NODE) + 2;

/** ln of the upper tail of the normal distribution, by continued fraction and series. */
function logTail(x: number): number {
  if (x < 0) return Math.log1p(-Math.exp(logTail(-x)));
  const density = (-x * x) / 2 - Math.log(2 * Math.PI) / 2;
  if (x < 3) {
    let [term, sum] = [x, x];
    for (let n = 1; n < 45; n++) sum += term *= (x * x) / (2 * n + 1);
    return Math.log(0.5 - Math.exp(density) * sum);
  }
  let below = x;
  for (let n = 45; n >= 1; n--) below = x + n / below;
  return density - Math.log(below);
}
const onsets = [-Infinity, Math.log(0.5) / SPREAD, 0, Math.log(1.65) / SPREAD, Infinity];
function logGrades(least: number, most: number, x: number): number {
  const [from, to] = [onsets[least] ?? 0, onsets[most + 1] ?? 0];
  const [near, far] = 2 * x > from + to ? [x - to, x - from] : [from - x, to - x];
  const log =
    near === -Infinity
      ? logTail(-far)
      : far === Infinity
        ? logTail(near)
        : logTail(near) + Math.log1p(-Math.exp(logTail(far) - logTail(near)));
  return least > 1 ? Math.log((1 - LAPSE) * Math.exp(log) + (LAPSE * (most - least + 1)) / 4) : log;
}
const tabulate = (f: (x: number) => number) => Float64Array.from({ length: NODES }, (_, i) => f(i * NODE - REACH));
const LOOKS = [
  [0, 0],
  [1, 1],
  [2, 2],
  [3, 3],
  [2, 3],
].map(([least = 0, most = 0]) => tabulate((x) => logGrades(least, most, x)));
const FINE = tabulate((x) => Math.exp(logTail(x - (onsets[2] ?? 0))));

const log = new Float64Array(LENGTH);
const weight = new Float64Array(LENGTH);

function normalise(): void {
  let top = -Infinity;
  for (let i = 0; i < LENGTH; i++) top = Math.max(top, log[i]!);
  let sum = 0;
  for (let i = 0; i < LENGTH; i++) sum += weight[i] = Math.exp(log[i]! - top);
  for (let i = 0; i < LENGTH; i++) weight[i]! /= sum;
}

function longest(from: number, most: number): number {
  let [good, bad] = [0, most + 1];
  let [first, last] = [0, LENGTH - 1];
  while (weight[first]! < 1e-12) first++;
  while (weight[last]! < 1e-12) last--;
  while (bad - good > 1) {
    const middle = (good + bad) >> 1;
    const position = ((Math.log(middle) - from) / SPREAD + REACH) / NODE - first * PER_STEP;
    let node = Math.floor(position);
    const u = position - node;
    let fine = 0;
    for (let i = first; i <= last; i++, node -= PER_STEP)
      fine += weight[i]! * ((1 - u) * FINE[node]! + u * FINE[node + 1]!);
    if (fine >= ENOUGH) good = middle;
    else bad = middle;
  }
  return good;
}

/** Looks as parallel arrays, oldest first: days since the last care, grade, days ago. The interval in whole days. */
export function learnOnePlace(
  t: Float64Array,
  grade: Uint8Array,
  daysAgo: Float64Array,
  least: number,
  usual: number,
  most: number,
): number {
  const from = Math.log(usual) + Z80 * Math.sqrt(SPREAD ** 2 + PRIOR_SPREAD ** 2) - HALF * STEP;
  for (let i = 0; i < LENGTH; i++) log[i] = -(((i - HALF) * STEP) ** 2) / (2 * PRIOR_SPREAD ** 2);
  let before = usual;
  for (let seen = 0; seen < t.length; seen++) {
    if (seen === t.length - 1) {
      normalise();
      before = longest(from, most);
    }
    const table = LOOKS[grade[seen]! > 1 && t[seen]! > most ? 4 : grade[seen]!]!;
    const counts = 2 ** (-daysAgo[seen]! / 180);
    const position = ((Math.log(t[seen]!) - from) / SPREAD + REACH) / NODE;
    let node = Math.floor(position);
    const u = position - node;
    for (let i = 0; i < LENGTH; i++, node -= PER_STEP)
      log[i]! += counts * ((1 - u) * table[node]! + u * table[node + 1]!);
  }
  normalise();
  const after = longest(from, most);
  const unbounded =
    t.length === 0 ? after : grade[t.length - 1]! <= 1 ? Math.max(after, before) : Math.min(after, before);
  return Math.min(most, Math.max(least, unbounded));
}
