import type { AvailableMix, MixView, VisitView } from '@dewpond/contract';
import { mayTake, type MayTake } from '@dewpond/core/dilution';

export interface MixChoice {
  readonly mix: AvailableMix;
  readonly may: MayTake;
}

/** The mixes of one product that stand at the bench, and whether each may be poured over this dog now. */
export const mixChoices = (
  { openMixes, dog }: Pick<VisitView, 'dog' | 'openMixes'>,
  product: Pick<MixView['product'], 'id' | 'kind' | 'suppliedBy'>,
  now: number,
): MixChoice[] =>
  openMixes
    .filter((mix) => mix.productId === product.id)
    .map((mix) => ({
      mix,
      may: mayTake({ discardAt: Date.parse(mix.discardAt), forDog: mix.forDogId }, product, dog.id, now),
    }));
