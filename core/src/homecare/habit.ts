import type { PlanLine, Ticked } from '../careplan';
import type { Task } from '../tasks';
import { addDays, daysApart, daysBetween, type Day } from '../units';
import { taskOfKey, type HomeTick } from './homeTasks';
import { worthOf } from './worth';

/** How a piece of home care went between two visits: on how many of the days it was due it was ticked. */
export interface Habit {
  readonly task: Task;
  readonly due: number;
  readonly done: number;
  /** The visit it was judged at; it holds until the next. */
  readonly on: Day;
}

/** Ticks are looked at so far back [house values, as the rest of this table]. */
export const HABIT_DAYS = 28;
const FEWEST_DAYS = 14;
/** Who ticks less than this does not use the page: nothing is known of what they do. */
const FEWEST_TICKS = 5;
const FEWEST_DUE = 4;
/** Ticked on six days of ten: done. On less than three of ten: seldom, and what follows is said. */
const DONE_FROM = 0.6;
const SELDOM_BELOW = 0.3;
/** What is done less often than so many days apart is no habit any more. */
const RAREST = 7;

type AtHome = Pick<PlanLine, 'task' | 'home'>;

/**
 * What the ticks before a visit say of each piece of home care. Empty where they are too few to say anything: an owner who
 * ticks nothing may do everything.
 * @param lines the plan as it asks by itself.
 * @param before the visit before; null: none.
 */
export function habitsAt(
  on: Day,
  before: Day | null,
  lines: readonly AtHome[],
  ticks: readonly HomeTick[],
): readonly Habit[] {
  const earliest = addDays(on, -HABIT_DAYS);
  const from = before !== null && before > earliest ? before : earliest;
  const days = daysBetween(from, on);
  // Days are counted, not times: a face that was wiped once that day was not forgotten.
  const ticked = ticks.filter(({ day }) => day > from && day <= on);
  if (days < FEWEST_DAYS || ticked.length < FEWEST_TICKS) return [];
  return [...new Set(lines.map(({ task }) => task))].flatMap((task) => {
    const everyDays = Math.min(
      ...lines.flatMap((line) => (line.task === task && line.home ? [line.home.everyDays] : [])),
    );
    const due = Number.isFinite(everyDays) ? Math.floor(days / daysApart(everyDays)) : 0;
    const done = new Set(ticked.flatMap(({ key, day }) => (taskOfKey(key) === task ? [day] : []))).size;
    return due < FEWEST_DUE ? [] : [{ task, due, done: Math.min(done, due), on }];
  });
}

const shareOf = ({ due, done }: Pick<Habit, 'due' | 'done'>): number => done / due;

/** Whether so little of it is done that what follows must be said. */
export const isSeldom = (habit: Pick<Habit, 'due' | 'done'>): boolean => shareOf(habit) < SELDOM_BELOW;

/** Whether it was done as often as it is asked now, be that less often than the plan wants. */
export const isManaged = ({ due, done, usual }: Ticked, everyDays: number): boolean =>
  done * everyDays >= DONE_FROM * due * usual;

/** How often it is asked of who does so much of it: as often as it is done, once a week at the least. */
const askedOf = (habit: Habit, everyDays: number): number =>
  shareOf(habit) >= DONE_FROM || everyDays >= RAREST
    ? everyDays
    : Math.min(RAREST, Math.max(everyDays, Math.round(everyDays / Math.max(shareOf(habit), everyDays / RAREST))));

/**
 * The lines with what is asked of an owner who does less: less often, never left out, since ticks only tell what was ticked.
 * A line that is asked less often, or seldom done, says so.
 */
export const asTicked = (lines: readonly PlanLine[], habits: readonly Habit[]): readonly PlanLine[] =>
  habits.length === 0
    ? lines
    : lines.map((line) => {
        const habit = habits.find(({ task }) => task === line.task);
        // A vet's word is not asked less often, whatever was ticked.
        if (!line.home || !habit || line.home.source.kind === 'vet instruction') return line;
        const everyDays = askedOf(habit, line.home.everyDays);
        if (everyDays === line.home.everyDays && !isSeldom(habit)) return line;
        const { due, done, on } = habit;
        return { ...line, home: { ...line.home, everyDays, ticked: { due, done, on, usual: line.home.everyDays } } };
      });

/**
 * The lines with the salon's own care sooner where home care does not happen: seldom ticked, or left out by agreement. Only
 * where nothing else says so: what looks at the place have taught weighs more than this with each look.
 */
export const comeSooner = (lines: readonly PlanLine[], notDone: ReadonlySet<Task>): readonly PlanLine[] =>
  lines.map((line) => {
    const { interval, task } = line;
    if (interval === null || line.fixedByVet || !notDone.has(task)) return line;
    const usual = Math.max(interval.least, interval.usual - worthOf(task).lateDays);
    return usual === interval.usual
      ? line
      : { ...line, interval: { ...interval, usual }, sooner: interval.usual - usual };
  });
