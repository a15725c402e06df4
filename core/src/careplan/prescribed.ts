import type { Source } from '../provenance';
import type { DogFacts } from '../dog';
import { holdsOn, sourceOf } from '../dog';

/** The wash a vet or an owner prescribed, if any. */
export interface Prescribed {
  readonly productId: string;
  readonly contactMinutes: number;
  readonly nothingElse: boolean;
  readonly who: string;
  readonly source: Source;
}

/** A vet's word before an owner's, the newer before the older. */
export function prescribedOn(facts: Pick<DogFacts, 'instructions' | 'today'>): Prescribed | null {
  const given = facts.instructions
    .filter((each) => each.says.kind === 'bath product' && holdsOn(each, facts.today))
    .toSorted((a, b) => (a.by === b.by ? b.from.localeCompare(a.from) : a.by === 'vet' ? -1 : 1))[0];
  if (given?.says.kind !== 'bath product') return null;
  const { productId, contactMinutes, nothingElse } = given.says;
  return { productId, contactMinutes, nothingElse, who: given.who, source: sourceOf(given) };
}
