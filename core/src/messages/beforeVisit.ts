import type { DogFacts } from '../dog';

/** What an owner may do before the dog comes. */
export type BeforeVisitAdvice = 'walk' | 'bottle';

/**
 * A walk first, where nothing speaks against it: not for the flat-faced and those that breathe with difficulty, nor for old,
 * weak or heart dogs [common practice, no source]. And the vet's bottle, where the dog is washed with what its vet supplied.
 */
export function beforeVisitAdvice(
  { traits, tightBreathing, fitness, lifeStage, canStandThroughBath, stiffJoints }: DogFacts,
  washedFromVetsBottle: boolean,
): readonly BeforeVisitAdvice[] {
  const isSpared =
    traits.muzzle === 'flat' ||
    tightBreathing ||
    fitness.heart ||
    lifeStage === 'senior' ||
    !canStandThroughBath ||
    stiffJoints;
  return [...(isSpared ? [] : (['walk'] as const)), ...(washedFromVetsBottle ? (['bottle'] as const) : [])];
}
