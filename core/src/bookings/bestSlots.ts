import {
  wantsNothing,
  wishesMissed,
  type Book,
  type DayIndex,
  type DogToBook,
  type Wishes,
  type WorkBlock,
} from './book';
import { comerOf, placeAlong, staysOf, startsIn, type Comer, type DogThen } from './comeAlong';
import { careThen, driverOf, timingOf, type TimingReason } from './timing';
import type { PlanCosts } from './costs';
import { blockPrices, type KeptPrices } from './dayPrices';

/** A time that is free, with what it costs and why it is not better. */
export interface FreeSlot {
  readonly person: string;
  readonly day: DayIndex;
  /** Minutes from midnight. */
  readonly from: number;
  readonly to: number;
  /** When those come that come along, in the order they were asked for. */
  readonly along: readonly DogThen[];
  /** In days of lateness of an ordinary task; what it costs over the best. */
  readonly over: number;
  /** What speaks for it, or is worse than at the best: the largest two. */
  readonly why: readonly SlotReason[];
}

export type SlotReason =
  | TimingReason
  | { readonly about: 'after'; readonly is: 'worse' }
  | { readonly about: 'day'; readonly is: 'quiet' | 'fuller' }
  | { readonly about: 'trip'; readonly is: 'together' | 'apart' }
  | { readonly about: 'wish'; readonly missed: keyof Wishes }
  | { readonly about: 'gap'; readonly minutes: number }
  /** Its household is so long at the salon. */
  | { readonly about: 'apart'; readonly minutes: number };

export interface SlotQuestion {
  /** Blocks as they are free, bookings cut out; the dog is one of its dogs, with its bookings to come as fixed ones. */
  readonly book: Book;
  readonly dog: string;
  readonly choice: 'full' | 'short';
  /** Where another length than the dog's own is wanted. */
  readonly minutes?: number;
  /** Dogs of its household that come on the same day, as near to it as can be: they are dogs of the book, too. */
  readonly others?: readonly { readonly dog: string; readonly choice: 'full' | 'short' }[];
  /** Only this day. */
  readonly on?: DayIndex;
  /** Days on which somebody of its household is booked already. */
  readonly together: readonly DayIndex[];
  /** Prices of the days, as the last planning of weeks found them. */
  readonly kept?: KeptPrices;
}

export interface SlotAnswer {
  /** Best first, three to five where there are so many. */
  readonly slots: readonly FreeSlot[];
  /** No free time is inside the due windows: the best is so many days after the first of them closes. */
  readonly lateBy: number | null;
  /** What all of the dog's visits cost with the best of them: to set kinds of visit side by side. Infinite where none is free. */
  readonly cost: number;
}

const NONE: SlotAnswer = { slots: [], lateBy: null, cost: Infinity };

const MOST = 5;
const MOST_A_DAY = 2;
/** Two slots of one day are as far apart, min. */
const APART = 60;
/** A hole shorter than this is of no use, min; what it costs, and what a split gap costs. */
const HOLE = { shortest: 30, costs: 1, split: 0.5 } as const;
/** What is less than this is no reason. */
const NOTEWORTHY = 0.25;

/** What one slot costs, by what it is paid for. */
type Parts = Readonly<Record<'care' | 'after' | 'day' | 'trip' | 'wish' | 'gap' | 'apart', number>>;
type Candidate = Omit<FreeSlot, 'over' | 'why'> & {
  readonly parts: Parts;
  readonly cost: number;
  readonly hole: number;
};

/**
 * The best times for one dog, the book standing: the care of that day, what comes after it at the prices of the days, its
 * trip, the price of its minutes, wishes missed, and holes that it would leave.
 */
export function bestSlots(question: SlotQuestion, costs: PlanCosts): SlotAnswer {
  const { book, dog: id, choice, others = [], kept = {} } = question;
  const prices = blockPrices(book, kept);
  const comers = [{ dog: id, choice }, ...others].map((each) => comerOf(book, each, prices, costs));
  const [{ dog }] = comers as [Comer];
  const candidates = candidatesOf(question, comers as [Comer, ...Comer[]], prices, costs).toSorted(byCost);
  const chosen = spread(candidates);
  const best = chosen[0];
  if (!best) return NONE;
  const driver = driverOf(careThen(dog, { ...best, choice: question.choice }, dog.standing));
  const closes = driver.last + driver.latest;
  return {
    slots: chosen.map(({ parts, cost, hole, ...slot }) => ({
      ...slot,
      over: cost - best.cost,
      why: reasonsOf({ ...slot, parts, cost, hole }, best, dog, question),
    })),
    lateBy: candidates.every(({ day }) => day > closes) ? best.day - closes : null,
    cost: best.cost,
  };
}

const byCost = (a: Candidate, b: Candidate) => a.cost - b.cost || a.day - b.day || a.from - b.from;

function candidatesOf(
  { book, minutes, on: only, together }: SlotQuestion,
  [comer, ...others]: readonly [Comer, ...Comer[]],
  prices: Float64Array,
  costs: PlanCosts,
): Candidate[] {
  const { dog, tables, driven } = comer;
  const hands = minutes ?? comer.minutes - driven;
  const length = hands + driven;
  const taken = new Set([comer, ...others].flatMap((each) => each.dog.standing.map(({ day }) => day)));
  const on = { book, prices };
  const found: Candidate[] = [];
  for (const [day, blocks] of tables.blocks.entries()) {
    if (taken.has(day) || blocks.length === 0 || (only !== undefined && day !== only)) continue;
    const costsThen = [comer, ...others].map((each) => each.costOn(day));
    const care = costsThen.reduce((sum, each) => sum + each.care, 0);
    const after = costsThen.reduce((sum, each) => sum + each.after, 0);
    const trip = together.includes(day) ? 0 : tables.trip;
    for (const index of blocks) {
      const block = book.blocks[index];
      if (!block || block.to - block.from < length) continue;
      for (const from of startsIn(block, length)) {
        const along = placeAlong(on, others, day, { dog: dog.id, person: block.person, from, to: from + length });
        if (!along) continue;
        const [before, behind] = [from - block.from, block.to - from - length];
        const hole = holeOf(before) || holeOf(behind);
        const holes = Number(holeOf(before) > 0) + Number(holeOf(behind) > 0);
        const wish = costs.wish * missedIn(dog, block, from, from + length);
        const gap = HOLE.costs * holes + (before > 0 && behind > 0 ? HOLE.split : 0);
        const minutesThen = (prices[index] ?? 0) * length + along.minutesCost;
        const parts: Parts = { care, after, day: minutesThen, trip, wish, gap, apart: along.apart };
        const cost = care + after + minutesThen + trip + wish + gap + along.apart;
        found.push({ person: block.person, day, from, to: from + hands, along: along.visits, parts, cost, hole });
      }
    }
  }
  return found;
}

/** What is left at one end of a time and fits nobody, min; 0 where it is of use, or nothing is left. */
const holeOf = (left: number): number => (left < HOLE.shortest ? left : 0);

/** How many wishes a time misses; most dogs have none. */
function missedIn({ wishes }: DogToBook, block: WorkBlock, from: number, to: number): number {
  return wantsNothing(wishes) ? 0 : wishesMissed(wishes, { ...block, from, to }).length;
}

/** The cheapest, at most two a day and an hour apart. */
function spread(candidates: readonly Candidate[]): Candidate[] {
  const chosen: Candidate[] = [];
  for (const each of candidates) {
    if (chosen.length === MOST) break;
    const sameDay = chosen.filter(({ day }) => day === each.day);
    if (sameDay.length >= MOST_A_DAY || sameDay.some(({ from }) => Math.abs(from - each.from) < APART)) continue;
    chosen.push(each);
  }
  return chosen;
}

function reasonsOf(
  slot: Candidate,
  best: Candidate,
  dog: DogToBook,
  { book, choice, together }: SlotQuestion,
): SlotReason[] {
  const isBest = slot.cost === best.cost;
  const [timing, ...whole] = timingOf(careThen(dog, { ...slot, choice }, dog.standing), slot.day);
  const missed = wishesMissed(dog.wishes, { ...at(book, slot), from: slot.from, to: slot.to });
  const told: Record<keyof Parts, SlotReason | null> = {
    care: timing ?? null,
    after: { about: 'after', is: 'worse' },
    day: { about: 'day', is: 'fuller' },
    trip: { about: 'trip', is: 'apart' },
    wish: missed[0] ? { about: 'wish', missed: missed[0] } : null,
    gap: slot.hole > 0 ? { about: 'gap', minutes: slot.hole } : null,
    apart: { about: 'apart', minutes: staysOf(slot) },
  };
  if (!isBest) {
    const worse = (Object.keys(told) as (keyof Parts)[])
      .map((part) => ({ reason: told[part], by: slot.parts[part] - best.parts[part] }))
      .filter(({ reason, by }) => reason !== null && by > NOTEWORTHY)
      .toSorted((a, b) => b.by - a.by)
      .flatMap(({ reason }) => reason ?? [])
      .slice(0, 2);
    return worse.length > 0 || !timing ? worse : [timing];
  }
  return [
    ...(timing ? [timing] : []),
    ...whole,
    ...(together.includes(slot.day) ? [{ about: 'trip', is: 'together' } as const] : []),
    ...(told.wish ? [told.wish] : slot.parts.day < NOTEWORTHY ? [{ about: 'day', is: 'quiet' } as const] : []),
  ].slice(0, 3);
}

const at = (book: Book, { day, person, from }: Pick<FreeSlot, 'day' | 'person' | 'from'>): WorkBlock =>
  book.blocks.find(
    (block) => block.day === day && block.person === person && block.from <= from && from < block.to,
  ) ?? {
    person,
    day,
    from,
    to: from,
    where: '',
    isFirst: false,
    isLast: false,
  };
