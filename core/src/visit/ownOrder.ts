import { HOUSE_VALUE } from '../provenance';
import { HAZARDS, type Before } from '../steps';
import { step } from '../steps';
import type { StepChange } from './state';
import type { Step } from '../steps';

/** The first prerequisite that an order breaks; null: it holds. */
function brokenBy(steps: readonly Step[]): Before | null {
  const at = new Map(steps.map(({ id }, i) => [id, i]));
  for (const [i, each] of steps.entries())
    for (const before of each.after) if ((at.get(before.step) ?? -1) >= i) return before;
  return null;
}

const moved = (steps: readonly Step[], moving: string, before: string): Step[] | null => {
  const step = steps.find(({ id }) => id === moving);
  const to = steps.filter(({ id }) => id !== moving).findIndex(({ id }) => id === before);
  return !step || to === -1 ? null : steps.filter(({ id }) => id !== moving).toSpliced(to, 0, step);
};

/** The list with one step before another, or null where something that must come first would come later. */
export function movedBefore(steps: readonly Step[], moving: string, before: string): Step[] | null {
  const list = moved(steps, moving, before);
  return list && brokenBy(list) === null ? list : null;
}

/** What would go wrong if a step came before another, in words; null: nothing would. */
export function moveRefused(steps: readonly Step[], moving: string, before: string): string | null {
  const list = moved(steps, moving, before);
  const broken = list && brokenBy(list);
  return broken ? HAZARDS[broken.hazard] : null;
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
        title: { id: 'typed', words: change.title },
        how: [{ words: 'Added at the table.', source: HOUSE_VALUE }],
        minutes: 5,
      });
      const to = list.findIndex(({ id }) => id === (change.before ?? 'record'));
      return list.toSpliced(to === -1 ? list.length : to, 0, added);
    },
    [...steps],
  );
