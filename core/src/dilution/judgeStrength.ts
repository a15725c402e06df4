import type { Product } from './product';
import { LABEL_TOLERANCE, MEDICATED_TOLERANCE } from './strokes';
import { concentration, strengthError, type Strength } from './strength';

export type StrengthVerdict =
  | { readonly kind: 'fine' }
  | { readonly kind: 'warning'; readonly why: string }
  | { readonly kind: 'refused'; readonly why: string };

/**
 * Whether a strength may be used for this product: over 5 % stronger than the label (than the strong end of its range)
 * warns, a medicated product outside ±2 % of the instructed strength is refused, a ready-to-use product is never
 * diluted. Limits are exact and inclusive.
 */
export function judgeStrength(
  product: Pick<Product, 'name' | 'kind' | 'dilution'>,
  used: Strength | 'neat',
): StrengthVerdict {
  const label = product.dilution;
  if (label.kind === 'ready to use') {
    return used === 'neat'
      ? { kind: 'fine' }
      : { kind: 'refused', why: `${product.name} is ready to use and never diluted.` };
  }
  const medicated = product.kind === 'medicated';
  if (used === 'neat') {
    const why = 'Neat concentrate irritates skin, rinses badly and wastes money.';
    return medicated ? { kind: 'refused', why } : { kind: 'warning', why };
  }
  const limit = medicated ? label.strength : (label.range?.strongest ?? label.strength);
  const error = strengthError(concentration(used), concentration(limit));
  const percent = `${Math.abs(Math.round(error.valueOf() * 1000) / 10)} %`;
  if (medicated) {
    return error.abs().compare(MEDICATED_TOLERANCE.stronger) > 0
      ? { kind: 'refused', why: `A medicated product is used at the strength given: this is ${percent} off.` }
      : { kind: 'fine' };
  }
  if (error.compare(LABEL_TOLERANCE.stronger) <= 0) return { kind: 'fine' };
  const than = label.range ? 'the strongest the label allows' : 'the label';
  return { kind: 'warning', why: `${percent} stronger than ${than}.` };
}
