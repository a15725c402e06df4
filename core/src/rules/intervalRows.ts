import type { Interval } from '../rhythm';
import type { Task } from '../tasks';
import type { Rule } from './rule';
import { RULES } from './rules';

/** A row of the rules that says how often, as it ships. */
export interface IntervalRow {
  readonly id: string;
  readonly task: Task;
  /** Which dogs, as it can be read aloud. */
  readonly of: string;
  readonly because: string;
  /** It speaks of the life of a dog, and goes before the rows of its coat or ears. */
  readonly isCircumstance: boolean;
  readonly ships: Interval;
}

function rowOf({ id, task, when, because, rank, then }: Rule): readonly IntervalRow[] {
  if (typeof then === 'function') return [];
  return then.flatMap((each) => {
    if (each.kind !== 'interval') return [];
    const { least, usual, most } = each;
    const of = when.words;
    return [{ id, task, of, because, isCircumstance: rank === 'circumstance', ships: { least, usual, most } }];
  });
}

/** Every row that says how often, in the order of the rules; a business can set the days of each. */
export const INTERVAL_ROWS: readonly IntervalRow[] = RULES.flatMap(rowOf);
