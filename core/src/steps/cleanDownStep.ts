import { HOUSE_VALUE } from '../provenance';
import type { HouseWays } from '../ways';
import { partsOf } from './contents';
import { practice, step } from './makeStep';
import { title } from './stepTitles';
import { STAGE_MINUTES, type Step } from './steps';
import type { VisitPlan } from './visitPlan';

/** What is cleaned between dogs [common practice]; tub and dryer where the dog was bathed. */
const CLEANED = ['table', 'tub', 'dryer', 'tools', 'hands'] as const;
const OF_THE_BATH: ReadonlySet<string> = new Set<(typeof CLEANED)[number]>(['tub', 'dryer']);

/** Minutes on table and tub by the business's disinfectant; at least so long after what may spread [house value]. */
const DISINFECT: Readonly<Record<HouseWays['disinfect'], number>> = {
  '1 min': 1,
  '5 min': 5,
  '10 min': 10,
  '15 min': 15,
};
const LONGEST_DISINFECT = 10;
/** Hands-on, after what may spread [house value]. */
const LONG_MINUTES = 15;

/** Table, tub and tools between two dogs; the long way after what may spread. */
export function cleanDownStep(visit: VisitPlan): Step {
  const spreads = visit.found.maySpread;
  const usual = DISINFECT[visit.facts.ways.disinfect];
  const isBathed = partsOf(visit).includes('bath');
  return step('clean-down', {
    title: title(spreads ? 'long clean-down' : 'clean-down'),
    parts: CLEANED.filter((each) => isBathed || !OF_THE_BATH.has(each)),
    how: spreads
      ? practice(
          'Table, tub, dryer, tools and floor: hair off first, then disinfectant for its full time.',
          'This dog’s towels and your apron straight to the hot wash. Gloves off last.',
        )
      : practice('Hair off table, tub and tools, then wiped down. Nozzles wiped.'),
    minutes: spreads ? LONG_MINUTES : STAGE_MINUTES['clean-down'],
    dwell: {
      timer: 'clean-down',
      name: 'Disinfectant on',
      // What may spread gets the longest that any label asks.
      seconds: 60 * (spreads ? Math.max(LONGEST_DISINFECT, usual) : usual),
      source: HOUSE_VALUE,
    },
  });
}
