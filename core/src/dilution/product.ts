import type { Minutes } from '../units';
import type { MixCaution } from './cautions';
import type { Strength } from './strength';

/** The two ends of what a label allows: "10:1 to 32:1". */
export interface LabelRange {
  readonly strongest: Strength;
  readonly weakest: Strength;
}

/** Washes for the body: what each is made for. Any of them can stand in for another; a face, an ear or a vet's wash cannot. */
export const BODY_WASHES = [
  'cleansing',
  'gentle wash',
  'soothing wash',
  'degreasing wash',
  'texturing wash',
  'volume wash',
  'brightening wash',
  'conditioning wash',
  'two-in-one wash',
] as const;
export type BodyWash = (typeof BODY_WASHES)[number];

export const PRODUCT_KINDS = [
  ...BODY_WASHES,
  'face',
  'medicated',
  'conditioner',
  'ear cleaner',
  'eye and face cleaner',
  'fold care',
  'powder',
  'balm',
  'finish',
  'cologne',
  'leave-in',
  'tooth gel',
  'styptic',
  'disinfectant',
] as const;
export type ProductKind = (typeof PRODUCT_KINDS)[number];

export type Dilution =
  | { readonly kind: 'ready to use' }
  | {
      readonly kind: 'dilute';
      /** What it is mixed to unless someone says otherwise. */
      readonly strength: Strength;
      /** From where to where the label lets one go, if it gives a range. */
      readonly range?: LabelRange;
    };

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
  readonly cautions: readonly MixCaution[];
  /** As printed, one each: held against what a dog must not have. */
  readonly ingredients: readonly string[];
}

/** A product as it is mixed for one purpose: all that reckons with it takes this strength. */
export const mixedTo = <P extends Product>(product: P, strength: Strength): P =>
  product.dilution.kind === 'dilute' ? { ...product, dilution: { ...product.dilution, strength } } : product;

/**
 * A mix of it is for one dog only and bears its name: medicated products, and what a vet or an owner brought
 * [common practice].
 */
export const isForOneDog = ({ kind, suppliedBy }: Pick<Product, 'kind' | 'suppliedBy'>): boolean =>
  kind === 'medicated' || suppliedBy !== 'house';
