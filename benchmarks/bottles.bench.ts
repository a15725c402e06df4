import { MOST_LEFT_OVER, chooseBottles, strengthOf, type FreeBottle } from '@dewpond/core/dilution';
import { ML_PER_FLUID_OUNCE, millilitres } from '@dewpond/core/units';
import { loadSolver, solveBottles } from './reference/bottleSolver';
import { quantile, report, round, seeded } from './report';

/** The choice of bottles on random houses: millilitres and fluid ounces, fine marks and none, a cup to forty litres. */
const random = seeded(7);
const whole = (least: number, most: number): number => least + Math.floor(random() * (most - least + 1));
const pick = <T>(list: readonly T[]): T => list[whole(0, list.length - 1)] as T;

function house(): FreeBottle[] {
  const ounces = random() < 0.4;
  const unit = ounces ? ML_PER_FLUID_OUNCE : 1;
  return Array.from({ length: whole(1, 8) }, (_, i) => {
    const line = (ounces ? whole(4, 128) : whole(4, 100) * 50) * unit;
    const mark = random() < 0.15 ? null : pick(ounces ? [0.5, 1, 2, 4] : [1, 5, 10, 25, 50, 100, 250]) * unit;
    return {
      bottle: {
        id: `${i}`,
        name: '',
        brim: millilitres(line * 1.1),
        line: millilitres(line),
        graduation: mark === null || mark > line ? null : millilitres(mark),
      },
      count: pick([whole(1, 12), whole(1, 12), whole(1, 200), null]),
    };
  });
}

const HOUSES = 4000;
const times: number[] = [];
const above: number[] = [];
let chosen = 0;
for (let run = 0; run < HOUSES; run++) {
  const free = house();
  const wanted = millilitres(30 * (40_000 / 30) ** random());
  const stroke = random() < 0.6 ? millilitres(whole(1, 30)) : null;
  const pumped = { strength: strengthOf(whole(3, 60)), stroke, medicated: random() < 0.2 };
  const start = performance.now();
  const choice = chooseBottles(wanted, free, pumped);
  times.push(performance.now() - start);
  if (choice.kind !== 'chosen') continue;
  chosen += 1;
  if (choice.atMostAbove > 0) above.push(choice.atMostAbove);
}

/** Six kinds of bottles, forty of each, as `lines` in a unit with its marks. */
const shelf = (lines: readonly (readonly [line: number, mark: number, unit: number])[]): FreeBottle[] =>
  lines.map(([line, mark, unit], i) => ({
    bottle: {
      id: `${i}`,
      name: '',
      brim: millilitres(line * unit * 1.1),
      line: millilitres(line * unit),
      graduation: millilitres(mark * unit),
    },
    count: 40,
  }));
const [ML, OZ] = [1, ML_PER_FLUID_OUNCE];
const LARGE = [
  [
    '6 kinds × 40, 60 l',
    60_000,
    shelf([
      [350, 25, ML],
      [500, 25, ML],
      [750, 50, ML],
      [1000, 50, ML],
      [1500, 100, ML],
      [2200, 100, ML],
    ]),
  ],
  [
    '6 kinds × 40, ounces and ml, 30 l',
    30_000,
    shelf([
      [12, 1, OZ],
      [16, 1, OZ],
      [32, 2, OZ],
      [500, 25, ML],
      [750, 50, ML],
      [1000, 50, ML],
    ]),
  ],
] as const;
const solver = await loadSolver();
const NEAT = { strength: strengthOf(9), stroke: null, medicated: false };
const large = LARGE.map(([what, ml, free]) => {
  const wanted = millilitres(ml);
  const borne = ml * (1 + MOST_LEFT_OVER);
  const [ours, theirs]: [number[], number[]] = [[], []];
  let same = '';
  for (let run = 0; run < 5; run++) {
    let start = performance.now();
    const choice = chooseBottles(wanted, free, NEAT);
    ours.push(performance.now() - start);
    start = performance.now();
    const solved = solveBottles(solver, wanted, borne, free, NEAT);
    theirs.push(performance.now() - start);
    if (choice.kind !== 'chosen') throw new Error(`${what}: nothing was chosen.`);
    const bottles = choice.fills.length;
    same = `${bottles} and ${solved.bottles} bottles, ${round(choice.leftOver, 2)} and ${round(solved.total - ml, 2)} ml over`;
  }
  const [mine, reference] = [quantile(ours, 0.5), quantile(theirs, 0.5)];
  return {
    what,
    'Dewpond ms': round(mine, 1),
    'HiGHS ms': round(reference, 1),
    ratio: round(mine / reference),
    'Dewpond and HiGHS': same,
  };
});
report('bottles', [
  {
    what: `${HOUSES} random houses, 30 ml to 40 l, ${chosen} chosen`,
    'p50 ms': round(quantile(times, 0.5), 1),
    'p95 ms': round(quantile(times, 0.95), 1),
    'p99 ms': round(quantile(times, 0.99), 1),
    'worst ms': round(Math.max(...times), 1),
    'not ended': above.length,
    'of those, at most % above the best': round(100 * Math.max(0, ...above), 1),
  },
  ...large,
]);
