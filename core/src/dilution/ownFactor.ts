/**
 * A dog's own factor against what was predicted without it: exp(Σ ln(took / predicted) / (n + 3)), kept within 0.5–2.
 * The record pulls it away from 1, slowly; no record gives exactly 1 (docs/formulas.md, "Amount"; minutes learn as amounts do).
 * @param pairs took and predicted, in one unit, both above 0.
 */
export function ownFactor(pairs: readonly (readonly [took: number, predicted: number])[]): number {
  const sum = pairs.reduce((total, [took, predicted]) => total + Math.log(took / predicted), 0);
  return Math.min(2, Math.max(0.5, Math.exp(sum / (pairs.length + 3))));
}
