import { fillMarks, type FreeBottle, type Pumped } from '@dewpond/core/dilution';
import type { Millilitres } from '@dewpond/core/units';
import highsLoader, { type Highs } from 'highs';

/** The choice of bottles as two integer programs for HiGHS (MIT): the fewest bottles that hold it, then the least left over. */
export interface Solved {
  readonly bottles: number;
  /** Ml. */
  readonly total: number;
}

export const loadSolver = (): Promise<Highs> => highsLoader();

/** @param borne the most that may be filled, ml: what is wanted, and what may be left over for the sake of fewer bottles. */
export function solveBottles(
  solver: Highs,
  wanted: Millilitres,
  borne: number,
  free: readonly FreeBottle[],
  pumped: Pumped,
): Solved {
  const kinds = free.map(({ bottle, count }, kind) =>
    fillMarks(bottle, pumped).map((ml, i) => ({ name: `n${kind}_${i}`, ml, count: count ?? 200 })),
  );
  const all = kinds.flat();
  const sum = (terms: readonly string[]) => terms.join(' + ');
  const total = sum(all.map(({ name, ml }) => `${ml} ${name}`));
  const bottles = sum(all.map(({ name }) => name));
  const owned = kinds.map((fills, i) => `own${i}: ${sum(fills.map(({ name }) => name))} <= ${fills[0]?.count ?? 0}`);
  const program = (goal: string, rules: readonly string[]) =>
    [
      'Minimize',
      `goal: ${goal}`,
      'Subject To',
      `holds: ${total} >= ${wanted}`,
      `borne: ${total} <= ${borne}`,
      ...owned,
      ...rules,
      'General',
      ...all.map(({ name }) => name),
      'End',
    ].join('\n');
  const fewest = Math.round(solver.solve(program(bottles, []), EXACT).ObjectiveValue);
  const least = solver.solve(program(total, [`few: ${bottles} = ${fewest}`]), EXACT).ObjectiveValue;
  return { bottles: fewest, total: least };
}
const EXACT = { mip_rel_gap: 0 } as const;
