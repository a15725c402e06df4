import type { Source } from '../provenance';
import type { DogFacts } from '../dog';
import { waysFor } from '../work';
import { byAuthority, holdsOn, sourceOf } from '../dog';

/** The wash a vet or an owner prescribed, if any. */
export interface Prescribed {
  readonly productId: string;
  readonly contactMinutes: number;
  readonly nothingElse: boolean;
  readonly who: string;
  readonly source: Source;
}

export function prescribedOn(facts: Pick<DogFacts, 'instructions' | 'today'>): Prescribed | null {
  const given = facts.instructions
    .filter((each) => each.says.kind === 'bath product' && holdsOn(each, facts.today))
    .toSorted(byAuthority)[0];
  if (given?.says.kind !== 'bath product') return null;
  const { productId, contactMinutes, nothingElse } = given.says;
  return { productId, contactMinutes, nothingElse, who: given.who, source: sourceOf(given) };
}

/** Whether a plain wash goes before the prescribed one: two washes, nothing said against it, and the business's school. */
export const washesPlainFirst = (facts: DogFacts, { nothingElse }: Prescribed): boolean =>
  !nothingElse && facts.ways.medicated === 'plain wash first' && waysFor(facts).washes === 'two';
