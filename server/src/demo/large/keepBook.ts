import { USUAL_WEEK, weekdayOf, type Span, type WeekHours } from '@dewpond/core/bookings';
import type { VisitKind } from '@dewpond/core/steps';
import { addDays, type Day } from '@dewpond/core/units';
import type { LargeDog } from './drawDogs';

/** Eighteen months back, three weeks ahead. */
export const FIRST_DAY_AGO = 548;
export const LAST_DAY_AHEAD = 21;
/** In the van on Tuesdays and Fridays: the first of the four. */
const VAN_PERSON = 0;
const VAN_WEEKDAYS = [1, 4];
export const VAN_AREA = 'islets';
/** The first dog comes at nine, and one to each of the others half an hour later: there are two tables. */
const OPENS = 9 * 60;
const STAGGER = 30;
/** Minutes of driving that lie between two stops of the van, as a desk books them. */
const DRIVE = 20;
/** Days before its time that a dog is brought along with another of its household. */
const TOGETHER = 24;
/** So many dogs make a full day for two tables and a tub; with those of the stories. */
const FULL_DAY = 8;
/** Of a hundred bookings: cancelled, not come to; and of a hundred that are due ahead, booked already. */
const CANCELLED = 5;
const NO_SHOW = 1.5;
const BOOKED_AHEAD = 68;

/** One line of the book, past or to come. */
export interface BookLine {
  readonly dog: number;
  readonly day: Day;
  /** Minutes from midnight, the business's clock. */
  readonly from: number;
  readonly minutes: number;
  readonly person: number;
  readonly kind: VisitKind;
  readonly state: 'done' | 'booked' | 'cancelled' | 'no show';
  /** How long before; of those that were cancelled. */
  readonly cancelledHours: number | null;
}

/** A day of somebody that is taken already. */
export interface Taken extends Span {
  readonly person: number;
  /** Days from today. */
  readonly inDays: number;
}

/** What the four work: as usual, and the first of them with the van on two days. */
export const weekOf = (person: number, week: WeekHours = USUAL_WEEK): WeekHours =>
  person !== VAN_PERSON
    ? week
    : week.map((spans, weekday) =>
        VAN_WEEKDAYS.includes(weekday) ? spans.map((span) => ({ ...span, where: VAN_AREA })) : spans,
      );

interface Wanting {
  next: number;
  isBetween: boolean;
}

/**
 * Keeps the book of a salon day by day as a desk does: whoever is due is given the first free time, a household together;
 * some cancel, some do not come, and of those due ahead some have not rung yet.
 */
export function keepBook(
  dogs: readonly LargeDog[],
  today: Day,
  people: number,
  taken: readonly Taken[],
  random: () => number,
): readonly BookLine[] {
  const entries: BookLine[] = [];
  const wanting: Wanting[] = dogs.map(({ joinedAgo }) => ({ next: -joinedAgo, isBetween: false }));
  for (let d = -FIRST_DAY_AGO; d <= LAST_DAY_AHEAD; d++) {
    const room = roomOf(today, d, people, taken);
    if (!room) continue;
    for (const dog of whoWants(dogs, wanting, d)) {
      const want = wanting[dog];
      const its = dogs[dog];
      if (!want || !its) continue;
      const asked = visitFor(its, want.isBetween, random);
      const place = firstFree(room, its.isOutlying, asked.minutes);
      if (!place) continue;
      // Ahead, some have not rung yet.
      if (d > 0 && random() * 100 >= BOOKED_AHEAD) {
        want.next = Number.POSITIVE_INFINITY;
        continue;
      }
      const state = becomes(d, random);
      entries.push({
        dog,
        day: addDays(today, d),
        ...place,
        ...asked,
        state,
        cancelledHours: hoursBefore(state, random),
      });
      if (state === 'cancelled' || state === 'no show') {
        want.next = d + 3 + Math.floor(9 * random());
        continue;
      }
      take(room, place, asked.minutes, its.isOutlying);
      nextOf(its, want, { today, d }, random);
      if (d > 0) want.next = Number.POSITIVE_INFINITY;
    }
  }
  return entries;
}

/** What is left of a day. */
interface Room {
  /** Of each person. */
  readonly free: readonly Span[][];
  /** Dogs that the salon still has a table for. */
  tables: number;
  readonly isVanDay: boolean;
}
interface FreeTime {
  readonly person: number;
  readonly from: number;
}

/** Null where nobody works. */
function roomOf(today: Day, d: number, people: number, taken: readonly Taken[]): Room | null {
  const weekday = weekdayOf(addDays(today, d));
  const usual = USUAL_WEEK[d === 0 ? 0 : weekday] ?? [];
  if (usual.length === 0) return null;
  const takenToday = taken.filter(({ inDays }) => inDays === d);
  const free = Array.from({ length: people }, (_, person) =>
    takenToday
      .filter((each) => each.person === person)
      .reduce<Span[]>((left, busy) => left.flatMap((span) => without(span, busy)), [...usual]),
  );
  return { free, tables: FULL_DAY - takenToday.length, isVanDay: VAN_WEEKDAYS.includes(weekday) };
}

const without = (span: Span, busy: Span): Span[] =>
  [
    { from: span.from, to: Math.min(span.to, busy.from) },
    { from: Math.max(span.from, busy.to), to: span.to },
  ].filter(({ from, to }) => to > from);

/** Who is due, the longest waiting first, each with those of its household that are due soon; today enough for a full day. */
function whoWants(dogs: readonly LargeDog[], wanting: readonly Wanting[], d: number): readonly number[] {
  const order = dogs.map((_, i) => i).toSorted((a, b) => (wanting[a]?.next ?? 0) - (wanting[b]?.next ?? 0));
  const due = order.filter((i) => (wanting[i]?.next ?? 0) <= d);
  const first = d === 0 ? [...due, ...order.filter((i) => !due.includes(i))] : due;
  return [
    ...new Set(
      first.flatMap((i) => [
        i,
        ...order.filter(
          (other) => dogs[other]?.household === dogs[i]?.household && (wanting[other]?.next ?? 0) <= d + TOGETHER,
        ),
      ]),
    ),
  ];
}

/** The first that is free with whoever has most room; the van goes to farms, and nobody else does. */
function firstFree({ free, tables, isVanDay }: Room, isOutlying: boolean, minutes: number): FreeTime | null {
  if (!isOutlying && tables <= 0) return null;
  const able = free.flatMap((spans, person) => {
    const isVan = isVanDay && person === VAN_PERSON;
    const opens = OPENS + STAGGER * person;
    const span = isVan === isOutlying ? spans.find(({ from, to }) => to - Math.max(from, opens) >= minutes) : undefined;
    const left = spans.reduce((sum, { from, to }) => sum + to - from, 0);
    return span ? [{ person, from: Math.max(span.from, opens), left }] : [];
  });
  const best = able.toSorted((a, b) => b.left - a.left)[0];
  return best ? { person: best.person, from: best.from } : null;
}

function take(room: Room, { person, from }: FreeTime, minutes: number, isOutlying: boolean): void {
  const spans = room.free[person];
  if (!spans) return;
  if (!isOutlying) room.tables -= 1;
  const busy = { from, to: from + minutes + (isOutlying ? DRIVE : 0) };
  spans.splice(0, spans.length, ...spans.flatMap((span) => without(span, busy)));
}

function visitFor(dog: LargeDog, isBetween: boolean, random: () => number): { kind: VisitKind; minutes: number } {
  if (isBetween) return { kind: 'ears and nails', minutes: 45 };
  if (dog.fullMinutes <= 120 && random() < 0.4)
    return { kind: 'bath only', minutes: Math.max(60, dog.fullMinutes - 30) };
  return { kind: 'full visit', minutes: dog.fullMinutes };
}

function becomes(d: number, random: () => number): BookLine['state'] {
  if (d >= 0) return 'booked';
  const drawn = random() * 100;
  return drawn < CANCELLED ? 'cancelled' : drawn < CANCELLED + NO_SHOW ? 'no show' : 'done';
}

/** Most cancel days before, some on the morning. */
const hoursBefore = (state: BookLine['state'], random: () => number): number | null =>
  state === 'cancelled' ? Math.round(2 + 200 * random() * random()) : null;

/** When it is brought again; nobody asks for a weekend, and some of those come before it, some after. */
function nextOf(
  dog: LargeDog,
  want: Wanting,
  { today, d }: { readonly today: Day; readonly d: number },
  random: () => number,
): void {
  const every = dog.comesBetween ? dog.everyDays / 2 : dog.everyDays;
  want.isBetween = dog.comesBetween && !want.isBetween;
  const next = d + Math.round(every * (0.85 + 0.35 * random()));
  const isWeekend = weekdayOf(addDays(today, next)) >= 5;
  want.next = isWeekend ? next - 3 + Math.floor(6 * random()) : next;
}
