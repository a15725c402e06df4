import { CAUTIONS, clashing, type MixCaution, type Product } from '../dilution';
import type { KeptOff } from '../careplan';

/** What a product must not have to be planned for a dog. */
export interface Wanted {
  /** Words of a vet, an owner, or of an earlier reaction. */
  readonly avoid: readonly string[];
  /** Products its skin reacted to, by id. */
  readonly reactedTo: readonly string[];
  /** What rules of the plan keep off. */
  readonly keptOff: readonly KeptOff[];
  /** Marks that this use forbids. */
  readonly marks: readonly MixCaution[];
}

/** Why a product may not be planned, within a sentence that begins with its name; null: it may. */
export function whyRuledOut(
  { id, ingredients, cautions }: Pick<Product, 'id' | 'ingredients' | 'cautions'>,
  { avoid, reactedTo, keptOff, marks }: Wanted,
): string | null {
  if (reactedTo.includes(id)) return 'made its skin react before';
  const off = [...marks, ...keptOff.flatMap((each) => each.marks)];
  const marked = cautions.filter((mark) => off.includes(mark));
  const listed = clashing(ingredients, [...avoid, ...keptOff.flatMap((each) => each.ingredients)]);
  if (listed.length > 0) return `lists ${listed.join(', ')}`;
  return marked.length > 0 ? `is marked “${marked.map((mark) => CAUTIONS[mark].asks).join('; ')}”` : null;
}
