import type { Day } from '../units';

/** Why stock moves. Uses and mixes are written by Dewpond itself, the others by a person. */
export const STOCK_KINDS = ['delivery', 'count', 'use', 'mixed', 'waste', 'correction', 'moved'] as const;
export type StockKind = (typeof STOCK_KINDS)[number];

/** One line of the ledger: never changed, never removed. */
export interface StockEntry {
  readonly kind: StockKind;
  readonly day: Day;
  /** Millilitres (grams of a powder) of the product as bought; out is negative. */
  readonly ml: number;
  /** Why, in words; asked where the stock would fall below nothing. */
  readonly reason: string;
}

/** What a person or Dewpond wants to enter. A count says how much there is; the entry is the difference. */
export type Movement =
  | { readonly kind: 'delivery' | 'waste' | 'use' | 'mixed'; readonly ml: number; readonly reason: string }
  | { readonly kind: 'correction' | 'moved'; readonly ml: number; readonly reason: string }
  | { readonly kind: 'count'; readonly counted: number; readonly reason: string };

export type Entered =
  | { readonly kind: 'entered'; readonly ml: number; readonly after: number }
  | { readonly kind: 'refused'; readonly why: string };

/** Sums drift by rounding; less than this is nothing, ml. */
const NIL = 1e-6;

/**
 * One movement against a balance of `before` ml (which may be negative with a reason). Refused in words: a delivery,
 * waste or use that is not over 0, a move of nothing, a count below 0, a correction of nothing or without a reason, and anything that
 * leaves less than nothing without a reason.
 */
export function enter(before: number, movement: Movement): Entered {
  const ml = signed(before, movement);
  if (typeof ml === 'string') return { kind: 'refused', why: ml };
  const sum = before + ml;
  const after = Math.abs(sum) < NIL ? 0 : sum;
  const falls = ml < 0 && after < 0;
  if (falls && movement.reason.trim() === '')
    return {
      kind: 'refused',
      why: `The ledger knows of ${Math.round(Math.max(0, before) * 10) / 10} ml only. Say why more went out: a delivery that was not entered, a mistake in a count.`,
    };
  return { kind: 'entered', ml, after };
}

function signed(before: number, movement: Movement): number | string {
  switch (movement.kind) {
    case 'delivery':
      return movement.ml > 0 ? movement.ml : 'A delivery is more than 0 ml.';
    case 'waste':
    case 'use':
    case 'mixed':
      return movement.ml > 0 ? -movement.ml : 'More than 0 ml goes out.';
    case 'count':
      return movement.counted >= 0 ? movement.counted - before : 'One cannot count less than nothing.';
    case 'moved':
      return Math.abs(movement.ml) > 0 ? movement.ml : 'More than 0 ml moves.';
    case 'correction':
      if (!(Math.abs(movement.ml) > 0)) return 'A correction of 0 ml corrects nothing.';
      return movement.reason.trim() === '' ? 'A correction says why.' : movement.ml;
  }
}
