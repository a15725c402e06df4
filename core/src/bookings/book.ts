/** A day of the horizon: 0 is its first, the last is `days - 1`; what was before is negative. */
export type DayIndex = number;

/** Care that comes round, as planning sees it: gaps are whole days since it was last done. */
export interface CareDue {
  /** What it is, by `taskKey`. */
  readonly key: string;
  /** The gap at which it is best done. */
  readonly ideal: number;
  /** The gaps between which it may be done: its due window. */
  readonly earliest: number;
  readonly latest: number;
  /** Day last done, 0 at the most; minus `ideal` where it never was. */
  readonly last: DayIndex;
  /** What a day beyond the window costs, in days of an ordinary task. */
  readonly weight: number;
}

/** A kind of visit for one dog, with this dog's minutes. */
export interface VisitChoice {
  readonly name: string;
  /** Keys of the care that is done. */
  readonly covers: readonly string[];
  /** Hands-on minutes. */
  readonly minutes: number;
  /** Minutes of what is shared and scarce (the tub, a dryer), by its name. */
  readonly uses: Readonly<Record<string, number>>;
}

/** Time that one person works without a break: visits in it may stand in any order. */
export interface WorkBlock {
  readonly person: string;
  readonly day: DayIndex;
  /** Minutes from midnight. */
  readonly from: number;
  readonly to: number;
  /** The salon, or an area the van is in. */
  readonly where: string;
  /** Whether it holds the first, the last work of that person's day. */
  readonly isFirst: boolean;
  readonly isLast: boolean;
}

/** Where and with whom a dog may be booked. Nothing here is ever given up. */
export interface Needs {
  readonly where: string;
  readonly skills: readonly string[];
  /** Only these people; null where anyone will do. */
  readonly people: readonly string[] | null;
  /** A dog that must be first or last of somebody's day. */
  readonly slot: 'first' | 'last' | null;
  readonly barredDays: readonly DayIndex[];
}

/** What an owner would like: each is paid for where it is missed. */
export interface Wishes {
  /** Days that suit; null where all do. */
  readonly days: readonly DayIndex[] | null;
  readonly part: 'morning' | 'afternoon' | null;
  readonly person: string | null;
  /** Days on which only the early morning is cool, for a dog that minds the heat. */
  readonly coolDays: readonly DayIndex[];
}

/** States of a booking whose time is free for another dog. */
export const GIVEN_UP = ['cancelled', 'no show'] as const;
export const isGivenUp = (state: string): boolean => GIVEN_UP.some((each) => each === state);

/** A booking that stands. */
export interface Standing {
  readonly id: string;
  readonly day: DayIndex;
  readonly person: string;
  readonly choice: 'full' | 'short';
  /** A fixed one is never touched, and its time is cut out of the blocks; another takes its minutes of a block. */
  readonly isFixed: boolean;
}

export interface DogToBook {
  readonly id: string;
  readonly household: string;
  readonly care: readonly CareDue[];
  /** Day of the last visit, 0 at the most. */
  readonly lastVisit: DayIndex;
  readonly full: VisitChoice;
  /** A visit between, with less in it; null where one kind is enough. */
  readonly short: VisitChoice | null;
  readonly needs: Needs;
  readonly wishes: Wishes;
  readonly standing: readonly Standing[];
}

export interface Colleague {
  readonly id: string;
  readonly skills: readonly string[];
}

/** What is shared by everybody, in minutes a day. */
export interface SharedPlace {
  readonly name: string;
  /** One number a day of the horizon. */
  readonly minutes: readonly number[];
}

/** A book of dogs over some weeks: all that planning depends on. */
export interface Book {
  readonly days: number;
  readonly dogs: readonly DogToBook[];
  readonly people: readonly Colleague[];
  readonly blocks: readonly WorkBlock[];
  readonly shared: readonly SharedPlace[];
  /** Minutes of driving to a household and on, by household; nothing where they come. */
  readonly drive: Readonly<Record<string, number>>;
}

/** A visit of a plan; `block` is its place in `Book.blocks`, null for a booking that is fixed. */
export interface PlannedVisit {
  readonly dog: string;
  readonly choice: 'full' | 'short';
  readonly day: DayIndex;
  readonly block: number | null;
}

/** Noon: a block that begins before it is of the morning, one that ends after it of the afternoon. */
const NOON = 12 * 60;
export const isOfPart = ({ from, to }: WorkBlock, part: 'morning' | 'afternoon'): boolean =>
  part === 'morning' ? from < NOON : to > NOON;

/** Whether a dog may ever be booked into a block, its minutes apart. */
export function admits(
  block: WorkBlock,
  person: Colleague,
  { where, skills, people, slot, barredDays }: Needs,
): boolean {
  return (
    block.where === where &&
    skills.every((skill) => person.skills.includes(skill)) &&
    (people === null || people.includes(block.person)) &&
    (slot === null || (slot === 'first' ? block.isFirst : block.isLast)) &&
    !barredDays.includes(block.day)
  );
}

/** What a visit of a dog is: one between, where the dog has such; else the full one. */
export const visitChoice = (dog: Pick<DogToBook, 'full' | 'short'>, choice: 'full' | 'short'): VisitChoice =>
  (choice === 'short' && dog.short) || dog.full;

/** From here on a warm day is hot, min from midnight [house value]; the line-up pays for the same hours. */
export const HOT_FROM = 11 * 60;

/** Most dogs: no time misses anything. */
export const wantsNothing = ({ days, part, person, coolDays }: Wishes): boolean =>
  days === null && part === null && person === null && coolDays.length === 0;

/** The wishes that a block does not fulfil. */
export const wishesMissed = ({ days, part, person, coolDays }: Wishes, at: WorkBlock): (keyof Wishes)[] => [
  ...(days !== null && !days.includes(at.day) ? (['days'] as const) : []),
  ...(part !== null && !isOfPart(at, part) ? (['part'] as const) : []),
  ...(person !== null && person !== at.person ? (['person'] as const) : []),
  ...(at.from >= HOT_FROM && coolDays.includes(at.day) ? (['coolDays'] as const) : []),
];
