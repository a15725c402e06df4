import type { DogFacts } from '../dog';
import type { Side } from '../places';
import { earDepth, waysFor, type EarDepth, type EarSeen } from '../work';
import type { FoundForSteps } from './foundForSteps';

interface LookedEar {
  readonly facts: DogFacts;
  readonly found: Pick<FoundForSteps, 'wax'>;
}

/** How one ear is cleaned today, and the look it follows from; null: nobody has looked yet. */
export function depthToday(
  { facts, found }: LookedEar,
  side: Side,
): { readonly depth: EarDepth; readonly seen: EarSeen | null } {
  const wax = found.wax[side];
  const hairless = (facts.ears[side].hair ?? facts.traits.canalHair) === 'none';
  const seen = wax === null ? null : { wax, hairless };
  return { depth: earDepth(waysFor(facts).earCleaning, seen), seen };
}
