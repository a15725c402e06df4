import type { Task } from '../tasks';
import { AFTER_THE_BATH } from './afterTheBath';
import type { MethodSource } from './card';
import { IN_THE_TUB } from './inTheTub';
import { ON_THE_TABLE } from './onTheTable';

/** One card for each piece of work, in the order of a visit. */
export const METHOD_CARDS: readonly MethodSource[] = [...ON_THE_TABLE, ...IN_THE_TUB, ...AFTER_THE_BATH];

const BY_ID = new Map(METHOD_CARDS.map((card) => [card.id, card]));
const BY_TASK = new Map(METHOD_CARDS.flatMap((card) => card.tasks.map((task): [Task, MethodSource] => [task, card])));

export const findMethod = (id: string): MethodSource | undefined => BY_ID.get(id);

/** The card of a task. Throws `RangeError` for a task without one: a test keeps every task covered. */
export function methodOf(task: Task): MethodSource {
  const card = BY_TASK.get(task);
  if (!card) throw new RangeError(`No method card for "${task}".`);
  return card;
}
