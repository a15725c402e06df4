import { LEVELS, STOPS, areaOf, type Level, type Procedure, type Stop } from '../findings';
import { samePlace, type Place } from '../places';
import type { Source } from '../provenance';
import { sameReason, type Rank, type Reason } from '../reasons';
import type { Task } from '../tasks';
import type { Day } from '../units';
import { isAboveNeckOn, type Touch } from '../work';
import type { Bar, BarParts, Covers } from './bar';
import { openBar } from './openBar';
import { DRY_HEAD, INSTEAD, LEAVE_IT, PLAIN_WATER, type Instead } from './stopTable';
import { taskCovers, taskSpeaksOf } from './taskCovers';

/** A bar as it stands against one touch. */
export interface BarAt {
  readonly stop: Stop;
  readonly level: Level;
  readonly rank: Rank;
  readonly reason: Reason;
  readonly source: Source;
  /** The place it comes from; null where it is said of the whole dog. */
  readonly at: Place | null;
  /** Vets who have lifted it for this procedure, and until when; null: it is in force. */
  readonly lifted: { readonly by: readonly string[]; readonly procedure: Procedure; readonly until: Day } | null;
}

export interface StopAnswer {
  /** No bar in force forbids the procedure; the product may be kept off all the same. */
  readonly isOpen: boolean;
  /** The product is kept off: the work goes on with plain water, or without. */
  readonly productOff: boolean;
  /** All bars that speak of it, the worst first; lifted ones last, as lifted. */
  readonly bars: readonly BarAt[];
  /** What stands in; null where nothing is taken away. */
  readonly instead: Instead | null;
}

/** Bars opened, and sorted out by the procedure they may speak of, as it is asked about. */
interface OpenedBars {
  readonly all: readonly BarParts[];
  readonly by: Map<Procedure, readonly BarParts[]>;
}

/** The same bars are asked for every touch of every step: they are opened once. */
const OPENED = new WeakMap<readonly Bar[], OpenedBars>();
function opened(bars: readonly Bar[]): OpenedBars {
  const known = OPENED.get(bars);
  if (known) return known;
  const made = { all: bars.map(openBar), by: new Map() };
  OPENED.set(bars, made);
  return made;
}

/** Those that may forbid a procedure somewhere. */
function speakingOf(bars: readonly Bar[], procedure: Procedure): readonly BarParts[] {
  const { all, by } = opened(bars);
  const known = by.get(procedure);
  if (known) return known;
  const speaking = all.filter(({ covers: what }) => speaksOf(what, procedure));
  by.set(procedure, speaking);
  return speaking;
}

/** Whether a bar may forbid a procedure anywhere at all. */
function speaksOf(what: Covers, procedure: Procedure): boolean {
  switch (what.kind) {
    case 'place':
      return what.procedures.includes(procedure) || (what.dryHead !== null && isWater(procedure));
    case 'task':
      return taskSpeaksOf(what.task, procedure);
    case 'everything':
    case 'other products':
      return true;
  }
}

const isWater = (procedure: Procedure): boolean => procedure === 'wash' || procedure === 'rinse';

const OPEN: StopAnswer = { isOpen: true, productOff: false, bars: [], instead: null };

/**
 * Whether hands may do this at this place, with this product: the one question, and the one place where it is answered.
 * Looking is always allowed.
 * @param own the task of the piece that asks, for bars that are put on a task.
 */
export function stopAt(bars: readonly Bar[], touch: Touch, own: Task | null = null): StopAnswer {
  if (touch.procedure === 'look' || bars.length === 0) return OPEN;
  const speaking = speakingOf(bars, touch.procedure).filter((each) => covers(each, touch, own));
  if (speaking.length === 0) return OPEN;
  const said = distinct(speaking.map((parts) => asBarAt(parts, touch.procedure)));
  const all = said.length < 2 ? said : said.toSorted(worstFirst);
  const inForce = speaking.filter((parts) => liftedFor(parts, touch.procedure) === null);
  const forbids = inForce.filter(({ covers: each }) => each.kind !== 'other products');
  const productOff = inForce.length > forbids.length;
  return {
    isOpen: forbids.length === 0,
    productOff,
    bars: all,
    instead: forbids.length > 0 ? insteadOf(bars, touch, forbids) : productOff ? PLAIN_WATER : null,
  };
}

/** All bars that take something away at a place itself, the worst first, whatever the procedure; lifted ones last. */
export function barsAt(bars: readonly Bar[], place: Place): BarAt[] {
  const here = opened(bars).all.filter(({ covers: each }) => each.kind === 'place' || each.kind === 'everything');
  return distinct(
    here
      .filter(({ covers: each }) => 'place' in each && each.place !== null && samePlace(each.place, place))
      .map((parts) => asBarAt(parts, null)),
  ).toSorted(worstFirst);
}

/** What ends the visit, the worst first; empty: nothing does. */
export const endings = (bars: readonly Bar[]): BarAt[] =>
  opened(bars)
    .all.filter(({ stop }) => stop === 'S3')
    .map((parts) => asBarAt(parts, null))
    .toSorted(worstFirst);

/** What S1 to S3 leave of a place: the procedures that some bar in force there takes away. */
export const takenAt = (bars: readonly Bar[], place: Place, procedures: readonly Procedure[]): Procedure[] =>
  procedures.filter((procedure) => procedure !== 'look' && !isOpen(bars, { place, procedure, product: null }));

/** Whether no bar in force forbids it, the product left aside. */
const isOpen = (bars: readonly Bar[], touch: Touch): boolean =>
  speakingOf(bars, touch.procedure).every(
    (parts) =>
      parts.covers.kind === 'other products' ||
      !covers(parts, touch, null) ||
      liftedFor(parts, touch.procedure) !== null,
  );

/** Whether all of this may be done at the place now: for what is said to be done in place of something. */
export const mayDo = (bars: readonly Bar[], place: Place, does: readonly Procedure[]): boolean =>
  does.every((procedure) => procedure === 'look' || isOpen(bars, { place, procedure, product: null }));

function covers({ covers: what }: BarParts, touch: Touch, own: Task | null): boolean {
  switch (what.kind) {
    case 'everything':
      return true;
    case 'place':
      return (
        (samePlace(what.place, touch.place) && what.procedures.includes(touch.procedure)) ||
        (what.dryHead !== null && isWater(touch.procedure) && isAboveNeckOn(touch.place, what.dryHead))
      );
    case 'task':
      return taskCovers(what.task, what.place, touch, own);
    case 'other products':
      return touch.product !== null && touch.product !== 'prescribed';
  }
}

/** Washing is product on and off: who lifts it lifts the rinse. Any other lift is for the procedure it names. */
const named = (lift: Procedure, asked: Procedure): boolean => lift === asked || (lift === 'wash' && asked === 'rinse');

/** Who has lifted a bar for a procedure; null: nobody, or not for all of its signs. Several vets may share it. */
function liftedFor({ lifts }: BarParts, procedure: Procedure): BarAt['lifted'] {
  if (lifts.length === 0) return null;
  const each = lifts.map((list) => list.filter((lift) => named(lift.procedure, procedure)));
  if (each.some((list) => list.length === 0)) return null;
  const longest = each.map((list) => list.reduce((a, b) => (b.until > a.until ? b : a)));
  return {
    by: [...new Set(longest.map(({ who }) => who))],
    procedure,
    until: longest.reduce<Day>((first, { until }) => (until < first ? until : first), longest[0]?.until as Day),
  };
}

/** Without a procedure: a bar that a vet has lifted for any shows the first of those. */
function asBarAt(parts: BarParts, procedure: Procedure | null): BarAt {
  const { stop, level, rank, reason, source, covers: what } = parts;
  const at =
    what.kind === 'place' || what.kind === 'everything' ? what.place : what.kind === 'task' ? what.place : null;
  const asked = procedure === null ? (parts.lifts[0]?.map((lift) => lift.procedure) ?? []) : [procedure];
  const lifted = asked.map((each) => liftedFor(parts, each)).find((each) => each !== null) ?? null;
  return { stop, level, rank, reason, source, at, lifted };
}

/** In force before lifted; then by level, then by stop. Equal ones keep the order in which they were found. */
export const worstFirst = (a: BarAt, b: BarAt): number =>
  Number(a.lifted !== null) - Number(b.lifted !== null) ||
  LEVELS.indexOf(b.level) - LEVELS.indexOf(a.level) ||
  STOPS.indexOf(b.stop) - STOPS.indexOf(a.stop);

export const distinct = (bars: readonly BarAt[]): readonly BarAt[] =>
  bars.length < 2
    ? bars
    : bars.filter(
        (each, i) => bars.findIndex((other) => other.stop === each.stop && sameReason(other.reason, each.reason)) === i,
      );

/** The first thing to do instead that no bar in force forbids. */
function insteadOf(bars: readonly Bar[], { place }: Touch, forbids: readonly BarParts[]): Instead {
  const worst = forbids.toSorted((a, b) => STOPS.indexOf(b.stop) - STOPS.indexOf(a.stop))[0];
  const own = worst?.instead ?? [];
  const fromElsewhere = worst?.covers.kind === 'place' && !samePlace(worst.covers.place, place);
  const candidates = own.length > 0 ? own : fromElsewhere ? [DRY_HEAD, LEAVE_IT] : INSTEAD[areaOf(place.site)];
  return [...candidates, ...INSTEAD[areaOf(place.site)]].find(({ does }) => mayDo(bars, place, does)) ?? LEAVE_IT;
}
