import { addDays, isDay, type Day } from '../units';
import type { CarePlan } from '../careplan';
import { TASKS, VET_TASKS, type VetTask } from '../tasks';
import type { Instruction } from '../dog';

/** A look that a vet should have had by now: the last one that is known of; null: nobody knows of one. */
export interface VetLookDue {
  readonly task: VetTask;
  readonly name: string;
  readonly last: Day | null;
}

/** Looks of a vet that are wanted regularly and not known to be recent: asked after at the handover. Pure. */
export function vetLooksDue(plan: CarePlan, instructions: readonly Instruction[], today: Day): VetLookDue[] {
  return VET_TASKS.flatMap((task) => {
    const line = plan.lines.find((each) => each.task === task);
    if (!line?.interval) return [];
    const days = instructions.flatMap(({ says }) => (says.kind === 'vet saw' && says.task === task ? [says.on] : []));
    const last = days.toSorted().at(-1) ?? null;
    const isRecent = last !== null && addDays(last, line.interval.usual) > today;
    return isRecent ? [] : [{ task, name: TASKS[task].name, last }];
  });
}

/** A vet's look on a day, as its owner tells it: at the table, or on the owner's page. */
export const vetLookTold = (id: string, { task, on }: { readonly task: VetTask; readonly on: Day }) =>
  ({
    id,
    by: 'vet',
    who: 'a vet, says the owner',
    place: null,
    says: { kind: 'vet saw', task, on },
    until: null,
  }) as const;

/** An older look says nothing of today [house value]. */
const OLDEST_DAYS = 5 * 365;

/** Days a look can have been on, as it is told today. */
export const lookDays = (today: Day): { readonly first: Day; readonly last: Day } => ({
  first: addDays(today, -OLDEST_DAYS),
  last: today,
});

/** What was typed as the day of a look, or null where it cannot be one. */
export function lookDay(typed: string, today: Day): Day | null {
  const { first, last } = lookDays(today);
  return isDay(typed) && typed >= first && typed <= last ? typed : null;
}
