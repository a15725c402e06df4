import { PLAN_COSTS, bestSlots, planBookings, type Book } from '@dewpond/core/bookings';
import { randomBook } from '../core/src/bookings/tests/books';
import { quantile, report, round, type Row } from './report';

/**
 * Weeks of bookings: when the first plan is there, how far it is from the bound after 1, 5 and 30 seconds, the longest a
 * round takes, memory; and how long the best times for one dog take. The bound knows nothing of gaps between visits: the
 * distance is told as it is.
 */
const BOOKS: readonly (readonly [name: string, book: () => Book])[] = [
  [
    '600 dogs × 12 weeks × 4 people, 95 % asked',
    () => randomBook({ dogs: 600, days: 84, people: 4, fill: 0.95, seed: 7 }),
  ],
  ['the same, 130 % asked', () => randomBook({ dogs: 600, days: 84, people: 4, fill: 1.3, seed: 7 })],
  ['2,000 × 12 × 8, 95 % asked', () => randomBook({ dogs: 2000, days: 84, people: 8, fill: 0.95, seed: 7 })],
];
const MARKS = [1, 5, 30];

function planned(name: string, book: Book): Row {
  const began = performance.now();
  const row: Record<string, string | number> = { book: name };
  let [last, longest, marks] = [began, 0, [...MARKS]];
  for (const { cost, bound, round: at } of planBookings(book)) {
    const now = performance.now();
    if (at === 0) row['first plan s'] = round((now - began) / 1000);
    else longest = Math.max(longest, now - last);
    last = now;
    const seconds = (now - began) / 1000;
    const over = bound > 0 ? round((100 * (cost - bound)) / bound, 1) : 'no bound yet';
    for (const mark of marks.filter((each) => seconds >= each)) row[`over bound % at ${mark} s`] = over;
    marks = marks.filter((each) => seconds < each);
    if (marks.length === 0) break;
  }
  row['longest round ms'] = round(longest, 0);
  row['heap MB'] = round(process.memoryUsage().heapUsed / 2 ** 20, 0);
  return row;
}

report(
  'bookings',
  BOOKS.map(([name, book]) => planned(name, book())),
);

const large = randomBook({ dogs: 2000, days: 84, people: 8, fill: 0.95, seed: 7 });
const times = large.dogs.slice(0, 400).map(({ id }) => {
  const from = performance.now();
  bestSlots({ book: large, dog: id, choice: 'full', together: [] }, PLAN_COSTS);
  return performance.now() - from;
});
report('best-slots', [
  {
    dogs: 2000,
    'p50 ms': round(quantile(times, 0.5)),
    'p95 ms': round(quantile(times, 0.95)),
    'worst ms': round(Math.max(...times)),
  },
]);
