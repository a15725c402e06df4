import { placeKey, type PlaceKey } from '../places';
import { rhythmOf, type PlaceRecord, type RhythmAnswer, type SparedLook } from '../rhythm';
import type { Day } from '../units';
import { afterLook, dueState, dueWindow, type DueState, type DueWindow } from './dueWindow';
import type { CarePlan, PlanLine } from '../careplan';
import { TASKS, taskKey, type Task, type TaskAt } from '../tasks';

/** A plan line with its clock: when it was done, what was learned, when it is due. */
export interface DueLine {
  readonly line: PlanLine;
  readonly lastCare: Day | null;
  /** The look since then at which nothing was needed. */
  readonly spared: SparedLook | null;
  /** Null where nothing is learned: barred, fixed by a vet, or a task without a rhythm. */
  readonly rhythm: RhythmAnswer | null;
  /** Null when nothing is due: barred or not recurring. */
  readonly window: DueWindow | null;
  readonly state: DueState | 'barred' | 'none';
  /** The owner noticed something that day: it is due sooner than by its rhythm. */
  readonly noticedOn?: Day;
}

/** Tasks with the clock of their place. */
const OF_A_PLACE: readonly Task[] = ['ear cleaning', 'eyes and face', 'fold care'];

/** Tasks whose interval is learned from what is found. */
export const LEARNED: readonly Task[] = [...OF_A_PLACE, 'nails', 'brush-out', 'rear'];

export interface CareRecord {
  /** Salon record of each place. */
  readonly places: Readonly<Partial<Record<PlaceKey, PlaceRecord>>>;
  /** Salon record of tasks without the clock of a place, by `taskKey`; by the task alone where no side was written down. */
  readonly tasks: Readonly<Partial<Record<string, PlaceRecord>>>;
  readonly homeCareChangedOn: Day | null;
  readonly schoolChangedOn: Day | null;
}

/** Due windows for every line of a plan: the rhythm's answer where there is one, the plan's usual interval elsewhere. */
export function planDue(plan: CarePlan, record: CareRecord, today: Day): DueLine[] {
  return plan.lines.map((line): DueLine => {
    const known = recordOf(record, line);
    const done = { line, lastCare: known?.lastCare ?? null, spared: known?.spared ?? null };
    if (line.bars.length > 0) return { ...done, rhythm: null, window: null, state: 'barred' };
    if (line.interval === null) return { ...done, rhythm: null, window: null, state: 'none' };
    const { homeCareChangedOn, schoolChangedOn } = record;
    const rhythm =
      known && LEARNED.includes(line.task) && !line.fixedByVet
        ? rhythmOf({
            observations: known.observations,
            plan: line.interval,
            today,
            homeCareChangedOn,
            schoolChangedOn,
          })
        : null;
    const ideal = rhythm?.interval ?? line.interval.usual;
    const afterCare = dueWindow(done.lastCare, ideal, line.interval, today);
    // What a vet asks for is done when the vet said, whatever it looks like.
    const look = line.fixedByVet ? null : done.spared;
    const window = look ? afterLook(afterCare, look, ideal, line.interval) : afterCare;
    return { ...done, rhythm, window, state: dueState(window, today) };
  });
}

/** What is on record of a line: of its place, or of its task here or anywhere, whichever is newer. */
function recordOf({ places, tasks }: CareRecord, line: TaskAt): PlaceRecord | undefined {
  if (line.place !== null && OF_A_PLACE.includes(line.task)) return places[placeKey(line.place)];
  const [here, anywhere] = [tasks[taskKey(line)], tasks[line.task]];
  return here && anywhere && newest(here) < newest(anywhere) ? anywhere : (here ?? anywhere);
}

const newest = ({ lastCare, spared }: PlaceRecord): string => spared?.day ?? lastCare ?? '';

/**
 * The next visit: the first ideal day of any task on its own clock, today at the earliest, the task that drives it, and
 * since when it has been due where that day is past.
 * Null when nothing recurs.
 */
export function nextVisit(
  due: readonly DueLine[],
  today: Day,
): { readonly day: Day; readonly drivenBy: string; readonly since: Day | null } | null {
  const first = due
    .flatMap(({ line, window }) =>
      window && TASKS[line.task].round === 'own clock' ? [{ key: taskKey(line), ideal: window.ideal }] : [],
    )
    .toSorted((a, b) => a.ideal.localeCompare(b.ideal))[0];
  if (!first) return null;
  const isPast = first.ideal < today;
  return { day: isPast ? today : first.ideal, drivenBy: first.key, since: isPast ? first.ideal : null };
}

/** Whether something that recurs on its own clock is overdue by that day. */
export const closesBefore = (due: readonly DueLine[], day: Day): boolean =>
  due.some(({ line, window }) => window !== null && TASKS[line.task].round === 'own clock' && window.latest < day);
