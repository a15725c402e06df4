import { lineUp } from '@dewpond/core/lineup';
import { drivingByRoad, planRound } from '@dewpond/core/route';
import { randomDay } from '../core/src/lineup/tests/days';
import { randomRound, type RoundShape } from '../core/src/route/tests/rounds';
import { quantile, report, round } from './report';

/** How long a day's line-up and a van's round take, and how they grow; the middle of five. */
const taken = (work: () => unknown): number => {
  const times = Array.from({ length: 5 }, () => {
    const from = performance.now();
    work();
    return performance.now() - from;
  });
  return round(quantile(times, 0.5));
};

report(
  'line-up',
  [6, 14, 28, 56].map((dogs) => {
    const day = randomDay({ dogs, people: Math.max(2, Math.round(dogs / 5)), seed: 7, rich: true });
    return {
      dogs,
      people: day.people.length,
      'first ms': taken(() => lineUp(day, { tries: 0 })),
      'best ms': taken(() => lineUp(day)),
    };
  }),
);

const ROUNDS: readonly (readonly [name: string, shape: RoundShape])[] = [
  ['8 stops with windows', { stops: 8, seed: 5, windows: true }],
  ['14 stops with windows', { stops: 14, seed: 5, windows: true }],
  ['14 with windows, lunch, water', { stops: 14, seed: 5, windows: true, lunch: true, tank: true }],
  ['30 stops with windows', { stops: 30, seed: 5, windows: true }],
  ['30 with windows, lunch, water', { stops: 30, seed: 5, windows: true, lunch: true, tank: true }],
];
report(
  'rounds',
  ROUNDS.map(([name, shape]) => {
    const its = randomRound(shape);
    const driving = drivingByRoad(its);
    return { round: name, ms: taken(() => planRound(its, driving)) };
  }),
);
