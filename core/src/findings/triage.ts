import { samePlace, type Place } from '../places';
import { COMMON_PRACTICE, type Source } from '../provenance';
import type { Day } from '../units';
import { higherLevel, higherStop, stopsAtLeast, type Level, type Stop } from './levels';
import type { Finding } from './finding';
import { SIGNS, areaOf, type Sign } from './signs';
import { TRIAGE_TABLE, type Circumstances, type TriageRow } from './triageTable';

/** What a vet may allow in spite of a sign. */
export const PROCEDURES = ['clean', 'pluck', 'plug', 'wash', 'clip'] as const;
export type Procedure = (typeof PROCEDURES)[number];

/** Known about an ear without any sign: nothing goes in. */
export const EAR_CONDITIONS = [
  'drum torn or suspected',
  'ear operation',
  'long-acting gel in place',
  'drops given today',
] as const;
export type EarCondition = (typeof EAR_CONDITIONS)[number];

/**
 * A vet's dated permission. It lifts the stop of the sign it names, at that place, up to the grade noted when it was
 * given, for the procedure it names; never at level vet soon or above.
 */
export interface VetLift {
  readonly id: string;
  readonly who: string;
  readonly place: Place;
  readonly lifts: Sign | EarCondition;
  readonly upToGrade: number;
  readonly procedure: Procedure;
  readonly from: Day;
  readonly until: Day;
}

/** A stop and what it comes from. A lifted bar stays here, as lifted. */
export interface Bar {
  readonly stop: Stop;
  readonly because: string;
  readonly source: Source;
  readonly lifted: { readonly by: string; readonly procedure: Procedure } | null;
}

export interface Triage {
  readonly place: Place;
  readonly level: Level;
  readonly bars: readonly Bar[];
  readonly rows: readonly TriageRow[];
  /** What to do or not to do besides the stops, each once. */
  readonly todo: readonly string[];
}

export interface Look {
  readonly place: Place;
  /** All findings of today's look-over; those of other places are passed over. */
  readonly findings: readonly Finding[];
  /** Those of the last salon inspection, for "not lower than last time". */
  readonly lastTime: readonly Finding[];
  readonly conditions: readonly EarCondition[];
  readonly lifts: readonly VetLift[];
  readonly dog: Circumstances;
  readonly today: Day;
}

/**
 * Level and stops of one place: the highest level of any row that matches, and the union of their stops.
 * A finding at an ear of no known side counts for both ears. Pure; never throws.
 */
export function triage(look: Look): Triage {
  const here = look.findings.filter((each) => countsAt(each.place, look.place));
  const notLower = (now: Finding) =>
    look.lastTime.some((then) => then.sign === now.sign && countsAt(then.place, look.place) && now.grade >= then.grade);
  const matched = TRIAGE_TABLE.filter((row) => row.areas.includes(areaOf(look.place.site))).flatMap((row) => {
    const matching = here.filter((each) => row.signs.includes(each.sign));
    return matching.length > 0 && row.applies({ matching, notLower, dog: look.dog }) ? [{ row, matching }] : [];
  });
  const signBars = matched
    .filter(({ row }) => row.stop !== 'S0')
    .map(({ row, matching }): Bar => ({
      stop: row.stop,
      because: list(matching.map((each) => SIGNS[each.sign].name)),
      source: row.source,
      lifted: liftedBy(look, row, matching),
    }));
  const conditionBars =
    areaOf(look.place.site) === 'ear' ? look.conditions.map((each) => conditionBar(look, each)) : [];
  return {
    place: look.place,
    level: matched.reduce<Level>((level, { row }) => higherLevel(level, row.level), 'none'),
    bars: [...signBars, ...conditionBars],
    rows: matched.map(({ row }) => row),
    todo: [...new Set(matched.flatMap(({ row }) => (row.do === '' ? [] : [row.do])))],
  };
}

/** The stop in force at a place for one procedure, or for everything not named by a lift. */
export function stopFor(result: Triage, procedure?: Procedure): Stop {
  return result.bars
    .filter((bar) => bar.lifted === null || bar.lifted.procedure !== procedure)
    .reduce<Stop>((stop, bar) => higherStop(stop, bar.stop), 'S0');
}

/** An ear under S1 or S2 gets no plug, so no water comes above the neck on that side. */
export const keepsWaterBelowNeck = (result: Triage): boolean =>
  result.place.site === 'ear' && stopsAtLeast(stopFor(result, 'plug'), 'S1');

/** Whether something found at one place counts at another: an ear of no known side counts for both ears. */
export const countsAt = (found: Place, place: Place): boolean =>
  samePlace(found, place) || (found.site === 'ear' && place.site === 'ear' && found.side === 'none');

const liftHolds = (look: Look, lift: VetLift): boolean =>
  samePlace(lift.place, look.place) && lift.from <= look.today && look.today <= lift.until;

function liftedBy(look: Look, row: TriageRow, matching: readonly Finding[]): Bar['lifted'] {
  if (row.level === 'vet soon' || row.level === 'vet today' || row.level === 'emergency') return null;
  const covering = matching.map((found) =>
    look.lifts.find((lift) => liftHolds(look, lift) && lift.lifts === found.sign && found.grade <= lift.upToGrade),
  );
  const [first] = covering;
  if (!first || covering.some((lift) => lift?.procedure !== first.procedure)) return null;
  return { by: first.who, procedure: first.procedure };
}

function conditionBar(look: Look, condition: EarCondition): Bar {
  const lift = look.lifts.find((each) => liftHolds(look, each) && each.lifts === condition);
  return {
    stop: 'S1',
    because: condition,
    source: COMMON_PRACTICE,
    lifted: lift ? { by: lift.who, procedure: lift.procedure } : null,
  };
}

const list = (names: readonly string[]): string => [...new Set(names)].join('; ');
