import { placeKey, type PlaceKey } from '../places';
import { rhythmOf, type PlaceRecord, type RhythmAnswer } from '../rhythm';
import type { Day } from '../units';
import { dueState, dueWindow, type DueState, type DueWindow } from './dueWindow';
import type { CarePlan, PlanLine } from '../careplan';
import { TASKS, taskKey, type Task, type TaskAt } from '../tasks';

/** A plan line with its clock: when it was done, what was learned, when it is due. */
export interface DueLine {
  readonly line: PlanLine;
  readonly lastCare: Day | null;
  /** Null where nothing is learned: barred, fixed by a vet, or a task without a rhythm. */
  readonly rhythm: RhythmAnswer | null;
  /** Null when nothing is due: barred or not recurring. */
  readonly window: DueWindow | null;
  readonly state: DueState | 'barred' | 'none';
}

/** Tasks whose interval is learned from what is found. */
const LEARNED: readonly Task[] = ['ear cleaning', 'eyes and face', 'fold care'];

export interface CareRecord {
  /** Salon record of each place. */
  readonly places: Readonly<Partial<Record<PlaceKey, PlaceRecord>>>;
  /** Last salon day of tasks without the clock of a place, by `taskKey`; by the task alone where no side was written down. */
  readonly tasks: Readonly<Partial<Record<string, Day>>>;
  readonly homeCareChangedOn: Day | null;
  readonly schoolChangedOn: Day | null;
}

/** Due windows for every line of a plan: the rhythm's answer where there is one, the plan's usual interval elsewhere. */
export function planDue(plan: CarePlan, record: CareRecord, today: Day): DueLine[] {
  return plan.lines.map((line): DueLine => {
    const place = line.place ? record.places[placeKey(line.place)] : undefined;
    const hasClock = line.place !== null && LEARNED.includes(line.task);
    const lastCare = (hasClock ? place?.lastCare : lastDone(record.tasks, line)) ?? null;
    if (line.bars.length > 0) return { line, lastCare, rhythm: null, window: null, state: 'barred' };
    if (line.interval === null) return { line, lastCare, rhythm: null, window: null, state: 'none' };
    const learns = LEARNED.includes(line.task) && !line.fixedByVet && place !== undefined;
    const { homeCareChangedOn, schoolChangedOn } = record;
    const rhythm = learns
      ? rhythmOf({
          observations: place.observations,
          plan: line.interval,
          today,
          homeCareChangedOn,
          schoolChangedOn,
        })
      : null;
    const window = dueWindow(lastCare, rhythm?.interval ?? line.interval.usual, line.interval, today);
    return { line, lastCare, rhythm, window, state: dueState(window, today) };
  });
}

/** The newer of the two: written down for this side, or for both in one. */
function lastDone(tasks: CareRecord['tasks'], line: TaskAt): Day | undefined {
  const [here, anywhere] = [tasks[taskKey(line)], tasks[line.task]];
  return here !== undefined && anywhere !== undefined && here < anywhere ? anywhere : (here ?? anywhere);
}

/**
 * The next visit: the first ideal day of any task on its own clock, today at the earliest, and the task that drives it.
 * Null when nothing recurs.
 */
export function nextVisit(
  due: readonly DueLine[],
  today: Day,
): { readonly day: Day; readonly drivenBy: string } | null {
  const first = due
    .flatMap(({ line, window }) =>
      window && TASKS[line.task].round === 'own clock' ? [{ key: taskKey(line), ideal: window.ideal }] : [],
    )
    .toSorted((a, b) => a.ideal.localeCompare(b.ideal))[0];
  return first ? { day: first.ideal > today ? first.ideal : today, drivenBy: first.key } : null;
}
