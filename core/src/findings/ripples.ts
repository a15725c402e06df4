import type { Grade } from '../places';
import type { Finding } from './finding';
import { LEVELS, atLeast, type Level } from './levels';
import { ALL_SIGNS, signWords, type Sign } from './signs';
import { TRIAGE_TABLE } from './triageTable';

/**
 * Rings that a finding is drawn with, 1 to 3. A graded sign: its grade. One that is there or not has no grade to draw:
 * it is drawn by the lowest level its rows give it, so that a squint never looks as slight as a little wax.
 */
export const ripplesOf = ({ sign, grade }: Finding): Exclude<Grade, 0> =>
  signWords(sign).graded ? grade : (RIPPLES.get(sign) ?? grade);

/** Rings for what was found at one place; 0: nothing. */
export const worstRipples = (findings: readonly Finding[]): Grade => Math.max(0, ...findings.map(ripplesOf)) as Grade;

const ripplesAt = (level: Level): Exclude<Grade, 0> => (atLeast(level, 'vet') ? 3 : atLeast(level, 'tell') ? 2 : 1);

const RIPPLES: ReadonlyMap<Sign, Exclude<Grade, 0>> = new Map(
  ALL_SIGNS.flatMap((sign) => {
    const levels = TRIAGE_TABLE.filter((row) => row.signs.includes(sign)).map(({ level }) => level);
    const lowest = LEVELS.find((level) => levels.includes(level));
    return lowest === undefined ? [] : [[sign, ripplesAt(lowest)]];
  }),
);
