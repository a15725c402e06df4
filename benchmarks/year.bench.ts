import { LEARNED, costOf, hiddenLines, simulateYear, type Timing, type YearCost } from '@dewpond/core/due';
import { TASKS, type Task } from '@dewpond/core/tasks';
import { day } from '@dewpond/core/units';
import { report, round, seeded } from './report';

/**
 * A year of dogs with hidden rates of wax, tears, nails and mats: what the fixed plan, the learned one and one that knows
 * the rates cost in late days and in care that nobody needed. The first four visits are not counted.
 */
const SEEDS = [1, 2, 3];
const DOGS = 100;
const START = day('2026-01-05');
const TIMINGS: readonly Timing[] = ['fixed', 'learned', 'best'];

function costs(seed: number): { readonly task: Task; readonly timing: Timing; readonly cost: YearCost }[] {
  const random = seeded(seed);
  return hiddenLines(DOGS, START, random).flatMap(({ line, tau }) => {
    const of = Math.floor(random() * 2 ** 32);
    return TIMINGS.map((timing) => {
      const year = { line, tau, start: START, days: 365, skip: 4, random: seeded(of) };
      return { task: line.task, timing, cost: simulateYear(year, timing) };
    });
  });
}

const all = SEEDS.flatMap((seed) => costs(seed).map((each) => ({ ...each, seed })));

/** Of a year of care at one place: all that was counted, for as many days. */
function perYear(rows: typeof all, timing: Timing) {
  const its = rows.filter((each) => each.timing === timing).map(({ cost }) => cost);
  const sum = (of: (cost: YearCost) => number) => its.reduce((total, cost) => total + of(cost), 0);
  const years = sum(({ days }) => days) / 365;
  return {
    late: sum(({ lateDays }) => lateDays) / years,
    over: sum(({ overCare }) => overCare) / years,
    looks: sum(({ looks }) => looks) / years,
    cares: sum(({ cares }) => cares) / years,
    cost: sum(costOf) / years,
  };
}

function row(name: string, rows: typeof all) {
  const [fixed, learned, best] = [perYear(rows, 'fixed'), perYear(rows, 'learned'), perYear(rows, 'best')];
  return {
    of: name,
    'fixed: late days': round(fixed.late, 1),
    'over-care': round(fixed.over, 1),
    cost: round(fixed.cost, 1),
    'learned: late days': round(learned.late, 1),
    'over-care ': round(learned.over, 1),
    'cost ': round(learned.cost, 1),
    'looks, cares': `${round(learned.looks, 1)}, ${round(learned.cares, 1)}`,
    'best: cost': round(best.cost, 1),
    won: round((fixed.cost - learned.cost) / (fixed.cost - best.cost), 2),
  };
}

report('year', [
  ...LEARNED.map((task) =>
    row(
      TASKS[task].name,
      all.filter((each) => each.task === task),
    ),
  ),
  ...SEEDS.map((seed) =>
    row(
      `all, seed ${seed}`,
      all.filter((each) => each.seed === seed),
    ),
  ),
  row('all', all),
]);
