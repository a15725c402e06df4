import { addDays, type Day } from '../units';
import { GOALS, type Goal, type ProgrammeKind } from './goals';

/** How a lesson went, as the dog showed it. */
export const WENT = ['easy', 'unsure', 'too much'] as const;
export type Went = (typeof WENT)[number];
export const WENT_WORDS: Readonly<Record<Went, string>> = {
  easy: 'Easy: ate, loose, stayed',
  unsure: 'Unsure: licked, pulled away, came back',
  'too much': 'Too much: panted, trembled, froze or snapped',
};

export interface Lesson {
  readonly id: string;
  readonly goal: string;
  readonly went: Went;
  readonly on: Day;
  readonly by: string;
  /** Whose name that is; not kept of earlier lessons. */
  readonly personId?: string;
}

/** Days until the next lesson [house values]: soon after an easy one, a breath after too much. */
const NEXT_AFTER: Readonly<Record<Went, number>> = { easy: 7, unsure: 7, 'too much': 14 };

export interface Progress {
  readonly goals: readonly (Goal & { readonly reached: boolean; readonly tries: number })[];
  /** The goal of the next lesson; null when all are reached. */
  readonly next: Goal | null;
  /** When the next lesson is best held; null when done. */
  readonly nextOn: Day | null;
  readonly reached: number;
}

/**
 * Where a dog stands. A goal is reached once its newest lesson went easily. After "too much" the goal before is
 * practised again, so that the next lesson ends well. Lessons of goals the programme does not have are passed over.
 */
export function progressOf(kind: ProgrammeKind, lessons: readonly Lesson[], startedOn: Day): Progress {
  const ladder = GOALS[kind];
  const held = lessons
    .filter((lesson) => ladder.some(({ id }) => id === lesson.goal))
    .toSorted((a, b) => (a.on === b.on ? 0 : a.on < b.on ? -1 : 1));
  const newest = (id: string) => held.findLast((lesson) => lesson.goal === id);
  const goals = ladder.map((goal) => ({
    ...goal,
    reached: newest(goal.id)?.went === 'easy',
    tries: held.filter((lesson) => lesson.goal === goal.id).length,
  }));
  const last = held.at(-1);
  const open = goals.findIndex((goal) => !goal.reached);
  const setBack = last?.went === 'too much' && last.goal === goals[open]?.id;
  const next = open < 0 ? null : (ladder[setBack ? Math.max(0, open - 1) : open] ?? null);
  return {
    goals,
    next,
    nextOn: next && (last ? addDays(last.on, NEXT_AFTER[last.went]) : startedOn),
    reached: goals.filter((goal) => goal.reached).length,
  };
}
