import { day } from '@dewpond/core/units';
import { share80 } from '../core/src/stock/tests/manySalons';
import { report, round, seeded } from './report';

/** How often what is used lies inside the 80 % band of the stock ahead, by salons lived through dog by dog. */
const TODAY = day('2026-11-25');
report(
  'stock-band',
  (
    [
      [8, 2000],
      [60, 800],
      [600, 200],
    ] as const
  ).map(([dogs, salons]) => ({
    dogs,
    salons,
    ...Object.fromEntries(
      Object.entries(share80(dogs, salons, TODAY, seeded(dogs))).map(([days, share]) => [
        `inside at ${days} days, %`,
        round(100 * share, 1),
      ]),
    ),
  })),
);
