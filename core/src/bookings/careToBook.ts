import type { PlanLine } from '../careplan';
import { dueWindow, type DueLine } from '../due';
import { RHYTHM } from '../rhythm';
import { IN_THE_TUB, caresFor, tasksDoneBy, type Step } from '../steps';
import { TASKS, taskKey, type Task } from '../tasks';
import { addDays, daysBetween, type Day } from '../units';
import type { CareDue, VisitChoice } from './book';
import { QUARTER } from './hours';

/** Care that comes round, with the day it is counted from: the same on every day it is read. */
export interface DatedCare extends Omit<CareDue, 'last'> {
  readonly last: Day;
}

/** What comes round more often is home care. */
const LEAST_AT_THE_SALON = 7;
/** Ears, eyes and folds suffer more from waiting; a finding above acceptable doubles it [house values]. */
const DELICATE: ReadonlySet<Task> = new Set<Task>(['ear cleaning', 'eyes and face', 'fold care']);
const DELICATE_WEIGHT = 1.5;
const FOUND_WEIGHT = 2;

/**
 * What of a dog's care is planned for: on its own clock, done at the salon, not barred. Its last day is the one that its
 * window is counted from: a look at which nothing was needed has moved it on.
 */
export function careToBook(due: readonly DueLine[]): DatedCare[] {
  return due.flatMap((each) => {
    const { line, rhythm, window } = each;
    if (!window || line.interval === null || TASKS[line.task].round !== 'own clock') return [];
    const ideal = rhythm?.interval ?? line.interval.usual;
    if (ideal < LEAST_AT_THE_SALON) return [];
    const last = addDays(window.ideal, -ideal);
    const again = dueWindow(last, ideal, line.interval, last);
    const worst = rhythm?.evidence.at(-1)?.grade ?? 0;
    return [
      {
        key: taskKey(line),
        ideal,
        earliest: daysBetween(last, again.earliest),
        latest: daysBetween(last, again.latest),
        last,
        weight: (DELICATE.has(line.task) ? DELICATE_WEIGHT : 1) * (worst > RHYTHM.acceptable ? FOUND_WEIGHT : 1),
      },
    ];
  });
}

/** The same, seen from the first day of a horizon. */
export const careFrom = (care: readonly DatedCare[], first: Day): CareDue[] =>
  care.map((each) => ({ ...each, last: Math.min(0, daysBetween(first, each.last)) }));

/** What a visit of these steps is for planning: what care it does, how long hands are busy, how long the tub is. */
export function choiceOf(name: string, steps: readonly Step[], lines: readonly PlanLine[]): VisitChoice {
  const open = steps.filter(({ barred }) => barred === null);
  const done = new Set(open.flatMap(tasksDoneBy));
  const covers = lines
    .filter(
      (line) =>
        done.has(taskKey(line)) ||
        done.has(line.task) ||
        (line.place !== null &&
          DELICATE.has(line.task) &&
          open.some((step) => line.place && caresFor(step, line.place))),
    )
    .map(taskKey);
  const sum = (of: (step: Step) => number) => open.reduce((total, step) => total + of(step), 0);
  const hands = sum(({ minutes }) => minutes);
  const handsInTub = sum((step) => (IN_THE_TUB.has(step.stage) ? step.minutes : 0));
  const inTub = sum((step) => (IN_THE_TUB.has(step.stage) ? step.minutes + (step.dwell?.seconds ?? 0) / 60 : 0));
  const dried = sum((step) => (step.stage === 'dry' ? step.minutes : 0));
  return {
    name,
    covers,
    minutes: quarters(hands),
    uses: {
      [TABLE]: Math.ceil(hands - handsInTub),
      ...(inTub > 0 ? { [TUB]: Math.ceil(inTub) } : {}),
      ...(dried > 0 ? { [DRYER]: Math.ceil(dried) } : {}),
    },
  };
}

/** What is shared and scarce, by its name in `VisitChoice.uses`. */
export const TABLE = 'table';
export const TUB = 'tub';
export const DRYER = 'dryer';

const quarters = (minutes: number): number => Math.max(QUARTER, QUARTER * Math.ceil(minutes / QUARTER - 1e-9));

/** A visit between is worth its trip where what it does is due so much sooner than the rest. */
const SOONER = 0.7;

/**
 * The kinds of visit a dog is planned with: all of its care, and, where some of it comes round much sooner, the shortest
 * kind that does all of that: `others` are made only then. Care that the full visit does not do is left out of both: it is said at the table.
 */
export function kindsFor(
  care: readonly DatedCare[],
  full: VisitChoice,
  others: () => readonly VisitChoice[],
): { readonly care: readonly DatedCare[]; readonly full: VisitChoice; readonly short: VisitChoice | null } {
  const done = care.filter(({ key }) => full.covers.includes(key));
  const keysOf = (choice: VisitChoice): VisitChoice => ({
    ...choice,
    covers: choice.covers.filter((key) => done.some((each) => each.key === key)),
  });
  const longest = Math.max(...done.map(({ ideal }) => ideal));
  const soon = done.filter(({ ideal }) => ideal <= SOONER * longest);
  if (soon.length === 0) return { care: done, full: keysOf(full), short: null };
  const fitting = others()
    .map(keysOf)
    .filter(
      ({ covers, minutes }) =>
        covers.length < done.length && minutes < full.minutes && soon.every(({ key }) => covers.includes(key)),
    )
    .toSorted((a, b) => a.minutes - b.minutes);
  return { care: done, full: keysOf(full), short: fitting[0] ?? null };
}

/** A dog for which nothing comes round at the salon is booked as if a visit did, from today on [house value]. */
export function usualCare(
  today: Day,
  minutes: number,
): {
  readonly care: readonly DatedCare[];
  readonly full: VisitChoice;
  readonly short: null;
  readonly lastVisit: null;
  readonly byTwo: false;
  readonly atHome: readonly [];
  readonly coolHours: false;
} {
  const ideal = 42;
  const care = { key: 'visit', ideal, earliest: 1, latest: 84, last: addDays(today, -ideal), weight: 1 };
  return {
    care: [care],
    full: { name: 'full visit', covers: ['visit'], minutes, uses: {} },
    short: null,
    lastVisit: null,
    byTwo: false,
    atHome: [],
    coolHours: false,
  };
}
