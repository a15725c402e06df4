import { CONDITIONS, areaOf, atLeast, type PlaceCondition, type Procedure, type Stop, type Triage } from '../findings';
import { samePlace, type Place } from '../places';
import { COMMON_PRACTICE, HOUSE_VALUE, type Source } from '../provenance';
import type { Rank, Reason, SignSeen } from '../reasons';
import type { Task } from '../tasks';
import type { Day } from '../units';
import { bar, type Bar, type BarParts, type Covers } from './bar';
import type { VetLift } from './lift';
import { LEAVE_IT, STOP_TABLE, type Instead } from './stopTable';

/** A look at a place: today's, or an earlier one whose stop no vet has answered and no clear look has ended. */
export interface JudgedPlace {
  readonly triage: Triage;
  /** The day of the earlier look; null: today. */
  readonly since: Day | null;
}

/** A task that a rule, an instruction or the law of the place forbids. */
export interface TaskBar {
  readonly task: Task;
  readonly place: Place | null;
  readonly rank: Rank;
  readonly reason: Reason;
  readonly source: Source;
}

/** Single procedures that are not done at a place here. */
export interface ProcedureBar extends Omit<TaskBar, 'task' | 'place'> {
  readonly place: Place;
  readonly procedures: readonly Procedure[];
}

/** Everything that may forbid work on a dog today. */
export interface BarSources {
  readonly judged: readonly JudgedPlace[];
  /** Places under a stop of which only words are known: they were sent by a version that says it otherwise. */
  readonly told: readonly { readonly place: Place; readonly reason: Reason }[];
  readonly conditions: readonly PlaceCondition[];
  readonly tasks: readonly TaskBar[];
  readonly procedures: readonly ProcedureBar[];
  /** Words that keep every other product off the skin. */
  readonly nothingElse: readonly Omit<TaskBar, 'task' | 'place'>[];
  readonly lifts: readonly VetLift[];
  readonly today: Day;
}

/** Nothing that forbids anything: what is not said of a dog is left as it is here. */
export const NO_SOURCES: Omit<BarSources, 'lifts' | 'today'> = {
  judged: [],
  told: [],
  conditions: [],
  tasks: [],
  procedures: [],
  nothingElse: [],
};

/** All bars on a dog, in no order; `stopAt` sorts them. Pure. */
export const barsFrom = (sources: BarSources): Bar[] => [
  ...sources.judged.flatMap((judged) => ofLook(judged, sources)),
  ...sources.told.map(({ place, reason }) => stopped(place, 'S1', { reason, level: 'vet', source: COMMON_PRACTICE })),
  ...sources.conditions.map((each) => ofCondition(each, sources)),
  // Spelt out: plans are made thousands at a time, and a spread of the rest is slow.
  ...sources.tasks.map(({ task, place, rank, reason, source }) =>
    ofWord({ rank, reason, source, covers: { kind: 'task', task, place }, instead: [LEAVE_IT] }),
  ),
  ...sources.procedures.map(({ place, procedures, rank, reason, source }) =>
    ofWord({ rank, reason, source, covers: { kind: 'place', place, procedures, dryHead: null }, instead: [] }),
  ),
  ...sources.nothingElse.map(({ rank, reason, source }) =>
    ofWord({ rank, reason, source, covers: { kind: 'other products' }, instead: [] }),
  ),
];

/** A bar by a word or a rule, not by a sign: no stop, nothing to lift. */
const ofWord = ({
  rank,
  reason,
  source,
  covers,
  instead,
}: Pick<BarParts, 'rank' | 'reason' | 'source' | 'covers' | 'instead'>): Bar =>
  bar({ stop: 'S0', level: 'none', rank, reason, source, covers, instead, lifts: [] });

interface Stopped {
  readonly reason: Reason;
  readonly level: Triage['level'];
  readonly source: Source;
  readonly lifts?: readonly (readonly VetLift[])[];
  readonly instead?: readonly Instead[];
  /** No water on the head at all, whatever the kind of place. */
  readonly dryHead?: boolean;
}

/** A bar at one place by the table of stops. An ear under a stop keeps water below the neck on its side. */
function stopped(place: Place, stop: Exclude<Stop, 'S0'>, parts: Stopped): Bar {
  const { lifts = [], instead = [], dryHead = false, ...said } = parts;
  const area = areaOf(place.site);
  const covers: Covers =
    stop === 'S3'
      ? { kind: 'everything', place }
      : {
          kind: 'place',
          place,
          procedures: STOP_TABLE[stop][area],
          dryHead: dryHead ? 'none' : area === 'ear' ? place.side : null,
        };
  return bar({ ...said, rank: 'safety', stop, covers, instead, lifts });
}

/**
 * The bars of one place. Of today's look they are kept: a tap judges one place anew, and the bars of all others are the
 * same objects as before, which whoever compares two lists of bars sees at once.
 */
function ofLook(judged: JudgedPlace, sources: BarSources): readonly Bar[] {
  const { triage, since } = judged;
  if (triage.matched.length === 0 && triage.unknown.length === 0) return [];
  const known = since === null ? OF_TODAY.get(triage) : undefined;
  if (known?.lifts === sources.lifts && known.today === sources.today) return known.bars;
  const bars = [...ofRows(judged, sources), ...ofUnknown(judged)];
  if (since === null) OF_TODAY.set(triage, { lifts: sources.lifts, today: sources.today, bars });
  return bars;
}
const OF_TODAY = new WeakMap<Triage, Pick<BarSources, 'lifts' | 'today'> & { readonly bars: readonly Bar[] }>();

/** One bar a row that has a stop, and one that keeps something off without one. */
function ofRows({ triage, since }: JudgedPlace, sources: BarSources): Bar[] {
  return triage.matched.flatMap(({ row, findings }) => {
    const { place } = triage;
    const seen: SignSeen[] = findings.map(({ sign, grade }) => ({ sign, grade }));
    const said = { reason: { kind: 'signs', place, seen, since }, level: row.level, source: row.source } as const;
    // Never vet soon or above, whoever lifts it.
    const lifts = atLeast(row.level, 'vet soon')
      ? []
      : findings.map((found) => liftsOf(sources, place, found.sign).filter((lift) => found.grade <= lift.upToGrade));
    if (row.stop !== 'S0') return [stopped(place, row.stop, { ...said, lifts })];
    if (row.keepsOff.length === 0 || since !== null) return [];
    const covers: Covers = { kind: 'place', place, procedures: row.keepsOff, dryHead: null };
    const instead = row.todo === null ? [] : [row.todo];
    return [bar({ ...said, rank: 'safety', stop: 'S0', covers, instead, lifts })];
  });
}

/** A sign that this version does not know bars its place like S1. */
const ofUnknown = ({ triage: { place, unknown, level }, since }: JudgedPlace): Bar[] =>
  unknown.length === 0
    ? []
    : [
        stopped(place, 'S1', {
          reason: { kind: 'signs', place, seen: unknown.map(({ sign, grade }) => ({ sign, grade })), since },
          level,
          source: HOUSE_VALUE,
        }),
      ];

function ofCondition({ place, condition }: PlaceCondition, sources: BarSources): Bar {
  const { stop, dryHead, source } = CONDITIONS[condition];
  return stopped(place, stop, {
    reason: { kind: 'condition', place, condition },
    level: 'none',
    source,
    dryHead,
    lifts: [liftsOf(sources, place, condition)],
  });
}

/** Lifts of one sign or condition at a place that hold today. */
const liftsOf = ({ lifts, today }: BarSources, place: Place, what: VetLift['lifts']): VetLift[] =>
  lifts.filter(
    (lift) => lift.lifts === what && samePlace(lift.place, place) && lift.from <= today && today <= lift.until,
  );
