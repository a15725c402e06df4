import { visitChoice, type Book, type DayIndex, type DogToBook } from './book';
import { careCost, type PlanCosts } from './costs';
import { tablesOf, type DogTables } from './dogTables';
import { free, type Span } from './hours';
import { costsOfDays, pathThrough } from './laterVisits';
import { careThen } from './timing';
import { drivenFor } from './weeks';

/** A dog that comes along, when and to whom. */
export interface DogThen {
  readonly dog: string;
  readonly person: string;
  readonly from: number;
  readonly to: number;
}

/** What it costs for each hour that a household comes at different times, or waits for each other [house value]. */
const APART_AN_HOUR = 0.5;
/** One of those that come, with what a day costs it. */
export interface Comer {
  readonly dog: DogToBook;
  readonly tables: DogTables;
  /** Minutes of hands and of driving. */
  readonly minutes: number;
  readonly driven: number;
  readonly costOn: (day: DayIndex) => { readonly care: number; readonly after: number };
}

export function comerOf(
  book: Book,
  { dog: id, choice }: { readonly dog: string; readonly choice: 'full' | 'short' },
  prices: Float64Array,
  costs: PlanCosts,
): Comer {
  const dog = book.dogs.find((each) => each.id === id);
  if (!dog) throw new RangeError(`There is no dog ${id} in the book.`);
  const [tables] = tablesOf({ ...book, dogs: [dog] }, costs);
  if (!tables) throw new RangeError(`Dog ${id} cannot be planned.`);
  const later = costsOfDays(book, tables, prices);
  const isFull = choice === 'full' || dog.short === null;
  return {
    dog,
    tables,
    minutes: visitChoice(dog, choice).minutes,
    driven: drivenFor(book, dog),
    costOn: (day) => {
      const due = careThen(dog, { day, choice }, dog.standing);
      const care = due.reduce((sum, each) => sum + careCost(each, day - each.last, costs), 0);
      return { care, after: pathThrough(tables, { day, isFull }, later) - care };
    },
  };
}

interface PricedBook {
  readonly book: Book;
  readonly prices: Float64Array;
}

const ALONE = { visits: [], minutesCost: 0, apart: 0 };

/**
 * Where those stand that come along on that day, each as near to the others as its free time has it; null where one finds
 * no place.
 */
export function placeAlong(
  { book, prices }: PricedBook,
  others: readonly Comer[],
  day: DayIndex,
  own: DogThen,
): { readonly visits: readonly DogThen[]; readonly minutesCost: number; readonly apart: number } | null {
  if (others.length === 0) return ALONE;
  const placed = [own];
  let minutesCost = 0;
  let apart = 0;
  for (const { dog, tables, minutes } of others) {
    const [from, to] = [Math.min(...placed.map((each) => each.from)), Math.max(...placed.map((each) => each.to))];
    let best: (DogThen & { readonly cost: number; readonly price: number; readonly waits: number }) | null = null;
    for (const index of tables.blocks[day] ?? []) {
      const block = book.blocks[index];
      if (!block) continue;
      const busy = placed.filter(({ person }) => person === block.person);
      for (const piece of free(block, busy)) {
        if (piece.to - piece.from < minutes) continue;
        for (const start of new Set([...startsIn(piece, minutes), clamped(from, piece, minutes)])) {
          const price = (prices[index] ?? 0) * minutes;
          // How much longer the household is there for it than for as long as it takes.
          const stays = Math.max(to, start + minutes) - Math.min(from, start);
          const waits = (APART_AN_HOUR * (stays - Math.max(to - from, minutes))) / 60;
          const its = { dog: dog.id, person: block.person, from: start, to: start + minutes };
          if (best === null || price + waits < best.cost) best = { ...its, price, waits, cost: price + waits };
        }
      }
    }
    if (best === null) return null;
    const { price, waits, cost: _, ...its } = best;
    minutesCost += price;
    apart += waits;
    placed.push(its);
  }
  return {
    visits: placed.slice(1).map((each, i) => ({ ...each, to: each.to - (others[i]?.driven ?? 0) })),
    minutesCost,
    apart,
  };
}

/** The start nearest to a minute at which so much fits. */
const clamped = (minute: number, { from, to }: Span, length: number): number =>
  Math.min(Math.max(minute, from), to - length);

/** Against either end of the free time, and at noon, where a morning may become an afternoon. */
export function startsIn({ from, to }: Span, length: number): number[] {
  const noon = 12 * 60;
  const starts = [from, to - length, ...(from < noon && to - length > noon ? [noon] : [])];
  return [...new Set(starts)];
}

/** From the first of a household to the last, min. */
export const staysOf = ({ from, to, along }: Span & { readonly along: readonly Span[] }): number =>
  Math.max(to, ...along.map((each) => each.to)) - Math.min(from, ...along.map((each) => each.from));
