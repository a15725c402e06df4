import type { DogFacts } from '../dog';

/** What an owner may do before the dog comes. */
export type BeforeVisitAdvice = 'meal' | 'walk' | 'bring' | 'bottle';

/**
 * A walk first, where nothing speaks against it: not for the flat-faced and those that breathe with difficulty, nor for old,
 * weak or heart dogs [common practice, no source]. Before a first visit what to bring, and no big meal in the two hours before;
 * a puppy eats as usual [handbook of the trade]. And the vet's bottle, where the dog is washed with what its vet supplied.
 */
export function beforeVisitAdvice(
  { traits, tightBreathing, fitness, lifeStage, canStandThroughBath, stiffJoints }: DogFacts,
  visit: { readonly fromVetsBottle: boolean; readonly isFirst: boolean },
): readonly BeforeVisitAdvice[] {
  const isSpared =
    traits.muzzle === 'flat' ||
    tightBreathing ||
    fitness.heart ||
    lifeStage === 'senior' ||
    !canStandThroughBath ||
    stiffJoints;
  return [
    ...(visit.isFirst && lifeStage !== 'puppy' ? (['meal'] as const) : []),
    ...(isSpared ? [] : (['walk'] as const)),
    ...(visit.isFirst ? (['bring'] as const) : []),
    ...(visit.fromVetsBottle ? (['bottle'] as const) : []),
  ];
}
