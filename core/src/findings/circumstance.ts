import type { Grade } from '../places';
import { COMMON_PRACTICE, type Source } from '../provenance';
import type { Finding } from './finding';
import type { Level, Stop } from './levels';
import type { Procedure } from './procedures';
import { QUESTIONS, signWords, type Sign, type SignArea } from './signs';

/** What is known about the dog besides the place itself. */
export interface Circumstances {
  readonly flatFaceOrProminentEyes: boolean;
  readonly grassSeedMonth: boolean;
}

/** One place as it stands: the row's signs found there, and what the last salon inspection found of the same sign. */
export interface Seen {
  readonly matching: readonly Finding[];
  readonly notLower: (finding: Finding) => boolean;
  readonly dog: Circumstances;
}

/** What a row asks of the hands, and what they then do at the place: said only where no bar forbids that. */
export interface Todo {
  readonly words: string;
  readonly does: readonly Procedure[];
}
export const todo = (words: string, ...does: readonly Procedure[]): Todo => ({ words, does });

export interface TriageRow {
  readonly id: string;
  readonly areas: readonly SignArea[];
  readonly signs: readonly Sign[];
  /** The circumstance column, in words and as a test. */
  readonly when: string;
  readonly applies: (seen: Seen) => boolean;
  readonly level: Level;
  readonly stop: Stop;
  /** What to do or not to do besides the stop; null: nothing. */
  readonly todo: Todo | null;
  /** What the row keeps off its place besides its stop: "nothing greasy" is no balm, "no plucking while damp". */
  readonly keepsOff: readonly Procedure[];
  readonly source: Source;
}

type Circumstance = readonly [words: string, applies: (seen: Seen) => boolean];

const worst = (seen: Seen): Grade => Math.max(0, ...seen.matching.map((each) => each.grade)) as Grade;
export const any: Circumstance = ['any', () => true];
export const graded = (least: Grade, most: Grade): Circumstance => [
  least === most ? `${least}` : `${least}–${most}`,
  (seen) => worst(seen) >= least && worst(seen) <= most,
];
const answerOf = ({ sign, answer }: Finding): boolean => {
  const { asks } = signWords(sign);
  return answer ?? (asks ? QUESTIONS[asks].unanswered : false);
};
export const answered = (words: string, yes: boolean): Circumstance => [
  words,
  (seen) => seen.matching.some((each) => answerOf(each) === yes),
];
export const notLower: Circumstance = [
  'not lower than last time',
  (seen) => seen.matching.some((each) => seen.notLower(each)),
];
export const either = (...ways: readonly Circumstance[]): Circumstance => [
  ways.map(([words]) => words).join('; or '),
  (seen) => ways.some(([, applies]) => applies(seen)),
];
export const both = (...needs: readonly Circumstance[]): Circumstance => [
  needs.map(([words]) => words).join(', '),
  (seen) => needs.every(([, applies]) => applies(seen)),
];
export const count = (words: string, test: (different: number) => boolean): Circumstance => [
  words,
  (seen) => test(new Set(seen.matching.map((each) => each.sign)).size),
];
export const dogIs = (words: string, test: (dog: Circumstances) => boolean): Circumstance => [
  words,
  (seen) => test(seen.dog),
];
export const except = (words: string, [, applies]: Circumstance): Circumstance => [words, (seen) => !applies(seen)];
export const only = (words: string, test: (finding: Finding) => boolean): Circumstance => [
  words,
  (seen) => seen.matching.every(test),
];

/** Rows of one list of places; the first names them. What a row keeps off besides its stop stands last. */
export const row =
  (...areas: readonly [SignArea, ...SignArea[]]) =>
  (
    id: string,
    signs: readonly Sign[],
    [when, applies]: Circumstance,
    [level, stop]: readonly [level: Level, stop: Stop],
    asks: string | Todo | null = null,
    ...keepsOff: readonly Procedure[]
  ): TriageRow => ({
    id: `${areas[0]}: ${id}`,
    areas,
    signs,
    when,
    applies,
    level,
    stop,
    todo: typeof asks === 'string' ? todo(asks) : asks,
    keepsOff,
    source: COMMON_PRACTICE,
  });
