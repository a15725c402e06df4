import type { DogView, VisitMark } from '@dewpond/contract';
import { type DueLine, type DueState } from '@dewpond/core/due';
import { TASKS, taskKey, type Task } from '@dewpond/core/tasks';
import { namePlace, placeKey, type Grade, type PlaceKey } from '@dewpond/core/places';
import type { Day } from '@dewpond/core/units';

/** A due window of one side, or of both where they agree. */
export interface RowLens {
  readonly line: DueLine;
  readonly key: string;
  readonly state: DueState | 'barred' | 'none';
  readonly half: 'left' | 'right' | 'both';
}

/** One line of the rhythm chart: a site with both sides, or a task without a place. */
export interface RhythmRow {
  readonly name: string;
  readonly marks: readonly {
    readonly day: Day;
    readonly visitId: string;
    readonly left: Grade | null;
    readonly right: Grade | null;
    readonly barred: boolean;
  }[];
  /** Visits at which a task without grades was done. */
  readonly done: readonly { readonly day: Day; readonly visitId: string }[];
  readonly lenses: readonly RowLens[];
  /** Days between home care, when the owner does some. */
  readonly homeEvery: number | null;
}

const NAMES: Readonly<Partial<Record<string, string>>> = {
  ear: 'Ears',
  eye: 'Eyes and face',
  'fold pocket': 'Eye–nose pocket',
};

/** What has a clock worth seeing over months; trims of feet and rear go with the visit and stand in the plan. */
const CHARTED: readonly Task[] = ['bath', 'ear cleaning', 'eyes and face', 'fold care', 'nails', 'brush-out'];

/** Rows in working order; sides of one site share a row, as half signs that meet. */
export function rhythmRows(dog: DogView): RhythmRow[] {
  const shown = dog.due.filter((each) => CHARTED.includes(each.line.task));
  const rows = new Map<string, DueLine[]>();
  for (const each of shown) {
    const key = each.line.place ? each.line.place.site : each.line.task;
    rows.set(key, [...(rows.get(key) ?? []), each]);
  }
  return [...rows].map(([key, lines]): RhythmRow => {
    const [first] = lines;
    const place = first?.line.place;
    const site = place ? key : null;
    const home = lines.flatMap(({ line }) => line.home?.everyDays ?? []);
    return {
      name:
        NAMES[key] ??
        (place ? capital(namePlace({ ...place, side: 'none' })) : first ? TASKS[first.line.task].name : key),
      marks: dog.visits.flatMap((visit) => (site ? markOf(visit, site, lines) : gradeOfTask(visit, key))),
      done: site ? [] : dog.visits.filter((visit) => wasDone(visit, key)).map(({ day, visitId }) => ({ day, visitId })),
      lenses: joinEqual(lines),
      homeEvery: home.length > 0 ? Math.min(...home) : null,
    };
  });
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** A task that has no place, as it was found: one grade for all of it. */
const gradeOfTask = ({ day, visitId, tasks }: VisitMark, key: string): RhythmRow['marks'] =>
  tasks.flatMap(({ task, grade }) =>
    task === key && grade !== null ? [{ day, visitId, left: grade, right: grade, barred: false }] : [],
  );

/** Done, and nobody said how it was found. */
const wasDone = ({ tasks }: VisitMark, key: string): boolean =>
  tasks.some(({ task, outcome, grade }) => task === key && outcome === 'done' && grade === null);

function markOf(visit: VisitMark, site: string, lines: readonly DueLine[]): RhythmRow['marks'] {
  const gradeAt = (side: string): Grade | null => visit.grades[`${site}/${side}` as PlaceKey] ?? null;
  const paired = lines.some(({ line }) => line.place?.side === 'left');
  const left = paired ? gradeAt('left') : gradeAt('none');
  const right = paired ? gradeAt('right') : gradeAt('none');
  if (left === null && right === null) return [];
  const barred = lines.some(({ line }) => line.place && visit.barred.includes(placeKey(line.place)));
  return [{ day: visit.day, visitId: visit.visitId, left, right, barred }];
}

/** Two sides with the same window are one lens; else each side has its own, the dog's left above. */
function joinEqual(lines: readonly DueLine[]): RowLens[] {
  const byWindow = new Map<string, RowLens>();
  for (const line of lines) {
    if (!line.window && line.state !== 'barred') continue;
    // Two sides that are late say it once: there is no lens to draw.
    const window =
      line.state === 'late' ? 'late' : line.window ? `${line.window.earliest}${line.window.latest}` : 'barred';
    const side = line.line.place?.side;
    const half = side === 'left' || side === 'right' ? side : 'both';
    const known = byWindow.get(window);
    byWindow.set(
      window,
      known ? { ...known, half: 'both' } : { line, key: taskKey(line.line), state: line.state, half },
    );
  }
  return [...byWindow.values()];
}
