import { admits, wantsNothing, wishesMissed, type Book, type DogToBook } from './book';
import { careCost, endCost, owedCost, type PlanCosts } from './costs';

/** One clock of a dog: care that is always done together has one gap. All arrays are costs. */
export interface CareClock {
  /** By gap in days, 0 to `days`. */
  readonly care: Float64Array;
  /** By the day of the first visit of the horizon. */
  readonly first: Float64Array;
  /** What the end leaves due, by the day it was last done. */
  readonly end: Float64Array;
  /** What the end leaves due where it was never done in the horizon. */
  readonly endNever: number;
}

/** A visit of a dog that must stay: its day, and whether it is the full one. */
export interface Forced {
  readonly day: number;
  readonly isFull: boolean;
}

/** A dog as the search sees it: everything that does not depend on others, as tables. */
export interface DogTables {
  readonly index: number;
  readonly id: string;
  readonly household: number;
  /** What only a full visit does; null where every visit does all. */
  readonly slow: CareClock | null;
  /** What every visit does; holds what is owed for coming. */
  readonly quick: CareClock;
  /** All care, as if there were full visits only. */
  readonly whole: CareClock;
  /** Minutes of a full and of a short visit. */
  readonly minutes: readonly [full: number, short: number];
  /** Minutes of each shared thing, full and short, in the order of `Book.shared`. */
  readonly uses: readonly [full: readonly number[], short: readonly number[]];
  /** The blocks it may be in, by day. */
  readonly blocks: readonly (readonly number[])[];
  /** What a block costs in wishes missed; and in bookings moved, which is below nothing where one is kept. */
  readonly blockCost: (block: number) => number;
  readonly forced: readonly Forced[];
  /** What is paid for the bookings that may move, as if all of them were given up. */
  readonly movedBase: number;
  /** Its trip, split among its household where the bound asks for that. */
  readonly trip: number;
}

export const FULL = 0;
export const SHORT = 1;
export type Kind = typeof FULL | typeof SHORT;

function clockOf(
  { days, together, costs }: { readonly days: number; readonly together: number; readonly costs: PlanCosts },
  dog: DogToBook,
  keys: ReadonlySet<string>,
  owed: boolean,
): CareClock {
  const care = dog.care.filter(({ key }) => keys.has(key));
  const shortest = Math.min(...dog.care.map(({ ideal }) => ideal));
  const owes = (last: number) => (owed ? owedCost(last, shortest, days, together, costs.trip) : 0);
  const sum = (of: (each: DogToBook['care'][number]) => number) => care.reduce((total, each) => total + of(each), 0);
  const table = (length: number, of: (i: number) => number) => Float64Array.from({ length }, (_, i) => of(i));
  return {
    care: table(days + 1, (gap) => sum((each) => careCost(each, gap, costs))),
    first: table(days, (day) => sum((each) => careCost(each, day - each.last, costs))),
    end: table(days, (last) => sum((each) => endCost(each, last, days, costs)) + owes(last)),
    endNever: sum((each) => endCost(each, each.last, days, costs)) + owes(dog.lastVisit),
  };
}

/** Which blocks a dog may be in, by day; dogs that need the same share the list. */
function blocksFor(book: Book): (dog: DogToBook) => readonly (readonly number[])[] {
  const known = new Map<string, readonly (readonly number[])[]>();
  const people = new Map(book.people.map((person) => [person.id, person]));
  return ({ needs }) => {
    const key = JSON.stringify(needs);
    const found = known.get(key);
    if (found) return found;
    const byDay = Array.from({ length: book.days }, (): number[] => []);
    for (const [i, block] of book.blocks.entries()) {
      const person = people.get(block.person);
      if (person && admits(block, person, needs)) byDay[block.day]?.push(i);
    }
    known.set(key, byDay);
    return byDay;
  };
}

/** Every dog of the book as tables, in the book's order. Throws `RangeError` on care or minutes that cannot be planned. */
export function tablesOf(book: Book, costs: PlanCosts): DogTables[] {
  const blocksOf = blocksFor(book);
  const households = new Map<string, number>();
  const sizes = new Map<string, number>();
  for (const { household } of book.dogs) sizes.set(household, (sizes.get(household) ?? 0) + 1);
  return book.dogs.map((dog, index) => {
    assertPlannable(dog, book.days);
    const quickKeys = new Set((dog.short ?? dog.full).covers);
    const slowKeys = new Set(dog.full.covers.filter((key) => !quickKeys.has(key)));
    const household = households.get(dog.household) ?? households.size;
    households.set(dog.household, household);
    const its = { days: book.days, together: sizes.get(dog.household) ?? 1, costs };
    const slow = dog.short && slowKeys.size > 0 ? clockOf(its, dog, slowKeys, false) : null;
    const quick = clockOf(its, dog, quickKeys, true);
    return {
      index,
      id: dog.id,
      household,
      slow,
      quick,
      whole: slow ? clockOf(its, dog, new Set(dog.full.covers), true) : quick,
      minutes: [dog.full.minutes, dog.short?.minutes ?? Infinity],
      uses: [usesOf(book, dog.full.uses), usesOf(book, dog.short?.uses ?? {})],
      blocks: blocksOf(dog),
      blockCost: costOfBlocks(book, dog, costs),
      forced: dog.standing
        .filter(({ isFixed }) => isFixed)
        .map(({ day, choice }) => ({ day, isFull: choice === 'full' || dog.short === null })),
      movedBase: costs.moved * dog.standing.filter(({ isFixed }) => !isFixed).length,
      trip: costs.trip + costs.drive * (book.drive[dog.household] ?? 0),
    };
  });
}

const usesOf = (book: Book, uses: Readonly<Record<string, number>>): number[] =>
  book.shared.map(({ name }) => uses[name] ?? 0);

/** Wishes and kept bookings of one block, worked out once. */
function costOfBlocks(book: Book, { wishes, standing }: DogToBook, costs: PlanCosts): (block: number) => number {
  const movable = standing.filter(({ isFixed }) => !isFixed);
  const isPlain = wantsNothing(wishes) && movable.length === 0;
  if (isPlain) return () => 0;
  const made = Float64Array.from(book.blocks, (block) => {
    const missed = wishesMissed(wishes, block).length;
    const kept = movable.filter(({ day }) => day === block.day);
    const saved = kept.reduce(
      (sum, { person }) => sum + costs.moved - (person === block.person ? 0 : costs.otherPerson),
      0,
    );
    return costs.wish * missed - saved;
  });
  return (block) => made[block] ?? 0;
}

function assertPlannable({ id, care, full, short, lastVisit }: DogToBook, days: number): void {
  const say = (what: string): never => {
    throw new RangeError(`Dog ${id}: ${what}`);
  };
  if (!Number.isInteger(days) || days < 1) say(`a horizon of ${days} days.`);
  if (care.length === 0) say('nothing comes round, so nothing can be booked.');
  if (lastVisit > 0) say('its last visit is after the horizon began.');
  for (const each of care) {
    if (!(each.ideal >= 1 && each.earliest <= each.ideal && each.ideal <= each.latest))
      say(`${each.key} is due from ${each.earliest} to ${each.latest} days, best after ${each.ideal}.`);
    if (each.last > 0) say(`${each.key} was last done after the horizon began.`);
    if (!full.covers.includes(each.key)) say(`no visit does ${each.key}.`);
  }
  for (const choice of short ? [full, short] : [full])
    if (!(choice.minutes > 0)) say(`a ${choice.name} of ${choice.minutes} minutes.`);
}
