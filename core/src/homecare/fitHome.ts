import type { Task } from '../tasks';
import type { HomeTask } from './homeTasks';

/** What follows where something is not done at home, by id; owners and groomers read it in words. */
export const ALL_FOLLOWS = [
  'we look',
  'come sooner',
  'shorter coat',
  'corner clipped',
  'at the visit',
  'remains',
] as const;
export type Follows = (typeof ALL_FOLLOWS)[number];

/** What a week of a piece of home care saves, and what follows without it. */
interface Worth {
  /** How much trouble it keeps away: 3 where it is found early or becomes sore, 1 where it is comfort. */
  readonly findings: 1 | 2 | 3;
  /** Days that the salon's own care would have to come sooner without it. */
  readonly lateDays: number;
  /** Minutes at the table that it saves a week. */
  readonly salonMinutes: number;
  readonly follows: Follows;
}

/**
 * [house values; what hurts first from the handbook of the trade: ears looked into, folds and eyes dried, coat combed to the
 * skin. Teeth and nose: common practice, no source]
 */
const WORTH: Readonly<Partial<Record<Task, Worth>>> = {
  'ear inspection': { findings: 3, lateDays: 0, salonMinutes: 0, follows: 'we look' },
  'fold care': { findings: 3, lateDays: 7, salonMinutes: 1, follows: 'come sooner' },
  'eyes and face': { findings: 3, lateDays: 7, salonMinutes: 1, follows: 'corner clipped' },
  'eye corners': { findings: 2, lateDays: 7, salonMinutes: 1, follows: 'corner clipped' },
  'brush-out': { findings: 3, lateDays: 14, salonMinutes: 8, follows: 'shorter coat' },
  'ear cleaning': { findings: 2, lateDays: 3, salonMinutes: 1, follows: 'at the visit' },
  rear: { findings: 2, lateDays: 7, salonMinutes: 1, follows: 'come sooner' },
  nails: { findings: 1, lateDays: 3, salonMinutes: 1, follows: 'at the visit' },
  teeth: { findings: 2, lateDays: 0, salonMinutes: 0, follows: 'remains' },
  'nose balm': { findings: 1, lateDays: 0, salonMinutes: 0, follows: 'remains' },
};
const OTHER: Worth = { findings: 1, lateDays: 0, salonMinutes: 0, follows: 'remains' };

/** What one point of trouble, and one late day, weigh against a minute at the table [house values]. */
const FINDING_MINUTES = 5;
const LATE_DAY_MINUTES = 0.5;

/** Minutes a week. */
export const weeklyMinutes = ({ minutes, everyDays }: Pick<HomeTask, 'minutes' | 'everyDays'>): number =>
  (minutes * 7) / everyDays;

/** What a task saves for each minute it asks, in minutes of the salon. */
function savedByMinute(task: HomeTask): number {
  const { findings, lateDays, salonMinutes } = WORTH[task.task] ?? OTHER;
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
 * The home care that fits into so many minutes a week, in the order of the plan. Where something was found comes first, then
 * what saves most for its minutes; what does not fit as often as it should is asked less often, down to once a week. Null:
 * nothing was agreed, all is asked.
 */
export function fitHome(tasks: readonly HomeTask[], agreed: number | null): HomeFit {
  const asked = Math.round(tasks.reduce((sum, task) => sum + weeklyMinutes(task), 0));
  if (agreed === null) return { asked, kept: tasks, left: [] };
  let room = agreed;
  const kept = new Map<HomeTask, HomeTask>();
  for (const task of inOrderOfNeed(tasks)) {
    // Sevenths do not add up to the last digit.
    const fitting = asOftenAs(task).find((each) => weeklyMinutes(each) <= room + 1e-9);
    if (!fitting) continue;
    kept.set(task, fitting);
    room -= weeklyMinutes(fitting);
  }
  return {
    asked,
    kept: tasks.flatMap((task) => kept.get(task) ?? []),
    left: tasks.flatMap((task) => (kept.has(task) ? [] : [{ task, follows: (WORTH[task.task] ?? OTHER).follows }])),
  };
}

const inOrderOfNeed = (tasks: readonly HomeTask[]): HomeTask[] =>
  tasks.toSorted(
    (a, b) => Number(b.stepped !== null) - Number(a.stepped !== null) || savedByMinute(b) - savedByMinute(a),
  );

/** The task as often as it should be, then less and less often. */
function asOftenAs(task: HomeTask): HomeTask[] {
  const rarer = Array.from({ length: Math.floor(RAREST / task.everyDays) }, (_, i) => task.everyDays * (i + 2));
  return [
    task,
    ...rarer
      .filter((everyDays) => everyDays <= RAREST)
      // As often as without the finding is no step any more.
      .map((everyDays) => ({ ...task, everyDays, stepped: stillOftener(task.stepped, everyDays) })),
  ];
}

const stillOftener = (stepped: HomeTask['stepped'], everyDays: number): HomeTask['stepped'] =>
  stepped && everyDays < stepped.usual ? stepped : null;
