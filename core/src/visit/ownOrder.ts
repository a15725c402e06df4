import { HOUSE_VALUE } from '../provenance';
import { step } from './makeStep';
import type { StepChange } from './state';
import type { Step } from './steps';

/** Whether every step comes after those it needs. */
export function orderHolds(steps: readonly Step[]): boolean {
  const at = new Map(steps.map(({ id }, i) => [id, i]));
  return steps.every((each, i) => each.after.every((id) => (at.get(id) ?? -1) < i));
}

/** The list with one step before another, or null where something that must come first would come later. */
export function movedBefore(steps: readonly Step[], moving: string, before: string): Step[] | null {
  const step = steps.find(({ id }) => id === moving);
  const to = steps.filter(({ id }) => id !== moving).findIndex(({ id }) => id === before);
  if (!step || to === -1) return null;
  const moved = steps.filter(({ id }) => id !== moving).toSpliced(to, 0, step);
  return orderHolds(moved) ? moved : null;
}

/**
 * The list with what people at the table added and moved, in the order they did so. A move that a later finding
 * forbids is not made: the prerequisites of the trade always hold.
 */
export const inOwnOrder = (steps: readonly Step[], changes: readonly StepChange[]): Step[] =>
  changes.reduce<Step[]>(
    (list, change) => {
      if (change.kind === 'moved') return movedBefore(list, change.step, change.before) ?? list;
      if (list.some(({ id }) => id === change.step)) return list;
      const added = step('decide', {
        id: change.step,
        title: change.title,
        how: [{ words: 'Added at the table.', source: HOUSE_VALUE }],
        minutes: 5,
      });
      const to = list.findIndex(({ id }) => id === (change.before ?? 'record'));
      return list.toSpliced(to === -1 ? list.length : to, 0, added);
    },
    [...steps],
  );
