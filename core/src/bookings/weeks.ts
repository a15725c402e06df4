import { addDays, daysBetween, type Day } from '../units';
import type { WorkBlock, Book, DogToBook, Needs, Standing, VisitChoice, Wishes } from './book';
import { careFrom, DRYER, TABLE, TUB, type DatedCare } from './careToBook';
import {
  QUARTER,
  SALON,
  daysOfPattern,
  daysOn,
  weekdayOf,
  workBlocks,
  type Away,
  type Span,
  type TakenTime,
  type WeekHours,
  type WorkingWeek,
} from './hours';

/** What weeks are planned with, of one dog: the same on every day it is read. */
export interface DogInWeeks {
  readonly care: readonly DatedCare[];
  readonly full: VisitChoice;
  readonly short: VisitChoice | null;
  readonly lastVisit: Day | null;
  /** It is lifted or held by two: only on days on which two people work. */
  readonly byTwo: boolean;
  /** What its owner does between visits. */
  readonly atHome: readonly CareAtHome[];
  /** Flat-faced, thick-coated: early in the day where it is warm. */
  readonly coolHours: boolean;
}

/** Care that falls to the owner, by name: "folds (nose fold)". */
export interface CareAtHome {
  readonly name: string;
  readonly everyDays: number;
}

/** What an owner would like. */
export interface OwnerWishes {
  /** 0 for Monday to 6 for Sunday; none: every day suits. */
  readonly weekdays: readonly number[];
  readonly part: 'morning' | 'afternoon' | null;
  readonly memberId: string | null;
  /** "Every fifth Thursday": so many weeks, counted from a day. */
  readonly pattern: { readonly from: Day; readonly everyWeeks: number } | null;
}

/** Where one dog must be in a day; never given up. */
export interface DogNeeds {
  readonly slot: 'first' | 'last' | null;
  readonly memberId: string | null;
  /** Only on these weekdays, as they are quiet; none: on all. */
  readonly weekdays: readonly number[];
  /** The area in which the van comes to it; null: it comes to the salon. */
  readonly where: string | null;
  /** What whoever takes it must be good at. */
  readonly skills: readonly string[];
  /** Dogs that it must not meet, by id: they are not out at the same time. */
  readonly notWith: readonly string[];
}

export interface DogOfWeeks {
  readonly id: string;
  readonly household: string;
  readonly its: DogInWeeks;
  readonly wishes: OwnerWishes | null;
  readonly needs: DogNeeds | null;
}

/** A booking to come, on the business's own clock. */
export interface BookedVisit extends Span {
  readonly id: string;
  readonly dog: string;
  readonly person: string;
  readonly day: Day;
  /** Null: it takes time and does no care that comes round, as a lesson. */
  readonly choice: 'full' | 'short' | null;
  readonly mayMove: boolean;
  /** Of a dog of another branch: it takes its person's time, and nothing here. */
  readonly elsewhere?: true;
}

/** All that weeks are planned from, by calendar days. */
export interface Weeks {
  readonly first: Day;
  readonly days: number;
  /** Minutes of the first day that are over. */
  readonly over: number;
  readonly people: readonly WorkingWeek[];
  readonly away: readonly Away[];
  readonly dogs: readonly DogOfWeeks[];
  readonly booked: readonly BookedVisit[];
  /** Minutes of driving to a household that the van comes to, and on. */
  readonly drive: Readonly<Record<string, number>>;
  readonly tables: number;
  readonly tubs: number;
  readonly dryers: number;
  /** Months that are warm, 1 to 12. */
  readonly warm: readonly number[];
}

/**
 * The book of some weeks. Bookings that are fixed are cut out of the blocks; those that may move hold their dog's wish to
 * be kept. Who is not in `dogs` and has a booking takes its time all the same.
 */
export function bookOf(weeks: Weeks): Book {
  const { first, days, over, people, away, dogs, booked, drive, tables, tubs, dryers, warm } = weeks;
  const indexOf = (day: Day) => daysBetween(first, day);
  const inHorizon = booked.filter(({ day }) => indexOf(day) >= 0 && indexOf(day) < days);
  const known = new Set(dogs.map(({ id }) => id));
  const isFixed = ({ mayMove, choice, dog, elsewhere }: BookedVisit) =>
    !mayMove || choice === null || elsewhere === true || !known.has(dog);
  const timeOf = ({ person, day, from, to }: BookedVisit): TakenTime => ({ person, day: indexOf(day), from, to });
  // Nobody is booked for seven minutes past two.
  const until = QUARTER * Math.ceil(over / QUARTER);
  const gone = people.map(({ id }): TakenTime => ({ person: id, day: 0, from: 0, to: until }));
  const taken = inHorizon.filter(isFixed).map(timeOf);
  const horizon = { first, days };
  const warmDays = daysIn(warm, horizon);
  const blocks = workBlocks(people, away, horizon, over > 0 ? [...taken, ...gone] : taken);
  const atSalon = blocks.filter(({ where }) => where === SALON);
  const takenAtSalon = inHorizon
    .filter((each) => isFixed(each) && !each.elsewhere)
    .map(timeOf)
    .filter((each) => !isOut(people, first, each));
  // Who works alone always has managed so far.
  const alone = people.length < 2 ? [] : daysAlone(workBlocks(people, away, horizon), days);
  const standing = new Map<string, Standing[]>();
  for (const each of inHorizon)
    if (each.choice !== null)
      standing.set(each.dog, [
        ...(standing.get(each.dog) ?? []),
        { id: each.id, day: indexOf(each.day), person: each.person, choice: each.choice, isFixed: isFixed(each) },
      ]);
  return {
    days,
    dogs: dogs.map(({ id, household, its, wishes, needs }): DogToBook => ({
      id,
      household,
      care: careFrom(its.care, first),
      lastVisit: its.lastVisit === null ? -shortest(its) : Math.min(0, indexOf(its.lastVisit)),
      ...kindsAt(its, needs, drive[household] ?? 0),
      needs: needsOf(its, needs, horizon, alone),
      wishes: { ...wishesOf(wishes, horizon), coolDays: its.coolHours ? warmDays : [] },
      standing: oneADay(standing.get(id) ?? []),
    })),
    people: people.map(({ id, skills }) => ({ id, skills })),
    blocks,
    shared: [
      { name: TABLE, minutes: sharedMinutes(atSalon, takenAtSalon, days, { count: tables, ofBooked: AT_THE_TABLE }) },
      { name: TUB, minutes: sharedMinutes(atSalon, takenAtSalon, days, { count: tubs, ofBooked: IN_THE_TUB }) },
      // A dog is dried on a table: where there are as many dryers as tables, they are never what lacks.
      ...(dryers < tables
        ? [
            {
              name: DRYER,
              minutes: sharedMinutes(atSalon, takenAtSalon, days, { count: dryers, ofBooked: UNDER_THE_DRYER }),
            },
          ]
        : []),
    ],
    drive,
  };
}

/** Where somebody works at a minute of a day: the salon, where nothing is said. */
export function whereAt(week: WeekHours, on: Day, minute: number): string {
  const spans = week[weekdayOf(on)] ?? [];
  return spans.find(({ from, to }) => from <= minute && minute < to)?.where ?? SALON;
}

/** Whether somebody is out with the van at a time. */
function isOut(people: readonly WorkingWeek[], first: Day, { person, day, from, to }: TakenTime): boolean {
  const spans = people.find(({ id }) => id === person)?.week[weekdayOf(addDays(first, day))] ?? [];
  return spans.some((span) => span.where !== SALON && span.from < to && from < span.to);
}

/**
 * The kinds of visit of a dog. One that the van comes to takes nothing of the salon's, and the driving besides: what is
 * proposed ends before it (`drivenFor`).
 */
function kindsAt(
  { full, short }: DogInWeeks,
  needs: DogNeeds | null,
  drive: number,
): Pick<DogToBook, 'full' | 'short'> {
  if (needs === null || needs.where === null) return { full, short };
  const away = (kind: VisitChoice): VisitChoice => ({ ...kind, minutes: kind.minutes + quartersOf(drive), uses: {} });
  return { full: away(full), short: short && away(short) };
}

const quartersOf = (minutes: number): number => QUARTER * Math.ceil(minutes / QUARTER - 1e-9);

/** Minutes of driving within a visit of this dog. */
export const drivenFor = (
  { drive }: Pick<Book, 'drive'>,
  { household, needs }: Pick<DogToBook, 'household' | 'needs'>,
): number => (needs.where === SALON ? 0 : quartersOf(drive[household] ?? 0));

const shortest = ({ care }: DogInWeeks): number => Math.min(...care.map(({ ideal }) => ideal));

/** Two bookings of a dog on one day are one coming, as far as its care goes. */
const oneADay = (standing: readonly Standing[]): Standing[] =>
  standing.filter((each, i) => standing.findIndex(({ day }) => day === each.day) === i);

/** Days on which fewer than two people work. */
function daysAlone(blocks: readonly WorkBlock[], days: number): number[] {
  const at = Array.from({ length: days }, () => new Set<string>());
  for (const { day, person } of blocks) at[day]?.add(person);
  return [...at.keys()].filter((day) => (at[day]?.size ?? 0) < 2);
}

interface Horizon {
  readonly first: Day;
  readonly days: number;
}

function needsOf(
  { byTwo }: DogInWeeks,
  needs: DogNeeds | null,
  { first, days }: Horizon,
  alone: readonly number[],
): Needs {
  const all = Array.from({ length: days }, (_, index) => index);
  const quiet = needs && needs.weekdays.length > 0 ? new Set(daysOn(needs.weekdays, first, days)) : null;
  return {
    where: needs?.where ?? SALON,
    skills: needs?.skills ?? [],
    people: needs?.memberId ? [needs.memberId] : null,
    slot: needs?.slot ?? null,
    barredDays: all.filter((day) => (quiet !== null && !quiet.has(day)) || (byTwo && alone.includes(day))),
  };
}

/** Days of the horizon in these months. */
const daysIn = (months: readonly number[], { first, days }: Horizon): number[] =>
  Array.from({ length: days }, (_, index) => index).filter((index) =>
    months.includes(Number(addDays(first, index).slice(5, 7))),
  );

function wishesOf(wishes: OwnerWishes | null, { first, days }: Horizon): Omit<Wishes, 'coolDays'> {
  if (!wishes) return { days: null, part: null, person: null };
  const { pattern, weekdays, part, memberId } = wishes;
  const wished = pattern
    ? daysOfPattern(pattern.from, pattern.everyWeeks, first, days)
    : weekdays.length > 0
      ? daysOn(weekdays, first, days)
      : null;
  return { days: wished, part, person: memberId };
}

/** What a booking takes of table and tub, where nobody knows better: shares of its time [house values]. */
const AT_THE_TABLE = 0.75;
const IN_THE_TUB = 0.35;
const UNDER_THE_DRYER = 0.3;

/** Tables and tubs are there as long as anybody works; bookings that are fixed use them already. */
function sharedMinutes(
  blocks: readonly WorkBlock[],
  taken: readonly TakenTime[],
  days: number,
  { count, ofBooked }: { readonly count: number; readonly ofBooked: number },
): number[] {
  return openSpans([...blocks, ...taken], days).map((open, day) => {
    const booked = taken.filter((each) => each.day === day).reduce((sum, { from, to }) => sum + to - from, 0);
    return Math.max(0, Math.floor(count * open - ofBooked * booked));
  });
}

/** From the first work of each day to the last, min. */
function openSpans(
  work: readonly { readonly day: number; readonly from: number; readonly to: number }[],
  days: number,
): number[] {
  const spans = Array.from({ length: days }, () => ({ from: Infinity, to: -Infinity }));
  for (const { day, from, to } of work) {
    const span = spans[day];
    if (!span) continue;
    span.from = Math.min(span.from, from);
    span.to = Math.max(span.to, to);
  }
  return spans.map(({ from, to }) => Math.max(0, to - from));
}

/** Minutes of hands that a day has room for: no more people work at once than there are tables and tubs. */
export const handsOfDays = (
  { tables, tubs, days }: Pick<Weeks, 'tables' | 'tubs' | 'days'>,
  work: readonly { readonly day: number; readonly from: number; readonly to: number }[],
): number[] => {
  const hands = Array.from({ length: days }, () => 0);
  for (const { day, from, to } of work) hands[day] = (hands[day] ?? 0) + to - from;
  return openSpans(work, days).map((open, day) => Math.min(hands[day] ?? 0, open * (tables + tubs)));
};

/** The calendar day of a day of the horizon. */
export const dayOfWeeks = ({ first }: Pick<Weeks, 'first'>, index: number): Day => addDays(first, index);
