import { restraintPlan, type RestraintLine } from '../handling';
import type { DogFacts } from '../dog';

/** How this dog is held, lifted and approached, from what is known of it. */
export const restraintOf = (facts: DogFacts): RestraintLine[] =>
  restraintPlan({
    notes: facts.handling,
    traits: facts.traits,
    breedHandling: facts.tightBreathing ? [...facts.breedHandling, 'tight breathing'] : facts.breedHandling,
    weight: facts.weight,
    liftAloneKg: facts.liftAloneKg,
    standsThroughBath: facts.canStandThroughBath,
    muzzleAgreed: facts.muzzleAgreed,
  });
