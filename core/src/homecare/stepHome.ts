import type { DueLine } from '../due';
import {
  MEANWHILE,
  atLeast,
  countsAt,
  type Finding,
  type KnownSign,
  type Level,
  type Meanwhile,
  type Sign,
} from '../findings';
import { samePlace, type Place } from '../places';
import type { Task } from '../tasks';
import type { Day } from '../units';

interface StepUp {
  readonly signs: readonly Sign[];
  readonly task: Task;
  /** How often until it is clear, days, by the worst grade found; never less often than before. */
  readonly everyDays: number | Readonly<Record<1 | 2 | 3, number>>;
  /** What is left alone until a vet has looked is not wiped oftener. */
  readonly unless?: Meanwhile;
}

/**
 * Home care that is done oftener from the day something was found until a look finds it clear: as often as the sheet says so
 * (`MEANWHILE`). Folds, face, ears, mats: handbook of the trade; teeth: common practice, no source.
 */
const STEPS: readonly StepUp[] = [
  {
    signs: ['fold redness', 'fold moisture', 'fold smell'],
    task: 'fold care',
    everyDays: 1,
    unless: 'fold left alone',
  },
  {
    signs: ['eye stain', 'eye wet', 'eye musty smell', 'eye skin redness', 'eye crust'],
    task: 'eyes and face',
    // Daily, up to two or three times.
    everyDays: { 1: 1, 2: 1 / 2, 3: 1 / 3 },
    unless: 'eye left alone',
  },
  { signs: ['ear pale wax', 'ear dark wax', 'ear damp', 'ear musty smell'], task: 'ear inspection', everyDays: 3 },
  { signs: ['mat', 'ear mat', 'eye mat'], task: 'brush-out', everyDays: 2 },
  { signs: ['bad breath'], task: 'teeth', everyDays: 1 },
];

/** One look at a place by the salon, and what was found at it. */
export interface HomeLook {
  readonly day: Day;
  readonly findings: readonly (Finding & { readonly level: Level })[];
}

/** What home care is stepped by: the looks at any place, the newest first, and what vets know of it. */
export interface Looks {
  readonly at: (place: Place) => readonly HomeLook[];
  readonly ofBody: readonly HomeLook[];
  readonly known: readonly KnownSign[];
}

/**
 * Home care with what the last look asks for: oftener since that day where something was found that an owner can care for;
 * as before, and saying so, where the look before it had found something and the last one found nothing. What is left alone for
 * a vet is not wiped oftener, and what a vet knows already changes nothing.
 */
export const stepHome = <T extends Pick<DueLine, 'line'>>(due: readonly T[], looks: Looks): T[] =>
  inOneRound(due.map((each) => stepped(each, looks)));

/** Places of a task that are done oftener are done in one round, as often as the worst of them wants. */
const inOneRound = <T extends Pick<DueLine, 'line'>>(due: readonly T[]): T[] =>
  due.map((each) => {
    const { task, home } = each.line;
    if (!home?.stepped) return each;
    const alike = due.flatMap(({ line }) => (line.task === task && line.home?.stepped ? [line.home.everyDays] : []));
    return { ...each, line: { ...each.line, home: { ...home, everyDays: Math.min(...alike) } } };
  });

function stepped<T extends Pick<DueLine, 'line'>>(each: T, looks: Looks): T {
  const { task, place, home } = each.line;
  const steps = STEPS.filter((step) => step.task === task);
  if (!home || steps.length === 0) return each;
  const [last, before] = place === null ? looks.ofBody : looks.at(place);
  if (!last) return each;
  const found = foundAt(steps, last, place);
  const trended = before ? withTrend(each, found, { found: foundAt(steps, before, place), day: before.day }) : each;
  const now = oftenest(steps, last, place, looks.known);
  if (now !== null && now < home.everyDays)
    return withHome(trended, { everyDays: now, stepped: { usual: home.everyDays, since: last.day } });
  const then = before ? oftenest(steps, before, place, looks.known) : null;
  return found.length === 0 && then !== null && then < home.everyDays && !home.ticked
    ? withHome(trended, { everyDays: home.everyDays, clearSince: last.day })
    : trended;
}

const WET: readonly Sign[] = ['fold moisture', 'eye wet', 'ear damp'];
type FoundThere = HomeLook['findings'];

const worst = (found: FoundThere): number => Math.max(0, ...found.map(({ grade }) => grade));
const wet = (found: FoundThere): FoundThere => found.filter(({ sign }) => WET.includes(sign));

/** What home care has changed, or not, in grades of what it is for. */
function withTrend<T extends Pick<DueLine, 'line'>>(
  each: T,
  found: FoundThere,
  before: { readonly found: FoundThere; readonly day: Day },
): T {
  const { task, home } = each.line;
  const by = worst(found) - worst(before.found);
  if (!home || by === 0) return each;
  const better =
    task === 'brush-out' ? 'fewer mats' : worst(wet(found)) < worst(wet(before.found)) ? 'drier' : 'better';
  const trend = { is: by < 0 ? better : ('worse' as const), than: before.day };
  return { ...each, line: { ...each.line, home: { ...home, trend } } };
}

type Stepped = Pick<NonNullable<DueLine['line']['home']>, 'everyDays' | 'stepped' | 'clearSince'>;

/** What was found is asked whatever was ticked. */
function withHome<T extends Pick<DueLine, 'line'>>(each: T, stepped: Stepped): T {
  if (!each.line.home) return each;
  const { ticked: _, ...home } = each.line.home;
  return { ...each, line: { ...each.line, home: { ...home, ...stepped } } };
}

const foundAt = (steps: readonly StepUp[], { findings }: HomeLook, place: Place | null): HomeLook['findings'] =>
  findings.filter(
    (found) =>
      (place === null || countsAt(found.place, place)) && steps.some(({ signs }) => signs.includes(found.sign)),
  );

/** How often a look asks for it, days; null: it asks for nothing. */
function oftenest(
  steps: readonly StepUp[],
  look: HomeLook,
  place: Place | null,
  known: readonly KnownSign[],
): number | null {
  const news = foundAt(steps, look, place).filter(
    (found) => !known.some((each) => each.sign === found.sign && samePlace(each.place, found.place)),
  );
  const isLeftAlone = (id: Meanwhile) =>
    look.findings.some(
      (found) =>
        (place === null || countsAt(found.place, place)) &&
        atLeast(found.level, 'vet') &&
        (MEANWHILE[id].signs as readonly Sign[]).includes(found.sign),
    );
  const asked = steps.flatMap(({ signs, unless, everyDays }) => {
    const grade = worst(news.filter(({ sign }) => signs.includes(sign)));
    if (grade === 0 || (unless && isLeftAlone(unless))) return [];
    return typeof everyDays === 'number' ? everyDays : everyDays[grade as 1 | 2 | 3];
  });
  return asked.length === 0 ? null : Math.min(...asked);
}
