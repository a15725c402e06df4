import { yearOfBook, type Running } from '../core/src/bookings/tests/yearOfBook';
import { report, round } from './report';

/**
 * A year of 180 dogs with hidden rates, run in four ways: planned week by week with what was learned, every six weeks,
 * every three (about as many visits as the plan has), and whenever an owner sees the need and rings. The first twelve weeks
 * are not counted. 24 of the dogs live on farms, two on each, to which the van drives on Tuesdays and Fridays. A day of lateness is a day on which one task of one dog is past what it truly bears.
 */
const YEAR = { dogs: 180, weeks: 52, skip: 12, people: 4, onFarms: 24, seed: 1 };
/** With what a coming costs where it is planned: 5 is the house value, more of it makes fewer visits. */
const RUNNINGS: readonly (readonly [Running, number])[] = [
  ['planned', 5],
  ['planned', 120],
  ['planned', 300],
  ['every six weeks', 0],
  ['every three weeks', 0],
  ['when they ring', 0],
];

report(
  'weeks-year',
  RUNNINGS.map(([running, trip]) => {
    const { visits, lateDays, overCare, idle, driven } = yearOfBook({ ...YEAR, trip }, running);
    return {
      running: running === 'planned' ? `planned, a trip at ${trip}` : running,
      'visits a dog and year': round((visits / YEAR.dogs) * (52 / (YEAR.weeks - YEAR.skip)), 1),
      'late days a visit': round(lateDays / visits, 1),
      'late days': lateDays,
      'over-care': overCare,
      'idle %': round(100 * idle, 0),
      'driving, h': round(driven / 60, 0),
    };
  }),
);
