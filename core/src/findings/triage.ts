import { samePlace, type Place } from '../places';
import { asAlways } from './asAlways';
import type { Look } from './look';
import type { TriageRow } from './circumstance';
import type { Finding } from './finding';
import { higherLevel, type Level } from './levels';
import { SIGN_AREAS, areaOf, isKnownSign } from './signs';
import { TRIAGE_TABLE } from './triageTable';

/** A row of the table that speaks at a place, and the findings it speaks of. */
export interface Matched {
  readonly row: TriageRow;
  readonly findings: readonly Finding[];
  /** A vet knows all of it and nothing has changed: it is noted, whatever the row's level. The stop stays. */
  readonly asAlways: boolean;
}

export interface Triage {
  readonly place: Place;
  readonly level: Level;
  readonly matched: readonly Matched[];
  /** Signs that this version does not know: a newer device or server sent them. */
  readonly unknown: readonly Finding[];
}

/** The rows that speak of each kind of place, in the order of the table. */
const ROWS_OF = new Map(
  SIGN_AREAS.map((area) => [area, TRIAGE_TABLE.filter(({ areas }) => areas.includes(area))] as const),
);

const rowsOf = ({ site }: Place): readonly TriageRow[] => ROWS_OF.get(areaOf(site)) ?? [];

/** A sign this version cannot judge is told to the owner, and bars its place like S1. */
const LEVEL_OF_UNKNOWN: Level = 'tell';

/**
 * Level and rows of one place: the highest level of any row that matches. What its stops take away is for `stopAt`.
 * A finding at an ear of no known side counts for both ears. Pure; never throws.
 * @example
 * triage({ place: { site: 'ear', side: 'left' }, findings: [], before: [] }).level // 'none'
 */
export function triage(look: Look): Triage {
  const here = look.findings.filter((each) => countsAt(each.place, look.place));
  if (here.length === 0) return { place: look.place, level: 'none', matched: [], unknown: [] };
  const familiar = asAlways(look, here);
  const notLower = (now: Finding) =>
    !familiar.has(now) &&
    look.lastTime.some((then) => then.sign === now.sign && countsAt(then.place, look.place) && now.grade >= then.grade);
  const matched = rowsOf(look.place).flatMap((row): Matched[] => {
    const matching = here.filter((each) => row.signs.includes(each.sign));
    if (matching.length === 0 || !row.applies({ matching, notLower, dog: look.dog })) return [];
    const watched = row.level === 'watch' || row.level === 'tell';
    return [{ row, findings: matching, asAlways: watched && matching.every((each) => familiar.has(each)) }];
  });
  const unknown = here.filter(({ sign }) => !isKnownSign(sign));
  const start: Level = unknown.length > 0 ? LEVEL_OF_UNKNOWN : 'none';
  return {
    place: look.place,
    level: matched.reduce<Level>((level, each) => higherLevel(level, each.asAlways ? 'note' : each.row.level), start),
    matched,
    unknown,
  };
}

/** Whether something found at one place counts at another: an ear of no known side counts for both ears. */
export const countsAt = (found: Place, place: Place): boolean =>
  samePlace(found, place) || (found.site === 'ear' && place.site === 'ear' && found.side === 'none');
