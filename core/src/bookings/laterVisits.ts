import type { Book } from './book';
import { cheapestPath, type DayCosts } from './dogPath';
import { FULL, SHORT, type DogTables, type Forced, type Kind } from './dogTables';

/** What each day would cost a dog's visits at the prices of the days, in the cheapest block that is long enough. */
export function costsOfDays(book: Book, tables: DogTables, prices: Float64Array): DayCosts {
  const of = (kind: Kind) =>
    Float64Array.from({ length: book.days }, (_, day) => {
      const minutes = tables.minutes[kind];
      const costs = (tables.blocks[day] ?? [])
        .filter((index) => {
          const block = book.blocks[index];
          return block !== undefined && block.to - block.from >= minutes;
        })
        .map((block) => tables.blockCost(block) + (prices[block] ?? 0) * minutes);
      return costs.length === 0 ? Infinity : tables.trip + Math.min(...costs);
    });
  return { full: of(FULL), short: tables.slow ? of(SHORT) : new Float64Array(book.days).fill(Infinity) };
}

/**
 * What all of a dog's visits cost with this one as the next that is not booked yet: care and end, its own day apart.
 * Bookings that stand are kept.
 */
export function pathThrough(tables: DogTables, visit: Forced, on: DayCosts): number {
  const then: DayCosts = { full: on.full.slice(), short: on.short.slice() };
  then.full.fill(Infinity, 0, visit.day);
  then.short.fill(Infinity, 0, visit.day);
  return pathKeeping(tables, [...tables.forced, visit], then);
}

/** The same where only later days are open: what becomes of it without this one. */
export function pathWithout(tables: DogTables, day: number, on: DayCosts): number {
  const then: DayCosts = { full: on.full.slice(), short: on.short.slice() };
  then.full.fill(Infinity, 0, day + 1);
  then.short.fill(Infinity, 0, day + 1);
  return pathKeeping(tables, tables.forced, then);
}

/** What all of a dog's visits cost on the days that are open, its bookings kept; `then` is written over. */
export function pathKeeping(tables: DogTables, forced: readonly Forced[], then: DayCosts): number {
  for (const { day, isFull } of forced) {
    then.full[day] = isFull ? 0 : Infinity;
    then.short[day] = isFull ? Infinity : 0;
  }
  return cheapestPath({ ...tables, forced, movedBase: 0 }, then).cost;
}
