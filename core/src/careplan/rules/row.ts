import type { Source } from '../../provenance';
import type { Condition, Rank, Rule, Then } from '../rule';
import type { Task } from '../../tasks';

/** Days at the salon: usual, least, most. */
export const days = (usual: number, least: number, most: number): Then => ({ kind: 'interval', least, usual, most });
/** The owner's part: every so many days, minutes each time, how. */
export const home = (everyDays: number, minutes: number, how: string): Then => ({
  kind: 'home',
  everyDays,
  minutes,
  how,
});
export const caution = (words: string): Then => ({ kind: 'caution', words });
export const bar = (words: string): Then => ({ kind: 'bar', words });
export const method = (words: string): Then => ({ kind: 'method', words });

/** Rows of one task, rank and source: id, when, because, and what follows. */
export const rowsOf =
  (task: Task, rank: Rank, source: Source) =>
  (id: string, when: Condition, because: string, ...then: readonly Then[]): Rule => ({
    id: `${task}: ${id}`,
    task,
    rank,
    when,
    then,
    because,
    source,
  });
