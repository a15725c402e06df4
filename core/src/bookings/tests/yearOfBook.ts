import type { CarePlan, PlanLine } from '../../careplan';
import { hiddenLines, planDue, trueInterval, type DueLine } from '../../due';
import { placeKey } from '../../places';
import { drawGrade, placeRecord, type Interval, type PlaceVisit } from '../../rhythm';
import { usualMinutes } from '../../steps';
import { TASKS, taskKey } from '../../tasks';
import { seeded } from '../../tests/seeded';
import { addDays, day, daysBetween, type Day } from '../../units';
import {
  PLAN_COSTS,
  USUAL_WEEK,
  bookOf,
  bookedTooLate,
  careToBook,
  planBookings,
  proposedWeeks,
  weekdayOf,
  type DogInWeeks,
  type DogNeeds,
  type KeptPrices,
  type VisitChoice,
  type WeekHours,
  type Weeks,
} from '..';

/** How a book is run: by Dewpond, every so many weeks, or whenever an owner sees the need and rings. */
export type Running = 'planned' | 'every six weeks' | 'every three weeks' | 'when they ring';

export interface YearOfBook {
  readonly dogs: number;
  readonly weeks: number;
  /** Weeks at the beginning that are not counted: what is learned in them is the point. */
  readonly skip: number;
  readonly people: number;
  readonly seed: number;
  /** What a coming costs when it is planned, in days of lateness; left out: the house value. More of it, fewer visits. */
  readonly trip?: number;
  /** So many of the dogs live on farms, two on each, to which the first person drives with the van on two days a week. */
  readonly onFarms?: number;
}

/** What a year came to, in all. */
export interface YearSum {
  readonly visits: number;
  /** Days past what each place truly bears, summed over tasks. */
  readonly lateDays: number;
  /** Care given before three quarters of that. */
  readonly overCare: number;
  /** Hands that waited, of those there were. */
  readonly idle: number;
  /** Minutes of driving; a farm is driven to once a day, whoever of its dogs is groomed. */
  readonly driven: number;
}

interface BookedInYear {
  readonly day: Day;
  readonly choice: 'full' | 'short';
  readonly person: string;
  readonly from: number;
  readonly to: number;
}
interface HiddenTask {
  readonly line: PlanLine & { readonly interval: Interval };
  readonly tau: number;
  readonly truth: number;
  readonly isShort: boolean;
  lastCare: Day;
  visits: PlaceVisit[];
}
interface HiddenBookDog {
  readonly id: string;
  /** Null: it is brought to the salon. */
  readonly farm: Farm | null;
  readonly tasks: HiddenTask[];
  lastVisit: Day;
}
interface Farm {
  readonly name: string;
  readonly drive: number;
}

const START = day('2026-01-05');
const FULL_MINUTES = usualMinutes({ kind: 'full visit' });
const SHORT_MINUTES = usualMinutes({ kind: 'ears and nails' });
/** Tasks of a visit between. */
const SHORT: ReadonlySet<string> = new Set([
  'ear cleaning',
  'eyes and face',
  'fold care',
  'nails',
  'eye corners',
  'ear flaps',
]);
/** An owner sees it some days after it is plain, and waits for a place [house values]. */
const SEEN_AFTER = 4;
const WAITS = 7;
/** Bookings are made so far ahead, days, and stand. */
const BOOKED_AHEAD = 21;
const HORIZON = 56;
const VAN = 'the farms';
/** Tuesday and Friday. */
const VAN_DAYS: readonly number[] = [1, 4];

/** A year of invented dogs with hidden rates, run in one way; the same dogs for the same seed. */
export function yearOfBook(year: YearOfBook, running: Running): YearSum {
  const random = seeded(year.seed);
  const dogs = Array.from({ length: year.dogs }, (_, i) => hiddenDog(i, farmOf(i, year), random));
  const grades = seeded(year.seed + 1);
  const booked = new Map<string, BookedInYear[]>();
  const sum = { visits: 0, lateDays: 0, overCare: 0, minutes: 0, driven: 0 };
  let prices: KeptPrices = {};
  for (let t = 0; t < 7 * year.weeks; t++) {
    const today = addDays(START, t);
    const isCounted = t >= 7 * year.skip;
    const drivenTo = new Map<string, number>();
    if (running === 'planned' && weekdayOf(today) === 0) prices = bookAhead(dogs, booked, today, year, prices);
    for (const [i, dog] of dogs.entries()) {
      const choice = running === 'planned' ? comesAsBooked(booked, dog, today) : comesBy(running, dog, i, today);
      if (isCounted)
        for (const { lastCare, truth } of dog.tasks) sum.lateDays += daysBetween(lastCare, today) > truth ? 1 : 0;
      if (!choice) continue;
      const over = visitOn(dog, choice, today, grades);
      if (!isCounted) continue;
      sum.visits += 1;
      sum.overCare += over;
      sum.minutes += choice === 'full' ? FULL_MINUTES : SHORT_MINUTES;
      if (dog.farm) drivenTo.set(dog.farm.name, dog.farm.drive);
    }
    for (const drive of drivenTo.values()) sum.driven += drive;
  }
  const open = (year.weeks - year.skip) * year.people * weekMinutes();
  const { minutes, ...counted } = sum;
  return { ...counted, idle: 1 - (minutes + sum.driven) / open };
}

const weekMinutes = (): number => USUAL_WEEK.flat().reduce((total, { from, to }) => total + to - from, 0);

/** The last dogs live on farms; 10 to 30 minutes of driving to each, and on. */
function farmOf(i: number, { dogs, onFarms = 0 }: YearOfBook): Farm | null {
  const place = i - (dogs - onFarms);
  if (place < 0) return null;
  const farm = Math.floor(place / 2);
  return { name: `farm ${farm}`, drive: 10 + 5 * (farm % 5) };
}

function hiddenDog(i: number, farm: Farm | null, random: () => number): HiddenBookDog {
  const last = addDays(START, -Math.floor(random() * 40));
  const lines = hiddenLines(1, START, random).filter(
    ({ line }) => line.interval.usual >= 7 && TASKS[line.task].round === 'own clock',
  );
  const tasks = lines.map(({ line, tau }): HiddenTask => ({
    line,
    tau,
    truth: Math.min(line.interval.most, trueInterval(tau)),
    isShort: SHORT.has(line.task),
    lastCare: last,
    visits: [looked(last, true, 0)],
  }));
  return tasks.length > 0 ? { id: `dog ${i}`, farm, tasks, lastVisit: last } : hiddenDog(i, farm, random);
}

const looked = (on: Day, cared: boolean, dirt: PlaceVisit['dirt']): PlaceVisit => ({
  day: on,
  cared,
  neededNothing: !cared,
  barred: false,
  looked: true,
  dirtyPads: null,
  dirt,
});

/** One visit: what is seen is drawn from the truth; what is clean is left alone. Returns how much care nobody needed. */
function visitOn(dog: HiddenBookDog, choice: 'full' | 'short', today: Day, random: () => number): number {
  let over = 0;
  for (const task of dog.tasks) {
    if (choice === 'short' && !task.isShort) continue;
    const gap = daysBetween(task.lastCare, today);
    if (gap < 1) continue;
    const dirt = drawGrade(gap, task.tau, random);
    const isCared = dirt > 0;
    task.visits.push(looked(today, isCared, dirt));
    if (!isCared) continue;
    if (gap < 0.75 * task.truth) over += 1;
    task.lastCare = today;
  }
  dog.lastVisit = today;
  return over;
}

function comesBy(running: Exclude<Running, 'planned'>, dog: HiddenBookDog, i: number, today: Day): 'full' | null {
  const weekday = weekdayOf(today);
  if (dog.farm && !VAN_DAYS.includes(weekday)) return null;
  if (running !== 'when they ring') {
    const gap = daysBetween(dog.lastVisit, today);
    const every = running === 'every six weeks' ? 42 : 21;
    return gap >= every && (dog.farm || weekday === i % 5 || gap >= every + 7) ? 'full' : null;
  }
  const shows = dog.tasks.some(({ lastCare, truth }) => daysBetween(lastCare, today) > truth + SEEN_AFTER + WAITS);
  return shows && weekday < 5 && daysBetween(dog.lastVisit, today) >= 10 ? 'full' : null;
}

function comesAsBooked(booked: Map<string, BookedInYear[]>, dog: HiddenBookDog, today: Day): 'full' | 'short' | null {
  return booked.get(dog.id)?.find((each) => each.day === today)?.choice ?? null;
}

/** What is known of a dog, by the code that plans a real one. */
function dueOf({ tasks }: HiddenBookDog, today: Day): DueLine[] {
  const plan: CarePlan = { lines: tasks.map(({ line }) => line), bathProduct: null };
  const records = tasks.map(({ line, visits }) => ({ line, record: placeRecord(visits, []) }));
  return planDue(
    plan,
    {
      places: Object.fromEntries(
        records.flatMap(({ line, record }) => (line.place ? [[placeKey(line.place), record]] : [])),
      ),
      tasks: Object.fromEntries(records.map(({ line, record }) => [taskKey(line), record])),
      homeCareChangedOn: null,
      schoolChangedOn: null,
    },
    today,
  );
}

function inWeeksOf(dog: HiddenBookDog, today: Day): DogInWeeks {
  const care = careToBook(dueOf(dog, today));
  const choice = (name: string, minutes: number, covers: readonly string[]): VisitChoice => ({
    name,
    minutes,
    covers,
    uses: {},
  });
  const short = care.filter(({ key }) => SHORT.has(key.split('@')[0] ?? '')).map(({ key }) => key);
  return {
    care,
    full: choice(
      'full visit',
      FULL_MINUTES,
      care.map(({ key }) => key),
    ),
    short: short.length > 0 && short.length < care.length ? choice('ears and nails', SHORT_MINUTES, short) : null,
    lastVisit: dog.lastVisit,
    byTwo: false,
    atHome: [],
    coolHours: false,
  };
}

const ON_A_FARM: DogNeeds = { slot: null, memberId: null, weekdays: [], where: VAN, skills: [], notWith: [] };
const DRIVERS_WEEK: WeekHours = USUAL_WEEK.map((spans, weekday) =>
  VAN_DAYS.includes(weekday) ? spans.map((span) => ({ ...span, where: VAN })) : spans,
);

const bookingId = (dog: string, on: Day): string => `${dog} ${on}`;

/**
 * Plans eight weeks, and books what falls into the next three. What is booked stands, but for what findings have made too
 * late: that is told to the desk, and its owner is asked to come sooner.
 */
function bookAhead(
  dogs: readonly HiddenBookDog[],
  booked: Map<string, BookedInYear[]>,
  today: Day,
  { people, trip }: YearOfBook,
  kept: KeptPrices,
): KeptPrices {
  const known = dogs.map((dog) => ({
    id: dog.id,
    household: dog.farm?.name ?? dog.id,
    its: inWeeksOf(dog, today),
    wishes: null,
    needs: dog.farm ? ON_A_FARM : null,
  }));
  const asBooked: Weeks = {
    first: today,
    days: HORIZON,
    over: 0,
    people: Array.from({ length: people }, (_, i) => ({
      id: `person ${i}`,
      week: i === 0 && dogs.some(({ farm }) => farm) ? DRIVERS_WEEK : USUAL_WEEK,
      skills: [],
    })),
    away: [],
    dogs: known.filter(({ its }) => its.care.length > 0),
    drive: Object.fromEntries(dogs.flatMap(({ farm }) => (farm ? [[farm.name, farm.drive]] : []))),
    dryers: 9,
    warm: [],
    booked: [...booked].flatMap(([dog, list]) =>
      list
        .filter((each) => each.day >= today)
        .map((each) => ({ id: bookingId(dog, each.day), dog, ...each, mayMove: false })),
    ),
    tables: people,
    tubs: people,
  };
  const late = new Set(bookedTooLate(asBooked).map(({ booking }) => booking.id));
  const weeks: Weeks = {
    ...asBooked,
    booked: asBooked.booked.map((each) => ({ ...each, mayMove: late.has(each.id) })),
  };
  const costs = { ...PLAN_COSTS, trip: trip ?? PLAN_COSTS.trip };
  let last;
  for (const at of planBookings(bookOf(weeks), { kept, costs })) {
    last = at;
    if (at.round >= 4) break;
  }
  if (!last) return kept;
  const { proposals } = proposedWeeks(weeks, last.plan(), costs, last.prices());
  for (const each of proposals.filter(({ day: on }) => daysBetween(today, on) < BOOKED_AHEAD)) {
    const { day: on, person, from, to, insteadOf } = each;
    const choice = each.kind === 'full visit' ? 'full' : 'short';
    const others = (booked.get(each.dog) ?? []).filter((its) => bookingId(each.dog, its.day) !== insteadOf);
    booked.set(each.dog, [...others, { day: on, choice, person, from, to }]);
  }
  return last.prices();
}
