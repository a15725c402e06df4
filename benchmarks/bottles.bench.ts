import { chooseBottles, strengthOf, type FreeBottle } from '@dewpond/core/dilution';
import { ML_PER_FLUID_OUNCE, millilitres } from '@dewpond/core/units';
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
]);
