import type { HomeCare, Ticked } from '../careplan';
import type { DueLine } from '../due';
import type { HomeHow } from '../rules';
import { ALL_TASKS, TASKS, type Task } from '../tasks';
import { namePlace, placeKey, placeOf, type Place } from '../places';
import { addDays, daysApart, daysBetween, timesADay, type Day } from '../units';

/** One thing an owner does between visits, with all the places it is for. */
export interface HomeTask {
  /** Stays while task, places and rhythm stay: ticks and calendar entries hang on it. */
  readonly key: string;
  readonly task: Task;
  readonly places: readonly Place[];
  /** Below one: several times a day, 1/2 twice and 1/3 three times. */
  readonly everyDays: number;
  /** Minutes each time. */
  readonly minutes: number;
  readonly how: HomeHow;
  /** A vet asked for it: it is asked in full, whatever was ticked and however few minutes there are. */
  readonly byVet: boolean;
  /** Oftener than usual since something was found there, until it is clear; null: it is not. */
  readonly stepped: HomeStep | null;
  /** As usual again since it was found clear; null: it never was otherwise, or is still. */
  readonly clearSince: Day | null;
  /** Less often than usual, or seldom done, as the owner's ticks before the last visit say; null: they say nothing. */
  readonly ticked: Ticked | null;
  /** Less was found at its places at the last look than on that day, and nowhere more; null: nothing to tell. */
  readonly better: NonNullable<HomeCare['trend']> | null;
}

export interface HomeStep {
  /** How often without it, days. */
  readonly usual: number;
  readonly since: Day;
}

/** Home care of a plan: each task once, with the places that are done alike. */
export function homeTasks(due: readonly Pick<DueLine, 'line'>[]): HomeTask[] {
  const asked = new Map<string, Omit<HomeTask, 'key' | 'better'>>();
  const trends = new Map<string, NonNullable<HomeCare['trend']>[]>();
  for (const { line } of due) {
    const { task, place, home } = line;
    if (!home) continue;
    const { everyDays, minutes, how, stepped = null, clearSince = null, ticked = null } = home;
    const byVet = home.source.kind === 'vet instruction';
    const alike = [task, everyDays, how, byVet, stepped?.usual, stepped?.since, ticked?.usual].join('|');
    const places = [...(asked.get(alike)?.places ?? []), ...(place ? [place] : [])];
    // Done alike again: one thing, with the day on which the last of its places was clear.
    const clear = [asked.get(alike)?.clearSince ?? null, clearSince]
      .filter((day) => day !== null)
      .toSorted()
      .at(-1);
    asked.set(alike, { task, places, everyDays, minutes, how, byVet, stepped, clearSince: clear ?? null, ticked });
    trends.set(alike, [...(trends.get(alike) ?? []), ...(home.trend ? [home.trend] : [])]);
  }
  const all = [...asked].map(([alike, each]) => ({ ...each, better: betterOf(trends.get(alike) ?? []) }));
  return all.map((each) => ({
    ...{ key: [each.task, ...each.places.map(placeKey)].join(' '), ...each },
    minutes: shareOf(each, all),
  }));
}

/** One place that is worse, and nothing is called better. */
const betterOf = (trends: readonly NonNullable<HomeCare['trend']>[]): HomeTask['better'] =>
  trends.some(({ is }) => is === 'worse') ? null : (trends.toSorted((a, b) => (a.than < b.than ? -1 : 1))[0] ?? null);

/** Minutes are those of all places that are done in one way: where some are done oftener, each part takes its share. */
function shareOf(its: Omit<HomeTask, 'key'>, all: readonly Omit<HomeTask, 'key'>[]): number {
  const alike = all.filter(({ task, how }) => task === its.task && how === its.how);
  const places = alike.reduce((sum, each) => sum + each.places.length, 0);
  return alike.length === 1 ? its.minutes : Math.max(1, Math.round((its.minutes * its.places.length) / places));
}

/** The task of a key, of this plan or an earlier one. */
export const taskOfKey = (key: string): Task | undefined =>
  ALL_TASKS.find((each) => key === each || key.startsWith(`${each} `));

/** What a key of an earlier plan speaks of; what is no key of a task is told as it stands. */
export function homeKeyWords(key: string): string {
  const task = taskOfKey(key);
  const places = /^(?:[a-z ]+\/(?:left|right|none) ?)*$/.exec(key.slice((task?.length ?? 0) + 1))?.[0];
  if (task === undefined || places === undefined) return key;
  const keys = places.split(/(?<=\/(?:left|right|none)) ?/).filter((each) => each !== '');
  return homeTaskName({ task, places: keys.map(placeOf) });
}

/** "Folds (nose fold)", "Clean ears (left ear only)". */
export function homeTaskName({ task, places }: Pick<HomeTask, 'task' | 'places'>): string {
  const where = namedAtHome(places).map(({ place, only }) => `${namePlace(place)}${only ? ' only' : ''}`);
  return `${TASKS[task].name}${where.length === 0 ? '' : ` (${where.join(', ')})`}`;
}

interface NamedPlace {
  readonly place: Place;
  /** And not the other side. */
  readonly only: boolean;
}

/** Which of several places must be named: folds, and one side only where the other is to be left alone. */
export function namedAtHome(places: readonly Place[]): NamedPlace[] {
  const bySite = [...new Set(places.map(({ site }) => site))].map((site) =>
    places.filter((each) => each.site === site),
  );
  return bySite.flatMap((sides): NamedPlace[] => {
    const [first] = sides;
    if (!first) return [];
    if (sides.length === 1 && first.side !== 'none') return [{ place: first, only: true }];
    return first.site.startsWith('fold') ? [{ place: { ...first, side: 'none' }, only: false }] : [];
  });
}

/**
 * The days of a task from `from` to `to`, both included. They are counted from the last visit, where it was done or
 * looked at, so that they stay the same whenever one asks.
 */
export function homeDays({ everyDays }: Pick<HomeTask, 'everyDays'>, since: Day, from: Day, to: Day): Day[] {
  const apart = daysApart(everyDays);
  const first = Math.max(1, Math.ceil(daysBetween(since, from) / apart));
  const count = Math.floor(daysBetween(since, to) / apart) - first + 1;
  return Array.from({ length: Math.max(0, count) }, (_, i) => addDays(since, (first + i) * apart));
}

/** The first day of a task on or after `from`. */
export const nextHomeDay = (task: Pick<HomeTask, 'everyDays'>, since: Day, from: Day): Day =>
  homeDays(task, since, from, addDays(from, daysApart(task.everyDays)))[0] ?? addDays(since, daysApart(task.everyDays));

/** One thing done at home on a day, as the owner ticked it. */
export interface HomeTick {
  readonly key: string;
  readonly day: Day;
  /** How often on that day: one wipe is one tick. */
  readonly times: number;
}

/** How often a task was ticked on a day. */
export const timesTicked = (key: string, day: Day, ticks: readonly HomeTick[]): number =>
  ticks.find((tick) => tick.key === key && tick.day === day)?.times ?? 0;

/** How much of what was asked for was ticked from `from` to `to`: never taken as done in the salon. */
export function homeShare(
  tasks: readonly HomeTask[],
  since: Day,
  ticks: readonly HomeTick[],
  from: Day,
  to: Day,
): { readonly asked: number; readonly done: number } {
  const ticked = new Map(ticks.map(({ key, day, times }) => [`${key} ${day}`, times]));
  const all = tasks.flatMap((task) =>
    homeDays(task, since, from, to).map((day) => {
      const asked = timesADay(task.everyDays);
      return { asked, done: Math.min(asked, ticked.get(`${task.key} ${day}`) ?? 0) };
    }),
  );
  const sum = (of: (each: (typeof all)[number]) => number) => all.reduce((total, each) => total + of(each), 0);
  return { asked: sum(({ asked }) => asked), done: sum(({ done }) => done) };
}

/** Home care as it stands for one dog on a day. */
export interface HomeCareToday {
  /** The visit that days are counted from. */
  readonly since: Day;
  readonly today: Day;
  readonly ticks: readonly HomeTick[];
}

/** A day that was missed is still asked for, so far back. */
const LATE_DAYS = 6;

/**
 * The newest day on which a task was due and not done since, as far back as is asked for; null: nothing is due. Today is done
 * when all its times are; what was missed of an earlier day is not made up for.
 */
export const openSince = (task: HomeTask, { since, today, ticks }: HomeCareToday): Day | null =>
  homeDays(task, since, addDays(today, -LATE_DAYS), today).findLast(
    (day) =>
      !ticks.some(
        (tick) =>
          tick.key === task.key && tick.day >= day && (tick.day < today || tick.times >= timesADay(task.everyDays)),
      ),
  ) ?? null;

/** What is due first, then what comes later, the soonest first. */
export function dueFirst(tasks: readonly HomeTask[], home: HomeCareToday): HomeTask[] {
  const day = (task: HomeTask) => (openSince(task, home) === null ? nextHomeDay(task, home.since, home.today) : '');
  return tasks.toSorted((a, b) => (day(a) < day(b) ? -1 : day(a) > day(b) ? 1 : 0));
}
