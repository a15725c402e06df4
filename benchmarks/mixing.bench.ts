import { planDay, strengthOf, type DogNeed, type FreeBottle, type Product } from '@dewpond/core/dilution';
import { HORIZON_WEEKS, STRAYS, expectDraws, forecastStock, noDraw, type Coming } from '@dewpond/core/stock';
import { addDays, day, millilitres } from '@dewpond/core/units';
import { quantile, report, round, seeded } from './report';

const random = seeded(23);
const between = (least: number, most: number): number => least + random() * (most - least);
const whole = (least: number, most: number): number => Math.floor(between(least, most + 1));

/** Eight sizes of bottle, some without marks. */
const BOTTLES: readonly FreeBottle[] = [
  [200, 25],
  [250, 25],
  [400, null],
  [500, 50],
  [750, 50],
  [1000, 50],
  [2000, 100],
  [5000, 250],
].map(([line, graduation], i) => ({
  bottle: {
    id: `bottle ${i}`,
    name: `bottle of ${line}`,
    brim: millilitres((line ?? 0) * 1.1),
    line: millilitres(line ?? 0),
    graduation: graduation === null || graduation === undefined ? null : millilitres(graduation),
  },
  count: 12,
}));

/** Twelve products; two are medicated, and so mixed dog by dog. */
const PRODUCTS: readonly Product[] = Array.from({ length: 12 }, (_, i) => ({
  id: `product ${i}`,
  name: `product ${i}`,
  kind: i < 2 ? 'medicated' : 'cleansing',
  label: '',
  dilution: { kind: 'dilute', strength: strengthOf(whole(8, 50)) },
  contact: null,
  amountFactor: 1,
  suppliedBy: 'house',
  costPerMl: 0.03,
  cautions: [],
  ingredients: [],
}));

function morning(): DogNeed[] {
  return Array.from({ length: 60 }, (_, i) => ({ i, kinds: whole(1, 3) })).flatMap(({ i, kinds }) =>
    Array.from({ length: kinds }, () => ({
      visit: `visit ${i}`,
      dogId: `dog ${i}`,
      dog: `dog ${i}`,
      at: i,
      product: PRODUCTS[whole(0, 11)] as Product,
      stroke: random() < 0.8 ? millilitres(5) : null,
      ml: millilitres(between(80, 1600)),
    })),
  );
}

const times: number[] = [];
let bottles = 0;
const RUNS = 60;
for (let run = 0; run < RUNS; run++) {
  const needs = morning();
  const start = performance.now();
  const plan = planDay({ needs, openMixes: [], bottles: BOTTLES, now: 0, mostWaste: 0.2 });
  times.push(performance.now() - start);
  bottles += plan.batches.reduce((sum, batch) => sum + batch.bottles.length, 0);
}

const TODAY = day('2026-11-25');
const DOGS = 2000;
const dogs: Coming[] = Array.from({ length: DOGS }, () => ({
  booked: random() < 0.3 ? [addDays(TODAY, whole(0, 40))] : [],
  due: addDays(TODAY, whole(-20, 60)),
  every: whole(14, 60),
  uses: Array.from({ length: whole(2, 6) }, () => ({ productId: `product ${whole(0, 11)}`, ml: between(2, 60) })),
}));
const ahead: number[] = [];
let expected = 0;
for (let run = 0; run < 30; run++) {
  const start = performance.now();
  const draws = expectDraws(dogs, TODAY);
  for (const { id } of PRODUCTS)
    forecastStock({
      stock: 40_000,
      draw: draws.get(id) ?? noDraw(),
      today: TODAY,
      leadDays: 10,
      safety: 500,
      container: 5000,
    });
  ahead.push(performance.now() - start);
  expected = draws.size;
}

report('mixing', [
  {
    what: `morning mix: 60 dogs, 12 products, 8 bottle sizes, ${round(bottles / RUNS, 1)} bottles`,
    'p50 ms': round(quantile(times, 0.5), 1),
    'p95 ms': round(quantile(times, 0.95), 1),
  },
  {
    what: `stock ahead: ${DOGS} dogs, ${HORIZON_WEEKS} weeks, ${expected} products, house error ${STRAYS.house}`,
    'p50 ms': round(quantile(ahead, 0.5), 1),
    'p95 ms': round(quantile(ahead, 0.95), 1),
  },
]);
