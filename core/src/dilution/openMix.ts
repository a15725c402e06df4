import type { Millilitres } from '../units';
import { isForOneDog, type Product } from './product';
import type { Strength } from './strength';

/** A mix made up and not used up. Times are instants in ms since 1970. */
export interface OpenMix {
  readonly id: string;
  readonly productId: string;
  readonly strength: Strength;
  readonly bottleId: string;
  /** What is still in it, ml. */
  readonly left: Millilitres;
  /** The one dog it is for; null: any that needs it. */
  readonly forDog: string | null;
  readonly discardAt: number;
}

/** From its discard time on a mix is struck out. */
export const isPast = ({ discardAt }: Pick<OpenMix, 'discardAt'>, now: number): boolean => now >= discardAt;

export type MayTake =
  | { readonly kind: 'yes' }
  /** Only by someone who says why; the reason is recorded. */
  | { readonly kind: 'with a reason'; readonly why: string }
  | { readonly kind: 'no'; readonly why: string };

/**
 * Whether a mix may be poured over this dog. Past its discard time only with a recorded reason, and never a medicated
 * one or one that a vet or owner brought; never one that bears another dog's name.
 */
export function mayTake(
  mix: Pick<OpenMix, 'discardAt' | 'forDog'>,
  product: Pick<Product, 'kind' | 'suppliedBy'>,
  dogId: string,
  now: number,
): MayTake {
  if (mix.forDog !== null && mix.forDog !== dogId) return { kind: 'no', why: 'It has another dog’s name on it.' };
  if (!isPast(mix, now)) return { kind: 'yes' };
  if (isForOneDog(product))
    return {
      kind: 'no',
      why: 'It is past its discard time, and medicated or brought along: pour it away and mix a new one.',
    };
  return {
    kind: 'with a reason',
    why: 'It is past its discard time: a mix holds no preservative. Better mix a new one.',
  };
}
