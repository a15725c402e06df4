import type { MixAtHand, MixView, VisitView } from '@dewpond/contract';
import { mayTake, type MayTake } from '@dewpond/core/dilution';

export interface BenchChoice {
  readonly mix: MixAtHand;
  readonly may: MayTake;
}

/** The mixes of one product that stand at the bench, and whether each may be poured over this dog now. */
export const benchChoices = (
  { bench, dog }: Pick<VisitView, 'bench' | 'dog'>,
  product: Pick<MixView['product'], 'id' | 'kind' | 'suppliedBy'>,
  now: number,
): BenchChoice[] =>
  bench
    .filter((mix) => mix.productId === product.id)
    .map((mix) => ({
      mix,
      may: mayTake({ discardAt: Date.parse(mix.discardAt), forDog: mix.forDogId }, product, dog.id, now),
    }));
