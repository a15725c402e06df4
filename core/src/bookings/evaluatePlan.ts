import {
  admits,
  visitChoice,
  wishesMissed,
  type WorkBlock,
  type Book,
  type DayIndex,
  type DogToBook,
  type PlannedVisit,
} from './book';
import { groupBy } from './groupBy';
import { careCost, endCost, owedCost, type PlanCosts } from './costs';

/** What a plan costs, by what it is paid for. */
export interface PlanCost {
  /** Late and early care, and what is not on its best day. */
  readonly care: number;
  /** What the horizon leaves due, and the next trip as far as it is used up. */
  readonly end: number;
  readonly trips: number;
  readonly wishes: number;
  readonly moved: number;
  readonly drive: number;
  readonly uneven: number;
  readonly total: number;
}

/**
 * What a plan costs, worked out from the book alone: the one judge of every plan, however it was made. Does not ask
 * whether the plan holds: see `breaches`.
 */
export function evaluatePlan(book: Book, plan: readonly PlannedVisit[], costs: PlanCosts): PlanCost {
  const byDog = groupBy(plan, ({ dog }) => dog);
  const size = (household: string) => book.dogs.filter((dog) => dog.household === household).length;
  const cost = { care: 0, end: 0, trips: 0, wishes: 0, moved: 0, drive: 0, uneven: 0 };
  for (const dog of book.dogs) {
    const visits = (byDog.get(dog.id) ?? []).toSorted((a, b) => a.day - b.day);
    const { care, end } = careOf(dog, visits, book.days, costs);
    const shortest = Math.min(...dog.care.map(({ ideal }) => ideal));
    const last = visits.at(-1)?.day ?? dog.lastVisit;
    cost.care += care;
    cost.end += end + owedCost(last, shortest, book.days, size(dog.household), costs.trip);
    cost.wishes += visits.reduce((sum, visit) => sum + costs.wish * missedWishes(book, dog, visit), 0);
    cost.moved += movedCost(book, dog, visits, costs);
  }
  const households = new Map(book.dogs.map((dog) => [dog.id, dog.household]));
  const trips = new Set(plan.map(({ dog, day }) => `${day} ${households.get(dog)}`));
  for (const trip of trips) {
    cost.trips += costs.trip;
    cost.drive += costs.drive * (book.drive[trip.slice(trip.indexOf(' ') + 1)] ?? 0);
  }
  cost.uneven = costs.uneven * hoursByDay(book, plan).reduce((sum, hours) => sum + hours ** 2, 0);
  return { ...cost, total: Object.values(cost).reduce((sum, each) => sum + each, 0) };
}

function careOf(dog: DogToBook, visits: readonly PlannedVisit[], days: number, costs: PlanCosts) {
  let [care, end] = [0, 0];
  for (const each of dog.care) {
    let last: DayIndex = each.last;
    for (const { day, choice } of visits) {
      if (!visitChoice(dog, choice).covers.includes(each.key)) continue;
      care += careCost(each, day - last, costs);
      last = day;
    }
    end += endCost(each, last, days, costs);
  }
  return { care, end };
}

function missedWishes(book: Book, { wishes }: DogToBook, { block }: PlannedVisit): number {
  const at = block === null ? undefined : book.blocks[block];
  if (!at) return 0;
  return wishesMissed(wishes, at).length;
}

function movedCost(book: Book, dog: DogToBook, visits: readonly PlannedVisit[], costs: PlanCosts): number {
  return dog.standing
    .filter(({ isFixed }) => !isFixed)
    .reduce((sum, { day, person }) => {
      const kept = visits.find((visit) => visit.day === day && visit.block !== null);
      if (!kept) return sum + costs.moved;
      return sum + (book.blocks[kept.block ?? 0]?.person === person ? 0 : costs.otherPerson);
    }, 0);
}

/** Hours of planned visits, a number a day; what is fixed is not planned. */
export function hoursByDay(book: Book, plan: readonly PlannedVisit[]): number[] {
  const dogs = new Map(book.dogs.map((dog) => [dog.id, dog]));
  const hours = Array.from({ length: book.days }, () => 0);
  for (const { dog, day, choice, block } of plan) {
    const known = dogs.get(dog);
    if (known && block !== null) hours[day] = (hours[day] ?? 0) + visitChoice(known, choice).minutes / 60;
  }
  return hours;
}

/** Everything in a plan that may not be, a sentence each; none for a plan that holds. */
export function breaches(book: Book, plan: readonly PlannedVisit[]): string[] {
  const dogs = new Map(book.dogs.map((dog) => [dog.id, dog]));
  const people = new Map(book.people.map((person) => [person.id, person]));
  const told: string[] = [];
  const minutes = new Map<number, number>();
  const used = new Map<string, number>();
  const slots = new Map<number, number>();
  const days = new Set<string>();
  const add = <Key>(map: Map<Key, number>, key: Key, more: number) => map.set(key, (map.get(key) ?? 0) + more);
  for (const visit of plan) {
    const dog = dogs.get(visit.dog);
    if (!dog) {
      told.push(`${visit.dog} is not in the book.`);
      continue;
    }
    const choice = visitChoice(dog, visit.choice);
    if (days.has(`${visit.dog} ${visit.day}`)) told.push(`${visit.dog} twice on day ${visit.day}.`);
    days.add(`${visit.dog} ${visit.day}`);
    if (visit.block === null) {
      if (!isStanding(dog, visit)) told.push(`${visit.dog} has no booking on day ${visit.day} to keep.`);
      continue;
    }
    const block = book.blocks[visit.block];
    const person = block && people.get(block.person);
    if (!block || !person || block.day !== visit.day || !admits(block, person, dog.needs)) {
      told.push(`${visit.dog} may not be in block ${visit.block} on day ${visit.day}.`);
      continue;
    }
    add(minutes, visit.block, choice.minutes);
    if (dog.needs.slot) add(slots, visit.block, 1);
    for (const [name, taken] of Object.entries(choice.uses)) add(used, `${visit.day} ${name}`, taken);
  }
  for (const [i, taken] of minutes)
    if (taken > lengthOf(book.blocks[i]))
      told.push(`Block ${i} holds ${taken} minutes of ${lengthOf(book.blocks[i])}.`);
  for (const [i, count] of slots) if (count > 1) told.push(`Block ${i} has ${count} dogs that must be first or last.`);
  for (const { name, minutes: room } of book.shared)
    for (const [day, most] of room.entries()) {
      const taken = used.get(`${day} ${name}`) ?? 0;
      if (taken > most) told.push(`${name} is used ${taken} of ${most} minutes on day ${day}.`);
    }
  for (const { id, standing } of book.dogs)
    for (const { isFixed, day } of standing)
      if (isFixed && !days.has(`${id} ${day}`)) told.push(`${id} lost its fixed booking on day ${day}.`);
  return told;
}

const lengthOf = (block: WorkBlock | undefined): number => (block ? block.to - block.from : 0);
const isStanding = ({ standing }: DogToBook, { day, choice }: PlannedVisit): boolean =>
  standing.some((each) => each.isFixed && each.day === day && each.choice === choice);
