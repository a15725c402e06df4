import type { Place } from '../places';
import type { Day } from '../units';
import { concerns, holdsOn, type Instruction } from './instructions';
import type { UseKind } from './useKinds';

/** Something this dog gets, or that its owner uses on it at home. */
export interface InUse {
  readonly id: string;
  readonly what: UseKind;
  /** Its name, as the owner says it; may be empty. */
  readonly name: string;
  readonly by: Instruction['by'];
  readonly who: string;
  readonly place: Place | null;
  readonly from: Day;
  readonly until: Day | null;
}

/** What the dog gets and what is used at home on a day, the newest first. */
export const inUse = ({
  instructions,
  today,
}: {
  readonly instructions: readonly Instruction[];
  readonly today: Day;
}): InUse[] =>
  instructions
    .flatMap(({ says, ...given }): InUse[] =>
      says.kind === 'uses' && holdsOn(given, today) ? [{ ...given, what: says.what, name: says.name }] : [],
    )
    .toSorted((a, b) => b.from.localeCompare(a.from));

/** Whether it gets this at a place: at every place, where nobody said which. */
export const isInUse = (
  facts: { readonly instructions: readonly Instruction[]; readonly today: Day },
  what: UseKind,
  place: Place | null,
): boolean =>
  facts.instructions.some(
    (given) =>
      given.says.kind === 'uses' &&
      given.says.what === what &&
      holdsOn(given, facts.today) &&
      (place === null || concerns(given, place)),
  );
