import type { Minutes } from '../units';
import type { Strength } from './strength';

export const PRODUCT_KINDS = [
  'cleansing',
  'face',
  'medicated',
  'conditioner',
  'ear cleaner',
  'eye and face cleaner',
  'fold care',
] as const;
export type ProductKind = (typeof PRODUCT_KINDS)[number];

export type Dilution = { readonly kind: 'ready to use' } | { readonly kind: 'dilute'; readonly strength: Strength };

export interface Product {
  readonly id: string;
  readonly name: string;
  readonly kind: ProductKind;
  /** Exactly as printed: "50:1". */
  readonly label: string;
  /** How that was read. */
  readonly dilution: Dilution;
  /** How long it must stay on, if the label says. */
  readonly contact: { readonly least: Minutes; readonly most: Minutes } | null;
  /** Poor latherers need more mix: 1 is ordinary. */
  readonly amountFactor: number;
  readonly suppliedBy: 'house' | 'vet' | 'owner';
  /** Money per millilitre of product as bought, in the business's currency; null when not known. */
  readonly costPerMl: number | null;
}
