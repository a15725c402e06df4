import type { MixCaution } from '../dilution';
import type { Source } from '../provenance';
import type { Rank } from '../reasons';
import type { HomeHow } from './homeHows';
import type { RuleCondition, Rule, Then } from './rule';
import type { Task } from '../tasks';

/** Days at the salon: usual, least, most. */
export const days = (usual: number, least: number, most: number): Then => ({ kind: 'interval', least, usual, most });
/** The owner's part: every so many days, minutes each time, how. */
export const home = (everyDays: number, minutes: number, how: HomeHow): Then => ({
  kind: 'home',
  everyDays,
  minutes,
  how,
});
export const caution = (words: string): Then => ({ kind: 'caution', words, at: 'the work' });
export const method = (words: string): Then => ({ kind: 'method', words, at: 'the work' });
/** What the bath must know before the coat is wet: at the first wash it comes too late. */
export const beforeWater = (words: string): Then => ({ kind: 'caution', words, at: 'before water' });
export const bar = (words: string): Then => ({ kind: 'bar', words });
export const keepsOff = (marks: readonly MixCaution[], ...ingredients: readonly string[]): Then => ({
  kind: 'keeps off',
  marks,
  ingredients,
});

/** Rows of one task, rank and source: id, when, because, and what follows. */
export const rowsOf =
  (task: Task, rank: Rank, source: Source) =>
  (id: string, when: RuleCondition, because: string, ...then: readonly Then[]): Rule => ({
    id: `${task}: ${id}`,
    task,
    rank,
    when,
    then,
    because,
    source,
  });
