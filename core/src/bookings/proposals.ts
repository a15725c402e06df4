import { daysBetween, type Day } from '../units';
import type { SlotReason } from './bestSlots';
import { visitChoice, type Book, type DogToBook, type PlannedVisit } from './book';
import { careThen, timingOf } from './timing';
import type { PlanCosts } from './costs';
import { blockPrices, type KeptPrices } from './dayPrices';
import { tablesOf } from './dogTables';
import { heldPlan, holding } from './giveWay';
import { costsOfDays, pathKeeping } from './laterVisits';
import { packTimes } from './packTimes';
import { bookOf, dayOfWeeks, drivenFor, handsOfDays, type Weeks } from './weeks';

/** A visit that is proposed, with its time, why then, and what it would cost on another day. */
export interface ProposedVisit {
  readonly dog: string;
  readonly person: string;
  readonly day: Day;
  /** Minutes from midnight. */
  readonly from: number;
  readonly to: number;
  readonly kind: string;
  readonly why: readonly SlotReason[];
  /** In days of lateness of an ordinary task; 0 where another day is as good. */
  readonly toMove: number;
  /** The booking that it replaces, where one is moved. */
  readonly insteadOf: string | null;
  /** What falls to home care until then, and how often. */
  readonly atHome: readonly { readonly name: string; readonly times: number }[];
}

/** A dog that is due in these weeks and found no place. */
export interface Unplaced {
  readonly dog: string;
  readonly because: 'no hours' | 'not there' | 'no skill' | 'too long' | 'full';
  /** The day its first due window closes. */
  readonly closes: Day;
}

export interface DayUse {
  readonly day: Day;
  /** Minutes of hands there are, that are booked, and that are proposed. */
  readonly open: number;
  readonly booked: number;
  readonly proposed: number;
}

export interface ProposedWeeks {
  readonly proposals: readonly ProposedVisit[];
  readonly unplaced: readonly Unplaced[];
  readonly days: readonly DayUse[];
}

/** Proposals, and the plan that is left where some of it gave way to bookings that stand; null where nothing did. */
interface ProposedPlan extends ProposedWeeks {
  readonly gaveWay: readonly PlannedVisit[] | null;
}

/** What a plan of these weeks proposes beyond what is booked, and what it leaves. `kept` are the prices it was made with. */
export function proposedWeeks(
  weeks: Weeks,
  plan: readonly PlannedVisit[],
  costs: PlanCosts,
  kept: KeptPrices,
): ProposedPlan {
  const book = bookOf(weeks);
  const movable = weeks.booked.filter(({ mayMove }) => mayMove);
  const timed = packTimes(book, plan, (dog, index) => {
    const day = dayOfWeeks(weeks, index);
    return movable.find((each) => each.dog === dog && each.day === day) ?? null;
  });
  const holds = holding(weeks, timed);
  const held = heldPlan(weeks, plan, holds);
  const explain = explainer(book, costs, kept);
  const comes = daysOfHouseholds(book, held);
  const dogs = new Map(book.dogs.map((each) => [each.id, each]));
  const proposals = holds.visits.flatMap(({ booking, ...visit }): ProposedVisit[] => {
    const { person, from } = visit;
    const day = dayOfWeeks(weeks, visit.day);
    if (booking && booking.day === day && booking.person === person && booking.from === from) return [];
    const dog = dogs.get(visit.dog);
    if (!dog) return [];
    return [
      {
        ...{ dog: visit.dog, person, day, from, to: visit.to - drivenFor(book, dog) },
        kind: visitChoice(dog, visit.choice).name,
        ...explain(dog, visit, held, comes),
        insteadOf: booking?.id ?? null,
        atHome: careUntil(weeks, held, visit),
      },
    ];
  });
  return {
    proposals,
    unplaced: unplacedOf(weeks, book, held),
    days: daysInUse(weeks, [
      ...holds.visits,
      ...holds.stays.map((each) => ({ ...each, day: daysBetween(weeks.first, each.day) })),
    ]),
    // Only what had to give way to a booking makes it another plan.
    gaveWay: timed.length > holds.visits.length ? held : null,
  };
}

/** What an owner does from the visit before, or from today, until a visit. */
function careUntil(weeks: Weeks, plan: readonly PlannedVisit[], { dog, day }: PlannedVisit): ProposedVisit['atHome'] {
  const its = weeks.dogs.find(({ id }) => id === dog)?.its.atHome ?? [];
  const before = plan.filter((each) => each.dog === dog && each.day < day).map((each) => each.day);
  const since = Math.max(0, ...before);
  return its
    .map(({ name, everyDays }) => ({ name, times: Math.floor((day - since) / everyDays) }))
    .filter(({ times }) => times > 0);
}

/** Households by the days they come, and with how many dogs. */
function daysOfHouseholds(book: Book, plan: readonly PlannedVisit[]): (dog: DogToBook, day: number) => boolean {
  const household = new Map(book.dogs.map((dog) => [dog.id, dog.household]));
  const count = new Map<string, number>();
  for (const { dog, day } of plan) {
    const key = `${day} ${household.get(dog)}`;
    count.set(key, (count.get(key) ?? 0) + 1);
  }
  return (dog, day) => (count.get(`${day} ${dog.household}`) ?? 0) > 1;
}

function explainer(book: Book, costs: PlanCosts, kept: KeptPrices) {
  const prices = blockPrices(book, kept);
  const tables = new Map(tablesOf(book, costs).map((each) => [each.id, each]));
  return (
    dog: DogToBook,
    visit: PlannedVisit,
    plan: readonly PlannedVisit[],
    together: (dog: DogToBook, day: number) => boolean,
  ): Pick<ProposedVisit, 'why' | 'toMove'> => {
    const its = tables.get(dog.id);
    const others = plan.filter((each) => each.dog === dog.id);
    const why: SlotReason[] = timingOf(careThen(dog, visit, others), visit.day);
    if (together(dog, visit.day)) why.push({ about: 'trip', is: 'together' });
    if (!its) return { why, toMove: 0 };
    const on = costsOfDays(book, its, prices);
    const best = pathKeeping(its, its.forced, on);
    const isBooked = its.forced.some(({ day }) => day === visit.day);
    const open = on.full[visit.day];
    on.full[visit.day] = Infinity;
    on.short[visit.day] = Infinity;
    const without = isBooked || open === Infinity ? best : pathKeeping(its, its.forced, on);
    return { why, toMove: Math.max(0, without - best) };
  };
}

function unplacedOf(weeks: Weeks, book: Book, plan: readonly PlannedVisit[]): Unplaced[] {
  const comes = new Set(plan.map(({ dog }) => dog));
  return book.dogs.flatMap((dog): Unplaced[] => {
    const closes = Math.min(...dog.care.map(({ last, latest }) => last + latest));
    if (comes.has(dog.id) || closes >= book.days) return [];
    const length = Math.min(dog.full.minutes, dog.short?.minutes ?? Infinity);
    const mayBe = tablesOf({ ...book, dogs: [dog] }, FREE)[0]?.blocks.flat() ?? [];
    const fits = mayBe.some((index) => (book.blocks[index]?.to ?? 0) - (book.blocks[index]?.from ?? 0) >= length);
    const because = mayBe.length === 0 ? whyNowhere(book, dog) : fits ? 'full' : 'too long';
    return [{ dog: dog.id, because, closes: dayOfWeeks(weeks, Math.max(0, closes)) }];
  });
}
/** Nobody works where it is, nobody can do what it needs, or not on a day on which it may come. */
function whyNowhere({ blocks, people }: Book, { needs }: DogToBook): 'no hours' | 'not there' | 'no skill' {
  if (!blocks.some(({ where }) => where === needs.where)) return 'not there';
  return people.some(({ skills }) => needs.skills.every((each) => skills.includes(each))) ? 'no hours' : 'no skill';
}

/** Only places are asked for, no costs. */
const FREE: PlanCosts = { late: 0, early: 0, trip: 0, wish: 0, moved: 0, otherPerson: 0, drive: 0, uneven: 0 };

/** How full each day is: by what is booked alone, or with what is proposed. */
export function daysInUse(
  weeks: Weeks,
  timed: readonly { readonly day: number; readonly from: number; readonly to: number }[] = [],
): DayUse[] {
  const sum = (list: readonly { readonly from: number; readonly to: number }[]) =>
    list.reduce((total, { from, to }) => total + to - from, 0);
  const work = bookOf({ ...weeks, over: 0, dogs: [], booked: [] }).blocks;
  return handsOfDays(weeks, work).map((hands, index) => {
    const day = dayOfWeeks(weeks, index);
    const here = weeks.booked.filter((each) => each.day === day);
    const booked = sum(here);
    const placed = sum(timed.filter((each) => each.day === index));
    const movable = sum(here.filter((each) => each.mayMove && each.choice !== null));
    return { day, open: Math.max(hands, booked), booked, proposed: Math.max(0, placed - movable) };
  });
}
