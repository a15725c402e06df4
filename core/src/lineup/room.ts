import {
  PLACES,
  STEP,
  STEPS_A_DAY,
  liftsAt,
  stepAt,
  stepsOf,
  twoCanLift,
  type PartOfDay,
  type PersonOfDay,
  type WorkDay,
} from './day';

/** A group in numbers: places of who and what in the lists of the day. */
export interface GroupInSteps {
  readonly steps: number;
  readonly rest: number;
  readonly at: readonly number[];
  /** Not before this step: it was set by hand. */
  readonly pinned: number;
  readonly part: PartOfDay;
  /** A second person lifts with whoever has it, at the first step, at the last. */
  readonly lifts: { readonly in: boolean; readonly out: boolean };
}

const NO_LIFT = { in: false, out: false };

/** No helper is needed, or none was free. */
export const NOBODY = -1;

/**
 * The room of a day that is being filled: who and what is in use, step by step. Hours with their breaks are kept; past
 * the last of them a person is to be had, and paid for dearly: a dog that is here is not sent home half washed.
 */
export class RoomOfDay {
  readonly groups: readonly (readonly GroupInSteps[])[];
  private readonly closed: readonly Uint8Array[];
  private readonly busy: readonly Uint8Array[];
  private readonly used: readonly Uint8Array[];
  private readonly most: readonly number[];
  /** By dog: when it is out of its crate; only for those that cannot meet another. */
  private readonly out: readonly (Uint8Array | null)[];
  private readonly foes: readonly (readonly number[])[];
  /** Who helps with the group that {@link firstFit} found a time for last. */
  helper = NOBODY;
  /** Who lifts with it then: in, out. */
  readonly lifters: [number, number] = [NOBODY, NOBODY];

  constructor(private readonly day: WorkDay) {
    const canLift = twoCanLift(day);
    this.closed = day.people.map(closedFor);
    this.busy = day.people.map(() => new Uint8Array(STEPS_A_DAY));
    this.used = PLACES.map(() => new Uint8Array(STEPS_A_DAY));
    this.most = PLACES.map((place) => day.places[place]);
    this.out = day.dogs.map(({ notWith }) => (notWith.length > 0 ? new Uint8Array(STEPS_A_DAY) : null));
    this.foes = day.dogs.map(({ notWith }) =>
      day.dogs.flatMap(({ id }, i) => (notWith.includes(id) && this.out[i] ? [i] : [])),
    );
    this.groups = day.dogs.map((dog) =>
      dog.groups.map(({ minutes, rest, at, part }, i) => {
        const pin = dog.pins.find((each) => each.part === part);
        return {
          steps: stepsOf(minutes),
          rest: rest > 0 ? stepsOf(rest) : 0,
          at: at.map((place) => PLACES.indexOf(place)),
          pinned: pin ? stepAt(pin.from) : 0,
          part,
          lifts: canLift ? liftsAt(dog, i) : NO_LIFT,
        };
      }),
    );
  }

  /** As in the morning. */
  empty(): void {
    for (const [i, each] of this.busy.entries()) each.set(this.closed[i]!);
    for (const each of this.used) each.fill(0);
    for (const each of this.out) each?.fill(0);
  }

  /** The first step at or after a step at which a group fits; -1 where none does before midnight. */
  firstFit(dog: number, group: GroupInSteps, person: number, earliest: number): number {
    const hands = this.busy[person]!;
    const needsHelper = this.day.dogs[dog]!.helper;
    this.helper = NOBODY;
    this.lifters.fill(NOBODY);
    for (let from = earliest; from + group.steps <= STEPS_A_DAY; from++) {
      const blocked = this.lastBlocked(dog, group, hands, from);
      if (blocked >= 0) {
        from = blocked;
        continue;
      }
      if (!needsHelper) {
        if (this.foundLifters(group, person, from)) return from;
        continue;
      }
      this.helper = this.helperFor(person, from, from + group.steps);
      if (this.helper !== NOBODY) return from;
    }
    return -1;
  }

  /** The last step of a span in which hands, a place or a dog it cannot meet is in the way; -1 where nothing is. */
  private lastBlocked(dog: number, { steps, at }: GroupInSteps, hands: Uint8Array, from: number): number {
    for (let t = from + steps - 1; t >= from; t--) {
      if (hands[t]! > 0) return t;
      for (const place of at) if (this.used[place]![t]! >= this.most[place]!) return t;
      for (const other of this.foes[dog]!) if (this.out[other]![t]! > 0) return t;
    }
    return -1;
  }

  /** Whether somebody has a hand free at both ends, where that is needed. */
  private foundLifters({ lifts, steps }: GroupInSteps, person: number, from: number): boolean {
    const last = from + steps - 1;
    // In one step there is one lift.
    const out = lifts.out && !(lifts.in && last === from);
    this.lifters[0] = lifts.in ? this.helperFor(person, from, from + 1) : NOBODY;
    this.lifters[1] = out ? this.helperFor(person, last, last + 1) : NOBODY;
    return (!lifts.in || this.lifters[0] !== NOBODY) && (!out || this.lifters[1] !== NOBODY);
  }

  /** Of those who work today: nobody comes on a day off to hold another's dog. */
  private helperFor(person: number, from: number, to: number): number {
    return this.busy.findIndex((taken, other) => {
      if (other === person || this.day.people[other]!.hours.length === 0) return false;
      for (let t = from; t < to; t++) if (taken[t]! > 0) return false;
      return true;
    });
  }

  /** Takes what the last {@link firstFit} found. */
  take(dog: number, { steps, at }: GroupInSteps, person: number, from: number): void {
    const to = from + steps;
    this.busy[person]!.fill(1, from, to);
    if (this.helper !== NOBODY) this.busy[this.helper]!.fill(1, from, to);
    const [lifter, another] = this.lifters;
    if (lifter !== NOBODY) this.busy[lifter]![from] = 1;
    if (another !== NOBODY) this.busy[another]![to - 1] = 1;
    for (const place of at) for (let t = from; t < to; t++) this.used[place]![t]!++;
    this.out[dog]?.fill(1, from, to);
  }
}

/** The step at which somebody's work of the day is over; 0 where she does not work. */
export const endOfHours = ({ hours }: PersonOfDay): number => Math.floor((hours.at(-1)?.to ?? 0) / STEP);

/** The step at which it begins. */
export const startOfHours = ({ hours }: PersonOfDay): number => stepAt(hours[0]?.from ?? 0);

/** Before work, and in breaks. Who does not work today has all day after hours. */
function closedFor({ hours, isAway }: PersonOfDay): Uint8Array {
  const closed = new Uint8Array(STEPS_A_DAY);
  if (isAway) return closed.fill(1);
  let at = 0;
  for (const { from, to } of hours) {
    closed.fill(1, at, stepAt(from));
    at = Math.floor(to / STEP);
  }
  return closed;
}
