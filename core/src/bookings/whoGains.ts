import { admits, wishesMissed, type WorkBlock, type Book, type DayIndex, type DogToBook } from './book';
import type { PlanCosts } from './costs';
import { blockPrices, type KeptPrices } from './dayPrices';
import { tablesOf, type DogTables } from './dogTables';
import { drivenFor } from './weeks';
import { costsOfDays, pathThrough, pathWithout } from './laterVisits';

/** A dog that could take a time that came free. */
export interface Gain {
  readonly dog: string;
  readonly choice: 'full' | 'short';
  /** What coming then saves, in days of lateness of an ordinary task. */
  readonly gain: number;
  /** Days past the end of its first due window on that day; 0 or less: not late. */
  readonly lateBy: number;
  /** The booking that would be given up for it: the next one, where there is one. */
  readonly insteadOf: string | null;
}

/**
 * Who would gain most from a time that came free, the most first: what each dog's visits cost without it, less what they
 * cost with it and what is missed of its wishes. A dog with a booking of its own gives up the next. Nobody is in it who
 * would gain nothing, may not be there, or does not fit.
 */
export function whoGains(book: Book, slot: WorkBlock, costs: PlanCosts, kept: KeptPrices = {}): Gain[] {
  const prices = blockPrices(book, kept);
  const person = book.people.find(({ id }) => id === slot.person);
  if (!person) return [];
  const length = slot.to - slot.from;
  const here = book.dogs.filter((dog) => admits(slot, person, dog.needs));
  return tablesOf({ ...book, dogs: here }, costs)
    .flatMap((tables, i): Gain[] => {
      const dog = here[i];
      if (!dog || dog.standing.some(({ day }) => day <= slot.day)) return [];
      const fitting = ([dog.full, dog.short] as const).map(
        (choice) => choice !== null && choice.minutes - drivenFor(book, dog) <= length,
      );
      const choice = fitting[0] ? 'full' : fitting[1] ? 'short' : null;
      if (!choice) return [];
      const gain = gainOf(book, dog, tables, { slot, choice, prices, wish: costs.wish });
      const [next] = dog.standing.filter(({ isFixed }) => isFixed).toSorted((a, b) => a.day - b.day);
      return gain <= 0
        ? []
        : [{ dog: dog.id, choice, gain, lateBy: latenessOn(dog, slot.day), insteadOf: next?.id ?? null }];
    })
    .toSorted((a, b) => b.gain - a.gain || a.dog.localeCompare(b.dog));
}

interface Offer {
  readonly slot: WorkBlock;
  readonly choice: 'full' | 'short';
  readonly prices: Float64Array;
  readonly wish: number;
}

function gainOf(book: Book, dog: DogToBook, tables: DogTables, { slot, choice, prices, wish }: Offer): number {
  const on = costsOfDays(book, tables, prices);
  const given = tables.forced.toSorted((a, b) => a.day - b.day).slice(1);
  const visit = { day: slot.day, isFull: choice === 'full' };
  const missed = wishesMissed(dog.wishes, slot).length;
  const withIt = pathThrough({ ...tables, forced: given }, visit, on) + tables.trip + wish * missed;
  return pathWithout(tables, slot.day, on) - withIt;
}

function latenessOn({ care }: DogToBook, day: DayIndex): number {
  return day - Math.min(...care.map((each) => each.last + each.latest));
}
