import { mkdirSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { fileURLToPath } from 'node:url';

export type Row = Readonly<Record<string, string | number>>;

/** Prints a bench as a table and keeps it as JSON. Figures are told, never asserted. */
export function report(name: string, rows: readonly Row[]): void {
  console.log(`\n${name}`);
  console.table(rows);
  const folder = fileURLToPath(new URL('results/', import.meta.url));
  mkdirSync(folder, { recursive: true });
  const machine = `${cpus().length} × ${cpus()[0]?.model.trim() ?? 'unknown'}, Node ${process.versions.node}`;
  writeFileSync(`${folder}${name}.json`, `${JSON.stringify({ name, machine, rows }, null, 2)}\n`);
}

export const round = (value: number, places = 2): number => Number(value.toFixed(places));

export function quantile(values: readonly number[], share: number): number {
  const sorted = values.toSorted((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? Number.NaN;
}

/** Uniform numbers from a seed, so that two runs draw the same dogs. */
export function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 4_294_967_296;
  };
}

/** Runs that come first and are not counted: the engine has not made up its mind yet. */
const WARM_MS = 1000;

/** Medians of runs taken in turn, so that a slow moment of the machine falls on both. */
export function againstReference(
  what: string,
  unit: 'ms' | 'µs',
  ours: () => unknown,
  reference: () => unknown,
  perRun = 1,
  runs = 200,
): Row {
  const times: [ours: number[], reference: number[]] = [[], []];
  const warm = performance.now() + WARM_MS;
  for (let counted = 0; counted < runs;) {
    const isWarm = performance.now() > warm;
    for (const [which, work] of [ours, reference].entries()) {
      const start = performance.now();
      work();
      if (isWarm) times[which]?.push(performance.now() - start);
    }
    if (isWarm) counted += 1;
  }
  const [mine, theirs] = times.map((each) => (quantile(each, 0.5) / perRun) * (unit === 'µs' ? 1000 : 1)) as [
    number,
    number,
  ];
  return { what, [`Dewpond ${unit}`]: round(mine), [`reference ${unit}`]: round(theirs), ratio: round(mine / theirs) };
}
