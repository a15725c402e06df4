import { randomFrom } from '../seeds';
import { Arranger, type Arranged, type Order } from './arrange';
import { DAY_COSTS, type LineUpCosts, type PlacedGroup, type WorkDay } from './day';

export interface LineUpOptions {
  readonly costs?: LineUpCosts;
  readonly seed?: number;
  /** A line-up of the same dogs that is gone from only for a better one: that of the morning. */
  readonly near?: readonly PlacedGroup[];
  /** Orders tried in one run: the same number and the same seed give the same line-up. */
  readonly tries?: number;
}

/** Enough for a day of fourteen dogs to settle. */
const TRIES = 3000;
const GROUPS_OF_A_FULL_DAY = 14 * 3;
const MOST_RUNS = 3;
/** How much dearer an order may be and still be gone on from, in the beginning and at the end. */
const WARM = 8;
const COOL = 0.1;

/**
 * The order of work of a day. Each group gets the first time that fits, in some order; the order is improved by moving one
 * dog, one group, or one dog to another person. Groups as early as they fit hold a best day, as all but the hot hours only
 * get dearer with time. Cost grows with groups × tries × runs. The same for the same seed.
 */
export function lineUp(
  day: WorkDay,
  { costs = DAY_COSTS, seed = 1, near = [], tries = TRIES }: LineUpOptions = {},
): Arranged {
  const arranger = new Arranger(day, costs);
  const people = firstPeople(day, arranger.bookedPeople);
  const orders = [...orderOf(day, near, people), ...startOrders(day, people)];
  const starts = orders.map((order) => ({ order, cost: arranger.costOf(order) }));
  let best = starts.reduce((some, other) => (other.cost < some.cost ? other : some));
  if (day.dogs.length === 0) return arranger.arranged(best.order);
  const random = randomFrom(seed);
  const change = changesOf(day, random);
  for (let run = 0; run < runsOf(day); run++) {
    let current = best;
    for (let i = 0; i < tries; i++) {
      const order = change(current.order);
      const cost = arranger.costOf(order);
      // Early on a dearer order is often kept, at the end hardly ever: a few dogs seldom stay where none alone can move.
      const warmth = WARM * (COOL / WARM) ** (i / tries);
      if (cost <= current.cost || random() < Math.exp((current.cost - cost) / warmth)) current = { order, cost };
      if (cost < best.cost) best = current;
    }
  }
  return arranger.arranged(best.order);
}

/** A small day is warmed up again from its best, while it takes no longer than a day of fourteen dogs. */
const runsOf = ({ dogs }: WorkDay): number =>
  Math.max(
    1,
    Math.min(MOST_RUNS, Math.floor(GROUPS_OF_A_FULL_DAY / dogs.reduce((sum, { groups }) => sum + groups.length, 0))),
  );

/** Places of those who may be given another's dog. */
const workingOf = (people: WorkDay['people']): number[] =>
  people.flatMap(({ hours, isAway }, i) => (hours.length > 0 && !isAway ? [i] : []));

/** Whoever was booked; the dogs of those who are away go to whoever has least, where they may. */
function firstPeople({ dogs, people: all }: WorkDay, booked: readonly number[]): number[] {
  const working = workingOf(all);
  const minutesOf = (i: number) => dogs[i]!.groups.reduce((sum, { minutes }) => sum + minutes, 0);
  const taken = all.map((_, p) => booked.reduce((sum, each, i) => sum + (each === p ? minutesOf(i) : 0), 0));
  return booked.map((person, i) => {
    if (person >= 0 && !all[person]!.isAway) return person;
    if (dogs[i]!.keepsPerson || working.length === 0) return person;
    const least = working.reduce((some, other) => (taken[other]! < taken[some]! ? other : some));
    taken[least]! += minutesOf(i);
    return least;
  });
}

/** The order that a line-up was made in; nothing where it is of other dogs, or of other parts. */
function orderOf({ dogs, people }: WorkDay, placed: readonly PlacedGroup[], first: readonly number[]): Order[] {
  const byStart = placed.toSorted((a, b) => a.from - b.from);
  const list = byStart.map((each) => dogs.findIndex(({ id }) => id === each.dog));
  const isOfThese = dogs.every(({ groups }, i) => list.filter((each) => each === i).length === groups.length);
  if (list.length === 0 || !isOfThese || list.includes(-1)) return [];
  const whoHas = (id: string) => placed.find(({ dog }) => dog === id)?.person;
  const its = dogs.map(({ id, keepsPerson }, i) => {
    const person = keepsPerson ? -1 : people.findIndex((each) => each.id === whoHas(id));
    return person < 0 ? first[i]! : person;
  });
  return [{ list, people: its }];
}

/** Whole dogs by arrival, by what was promised, longest first; and group by group in turn, by arrival. */
function startOrders({ dogs }: WorkDay, people: readonly number[]): Order[] {
  const indices = [...dogs.keys()];
  const minutes = dogs.map(({ groups }) => groups.reduce((sum, group) => sum + group.minutes, 0));
  const by = (of: (i: number) => number) => indices.toSorted((a, b) => of(a) - of(b) || a - b);
  const whole = (order: readonly number[]) => order.flatMap((i) => dogs[i]!.groups.map(() => i));
  const arrival = by((i) => dogs[i]!.arrives);
  const most = Math.max(0, ...dogs.map(({ groups }) => groups.length));
  const inTurn = Array.from({ length: most }, (_, k) => arrival.filter((i) => k < dogs[i]!.groups.length)).flat();
  const lists = [
    whole(arrival),
    whole(by((i) => dogs[i]!.promised ?? Infinity)),
    whole(by((i) => -minutes[i]!)),
    inTurn,
  ];
  return lists.map((list) => ({ list, people }));
}

/** Shares of what is changed: another person, one group, a whole dog; the rest scatters a dog's groups. */
const PERSON = 0.2;
const GROUP = 0.6;
const DOG = 0.8;

/** Makes a copy of an order with one thing changed. */
function changesOf({ dogs, people: all }: WorkDay, random: () => number): (order: Order) => Order {
  const pick = (count: number) => Math.min(count - 1, Math.floor(random() * count));
  const movable = dogs.flatMap(({ keepsPerson, begun }, i) => (keepsPerson || begun ? [] : [i]));
  const working = workingOf(all);
  return ({ list, people }) => {
    const kind = random();
    if (kind < PERSON && movable.length > 0) {
      const dog = movable[pick(movable.length)]!;
      const others = working.filter((each) => each !== people[dog]);
      if (others.length === 0) return { list, people };
      return { list, people: people.with(dog, others[pick(others.length)]!) };
    }
    if (list.length < 2) return { list, people };
    const moved = list.slice();
    if (kind < GROUP) {
      const [group] = moved.splice(pick(list.length), 1);
      moved.splice(pick(list.length), 0, group!);
      return { list: moved, people };
    }
    const dog = list[pick(list.length)]!;
    const rest = list.filter((each) => each !== dog);
    const count = list.length - rest.length;
    if (kind < DOG) rest.splice(pick(rest.length + 1), 0, ...new Array<number>(count).fill(dog));
    else for (let k = 0; k < count; k++) rest.splice(pick(rest.length + 1), 0, dog);
    return { list: rest, people };
  };
}
