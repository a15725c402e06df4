import { CAUTIONS, clashing, type MixCaution, type Product } from '../dilution';
import type { KeptOff } from '../careplan';
import type { DogFacts } from '../dog';
import type { Task } from '../tasks';
import { bodyWashAtFace } from './bathAmount';

/** What a product must not have to be planned for a dog. */
export interface Wanted {
  /** Words of a vet, an owner, or of an earlier reaction. */
  readonly avoid: readonly string[];
  /** Products its skin reacted to, by id. */
  readonly reactedTo: readonly string[];
  /** What rules of the plan keep off. */
  readonly keptOff: readonly KeptOff[];
  /** Marks that this use forbids ({@link marksAgainst}). */
  readonly marks: readonly MixCaution[];
}

const NEVER_AT_A_FACE: readonly MixCaution[] = ['eyes', 'deep cleanser'];

/**
 * Marks of a label that forbid a product for this work: body shampoo stays off the face, and what must not get into an ear
 * is no ear cleaner. docs/trade.md; common practice, no source.
 */
export function marksAgainst(task: Task, facts: DogFacts): readonly MixCaution[] {
  switch (task) {
    case 'face wash':
    case 'eyes and face':
      return NEVER_AT_A_FACE;
    case 'ear cleaning':
      return ['ears'];
    case 'bath':
    case 'second wash':
      return bodyWashAtFace(facts) ? NEVER_AT_A_FACE : [];
    default:
      return [];
  }
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
