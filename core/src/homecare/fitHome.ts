import { daysApart, timesADay } from '../units';
import type { HomeTask } from './homeTasks';
import { worthOf, type Follows } from './worth';

/** What one point of trouble, and one late day, weigh against a minute at the table [house values]. */
const FINDING_MINUTES = 5;
const LATE_DAY_MINUTES = 0.5;

/** Minutes a week. */
export const weeklyMinutes = ({ minutes, everyDays }: Pick<HomeTask, 'minutes' | 'everyDays'>): number =>
  (minutes * 7) / everyDays;

/** What a task saves for each minute it asks, in minutes of the salon. */
function savedByMinute(task: HomeTask): number {
  const { findings, lateDays, salonMinutes } = worthOf(task.task);
  return (findings * FINDING_MINUTES + lateDays * LATE_DAY_MINUTES + salonMinutes) / weeklyMinutes(task);
}

export interface HomeFit {
  /** Minutes a week that the plan asks for. */
  readonly asked: number;
  /** What is asked of the owner; some of it less often than the plan wants. */
  readonly kept: readonly HomeTask[];
  /** What does not fit into the minutes that were agreed, and what follows. */
  readonly left: readonly { readonly task: HomeTask; readonly follows: Follows }[];
}

/** What is done less often than so many days apart is no habit any more: it is left out instead [house value]. */
const RAREST = 7;

/**
 * The home care that fits into so many minutes a week, in the order of the plan. What a vet asked for is asked in full; then
 * where something was found, then what saves most for its minutes; what does not fit as often as it should is asked less often,
 * down to once a week. Null: nothing was agreed, all is asked.
 */
export function fitHome(tasks: readonly HomeTask[], agreed: number | null): HomeFit {
  const asked = Math.round(tasks.reduce((sum, task) => sum + weeklyMinutes(task), 0));
  if (agreed === null) return { asked, kept: tasks, left: [] };
  let room = agreed;
  const kept = new Map<HomeTask, HomeTask>();
  for (const task of inOrderOfNeed(tasks)) {
    // Sevenths do not add up to the last digit.
    const fitting = asOftenAs(task).find((each) => task.byVet || weeklyMinutes(each) <= room + 1e-9);
    if (!fitting) continue;
    kept.set(task, fitting);
    room -= weeklyMinutes(fitting);
  }
  return {
    asked,
    kept: tasks.flatMap((task) => kept.get(task) ?? []),
    left: tasks.flatMap((task) => (kept.has(task) ? [] : [{ task, follows: worthOf(task.task).follows }])),
  };
}

const inOrderOfNeed = (tasks: readonly HomeTask[]): HomeTask[] =>
  tasks.toSorted(
    (a, b) =>
      Number(b.byVet) - Number(a.byVet) ||
      Number(b.stepped !== null) - Number(a.stepped !== null) ||
      savedByMinute(b) - savedByMinute(a),
  );

/** The task as often as it should be, then less and less often. */
function asOftenAs(task: HomeTask): HomeTask[] {
  const apart = daysApart(task.everyDays);
  const fewerADay = Array.from({ length: timesADay(task.everyDays) - 1 }, (_, i) => 1 / (i + 1)).toReversed();
  const rarer = Array.from({ length: Math.floor(RAREST / apart) }, (_, i) => apart * (i + 2));
  return [
    task,
    ...[...fewerADay, ...rarer]
      .filter((everyDays) => everyDays <= RAREST)
      // As often as without the finding is no step any more.
      .map((everyDays) => ({ ...task, everyDays, stepped: stillOftener(task.stepped, everyDays) })),
  ];
}

const stillOftener = (stepped: HomeTask['stepped'], everyDays: number): HomeTask['stepped'] =>
  stepped && everyDays < stepped.usual ? stepped : null;
