import type { Span } from '../bookings';

/** A day is planned in steps of five minutes. */
export const STEP = 5;
export const STEPS_A_DAY = (24 * 60) / STEP;

/** What a salon has one or a few of, each used by one dog at a time. */
export const PLACES = ['table', 'tub', 'dryer', 'crate'] as const;
export type PlaceOfWork = (typeof PLACES)[number];

/** Parts of a visit that hang together: between two of them the dog waits in its crate. */
export const PARTS_OF_DAY = ['table', 'bath', 'dry', 'finish'] as const;
export type PartOfDay = (typeof PARTS_OF_DAY)[number];

/** A stage as it is drawn, minutes. While it waits on the table or in the tub, somebody stays with the dog. */
export interface Stretch {
  readonly name: string;
  readonly minutes: number;
  readonly dwell: boolean;
}

/** Work on a dog without a pause, one pair of hands from beginning to end. */
export interface WorkGroup {
  readonly part: PartOfDay;
  readonly at: readonly PlaceOfWork[];
  readonly minutes: number;
  readonly stretches: readonly Stretch[];
  /** So long it rests in its crate before this, min: a towel draws off water, and hands are free. */
  readonly rest: number;
}

/** Set by hand: this part, not before then. */
export interface Pin {
  readonly part: PartOfDay;
  /** Minutes from midnight. */
  readonly from: number;
}

/** A dog of the day, as far as it is not done. */
export interface DogOfDay {
  readonly id: string;
  readonly name: string;
  readonly person: string;
  /** The person was chosen by hand, or the owner asked for her: nobody else is tried. */
  readonly keepsPerson: boolean;
  /** When it comes, minutes from midnight; for one that is here already: now. */
  readonly arrives: number;
  /** On the table already: what is left begins before all else. */
  readonly begun: boolean;
  /** When its owner was told it is ready, minutes from midnight; null where nothing was said. */
  readonly promised: number | null;
  readonly groups: readonly WorkGroup[];
  /** Old or weak: waiting is paid dearly. */
  readonly shortStay: boolean;
  /** Flat-faced or thick-coated: paid for in the hot hours. */
  readonly coolHours: boolean;
  /** A second person holds it all along. */
  readonly helper: boolean;
  /** Two lift it, into the tub and out: a second pair of hands for a moment each. */
  readonly lift: boolean;
  /** What was seen on it may spread: it comes after all others. */
  readonly last: boolean;
  /** Dogs it cannot meet: never out of their crates at the same time. */
  readonly notWith: readonly string[];
  readonly pins: readonly Pin[];
}

export interface PersonOfDay {
  readonly id: string;
  readonly name: string;
  /** Minutes from midnight, in order; between two is a break. Without any she may come for a dog of her own all the same. */
  readonly hours: readonly Span[];
  /** Ill, on holiday, or the business is closed: not to be had at all. */
  readonly isAway: boolean;
}

/** All that a day's line-up depends on. */
export interface WorkDay {
  readonly people: readonly PersonOfDay[];
  readonly dogs: readonly DogOfDay[];
  readonly places: Readonly<Record<PlaceOfWork, number>>;
  /** The hot hours, where the day is hot. */
  readonly hot: Span | null;
}

/** On a hot day [house value]. */
export const HOT_HOURS: Span = { from: 11 * 60, to: 17 * 60 };

/** A group with its time, minutes from midnight. */
export interface PlacedGroup {
  readonly dog: string;
  /** Its place in the dog's groups. */
  readonly group: number;
  readonly person: string;
  readonly helper: string | null;
  /** Who lends a hand to lift it, and when, min from midnight: for one step each. */
  readonly lifts: readonly { readonly person: string; readonly from: number }[];
  readonly from: number;
  readonly to: number;
}

/** What a step of five minutes costs [house values]. */
export interface LineUpCosts {
  /** Until the last dog is done. */
  readonly end: number;
  /** From the beginning of each person's hours until her last work is done. */
  readonly personEnd: number;
  /** A dog that is here and waits. */
  readonly waiting: number;
  /** An old or weak one: dearer than an owner who waits, decision 0046. */
  readonly weakWaiting: number;
  /** Past what its owner was told. */
  readonly late: number;
  /** In the hot hours, for those who mind them. */
  readonly hot: number;
  /** Past somebody's hours. */
  readonly afterHours: number;
  /** A dog more in crates than there are. */
  readonly crate: number;
  /** Once for each dog with another person than was booked. */
  readonly otherPerson: number;
}

export const DAY_COSTS: LineUpCosts = {
  end: 1,
  personEnd: 0.2,
  waiting: 0.1,
  weakWaiting: 5,
  late: 3,
  hot: 0.3,
  afterHours: 10,
  crate: 1,
  otherPerson: 3,
};

/** Where fewer than two work, whoever works alone has managed so far. */
export const twoCanLift = ({ people }: Pick<WorkDay, 'people'>): boolean =>
  people.filter(({ hours, isAway }) => hours.length > 0 && !isAway).length > 1;

/** Whether this part of a dog's visit begins with a lift, and ends with one: into the tub, out of it. One that is in the tub is only lifted out. */
export const liftsAt = (
  { lift, helper, begun, groups }: Pick<DogOfDay, 'lift' | 'helper' | 'begun' | 'groups'>,
  group: number,
): { readonly in: boolean; readonly out: boolean } => {
  const isLifted = lift && !helper && groups[group]?.part === 'bath';
  return { in: isLifted && !(begun && group === 0), out: isLifted };
};

/** Whole steps that so many minutes take. */
export const stepsOf = (minutes: number): number => Math.max(1, Math.ceil(minutes / STEP - 1e-9));
/** The first step that begins at or after a minute. */
export const stepAt = (minute: number): number => Math.ceil(minute / STEP - 1e-9);
