import { STEP, STEPS_A_DAY, stepAt, type LineUpCosts, type PlacedGroup, type WorkDay } from './day';
import { NOBODY, RoomOfDay, endOfHours, startOfHours } from './room';

/** A line-up as the search has it: the order in which groups are given their time, and each dog's person. */
export interface Order {
  /** Places of dogs in `WorkDay.dogs`, one for each of their groups: the first is a dog's first group. */
  readonly list: readonly number[];
  /** By dog: places of people in `WorkDay.people`. */
  readonly people: readonly number[];
}

export interface Arranged {
  readonly placed: readonly PlacedGroup[];
  /** Dogs of which something found no time before midnight. */
  readonly unplaced: readonly string[];
  /** In steps of five minutes, each weighed. */
  readonly cost: number;
}

/** What no dog should be left for: dearer than any day. */
const UNPLACED = 10_000;

/** Gives every group of an order the first time at which it fits, and says what that costs. Made once for a day. */
export class Arranger {
  private readonly room: RoomOfDay;
  private readonly turn: readonly number[];
  private readonly begun: readonly number[];
  private readonly arrives: readonly number[];
  private readonly promised: readonly (number | null)[];
  private readonly booked: readonly number[];
  private readonly startOfHours: readonly number[];
  private readonly endOfHours: readonly number[];
  private readonly ready: Int16Array;
  private readonly next: Uint8Array;
  private readonly isOut: Uint8Array;
  private readonly until: Int16Array;
  private readonly since: Int16Array;
  private readonly crates = new Int16Array(STEPS_A_DAY + 1);

  constructor(
    private readonly day: WorkDay,
    private readonly costs: LineUpCosts,
  ) {
    this.room = new RoomOfDay(day);
    this.turn = day.dogs.map(({ last, pins }) => (last ? 2 : pins.length > 0 ? 0 : 1));
    this.begun = day.dogs.flatMap(({ begun, groups }, i) => (begun && groups.length > 0 ? [i] : []));
    this.arrives = day.dogs.map((dog) => stepAt(dog.arrives));
    this.promised = day.dogs.map(({ promised }) => (promised === null ? null : stepAt(promised)));
    this.booked = day.dogs.map(({ person }) => day.people.findIndex(({ id }) => id === person));
    this.startOfHours = day.people.map(startOfHours);
    this.endOfHours = day.people.map(endOfHours);
    this.ready = new Int16Array(day.dogs.length);
    this.next = new Uint8Array(day.dogs.length);
    this.isOut = new Uint8Array(day.dogs.length);
    this.until = new Int16Array(day.people.length);
    this.since = new Int16Array(day.people.length);
  }

  /** By dog: places of people as booked. */
  get bookedPeople(): readonly number[] {
    return this.booked;
  }

  costOf(order: Order): number {
    return this.run(order, null);
  }

  arranged(order: Order): Arranged {
    const placed: PlacedGroup[] = [];
    const cost = this.run(order, placed);
    return { placed, cost, unplaced: this.day.dogs.filter((_, i) => this.isOut[i]).map(({ id }) => id) };
  }

  private run(order: Order, placed: PlacedGroup[] | null): number {
    const { day, room, costs, ready, next, crates } = this;
    room.empty();
    ready.set(this.arrives);
    next.fill(0);
    this.isOut.fill(0);
    this.until.fill(0);
    this.since.fill(STEPS_A_DAY);
    crates.fill(0);
    let cost = 0;
    let allOthersDone = 0;
    let end = 0;
    for (const i of this.inTurn(order.list)) {
      if (this.isOut[i]) continue;
      const dog = day.dogs[i]!;
      const group = room.groups[i]![next[i]!]!;
      const person = order.people[i]!;
      const rested = ready[i]! + group.rest;
      const earliest = Math.max(rested, group.pinned, dog.last ? allOthersDone : 0);
      const from = person < 0 ? -1 : room.firstFit(i, group, person, earliest);
      if (from < 0) {
        this.isOut[i] = 1;
        cost += UNPLACED;
        continue;
      }
      room.take(i, group, person, from);
      const to = from + group.steps;
      cost += (from - rested) * (dog.shortStay ? costs.weakWaiting : costs.waiting);
      if (dog.coolHours && group.part !== 'table') cost += costs.hot * this.inHotHours(from, to);
      for (let t = ready[i]!; t < from; t++) crates[t]!++;
      this.works(person, from, to);
      if (room.helper !== NOBODY) this.works(room.helper, from, to);
      const [lifter, another] = room.lifters;
      if (lifter !== NOBODY) this.works(lifter, from, from + 1);
      if (another !== NOBODY) this.works(another, to - 1, to);
      placed?.push({
        dog: dog.id,
        group: next[i]!,
        person: day.people[person]!.id,
        helper: room.helper === NOBODY ? null : day.people[room.helper]!.id,
        lifts: [
          ...(lifter === NOBODY ? [] : [{ person: day.people[lifter]!.id, from: from * STEP }]),
          ...(another === NOBODY ? [] : [{ person: day.people[another]!.id, from: (to - 1) * STEP }]),
        ],
        from: from * STEP,
        to: to * STEP,
      });
      next[i]!++;
      ready[i] = to;
      end = Math.max(end, to);
      if (!dog.last) allOthersDone = Math.max(allOthersDone, to);
    }
    return cost + costs.end * end + this.costOfDogs(order) + this.costOfPeople() + this.costOfCrates();
  }

  private works(person: number, from: number, to: number): void {
    this.until[person] = Math.max(this.until[person]!, to);
    this.since[person] = Math.min(this.since[person]!, from);
  }

  private inHotHours(from: number, to: number): number {
    const { hot } = this.day;
    return hot ? Math.max(0, Math.min(to, hot.to / STEP) - Math.max(from, hot.from / STEP)) : 0;
  }

  private costOfDogs({ people }: Order): number {
    let cost = 0;
    for (let i = 0; i < this.promised.length; i++) {
      const promised = this.promised[i]!;
      if (promised !== null && this.next[i]! > 0) cost += this.costs.late * Math.max(0, this.ready[i]! - promised);
      if (people[i] !== this.booked[i]) cost += this.costs.otherPerson;
    }
    return cost;
  }

  /** Who does not work today and has a dog all the same has come for it: from her first dog on, without an end. */
  private costOfPeople(): number {
    let cost = 0;
    for (let p = 0; p < this.until.length; p++) {
      const until = this.until[p]!;
      if (until === 0) continue;
      const worksToday = this.endOfHours[p]! > 0;
      const [from, to] = worksToday ? [this.startOfHours[p]!, this.endOfHours[p]!] : [this.since[p]!, until];
      cost += this.costs.personEnd * (until - from) + this.costs.afterHours * Math.max(0, until - to);
    }
    return cost;
  }

  private costOfCrates(): number {
    let over = 0;
    const most = this.day.places.crate;
    for (let t = 0; t < STEPS_A_DAY; t++) over += Math.max(0, this.crates[t]! - most);
    return this.costs.crate * over;
  }

  /** The order of giving times: the first group of what began already, dogs set by hand, the list, what may spread. */
  private inTurn(list: readonly number[]): readonly number[] {
    const { begun, turn } = this;
    if (begun.length === 0 && !turn.some((each) => each !== 1)) return list;
    const waiting = new Set(begun);
    const rest = list.filter((i) => !waiting.delete(i));
    return [...begun, ...rest.toSorted((a, b) => turn[a]! - turn[b]!)];
  }
}
