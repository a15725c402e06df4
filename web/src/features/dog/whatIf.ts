import type { DogView } from '@dewpond/contract';
import { comparePlans, makePlan, type HouseQuestion, type HouseWays, type PlanChange } from '@dewpond/core/careplan';
import type { Traits } from '@dewpond/core/catalogue';

/** A scratch copy: traits seen otherwise, and schools followed otherwise. Nothing is written. */
export interface Scratch {
  readonly traits: Partial<Traits>;
  readonly ways: Partial<HouseWays>;
}
export const NOTHING_TRIED: Scratch = { traits: {}, ways: {} };

/** A trait tried; tried as it is, it is no try. */
export function tryTrait<K extends keyof Traits>(scratch: Scratch, dog: DogView, key: K, value: Traits[K]): Scratch {
  const { [key]: _, ...others } = scratch.traits;
  const same = JSON.stringify(dog.facts.traits[key]) === JSON.stringify(value);
  return { ...scratch, traits: same ? others : { ...others, [key]: value } };
}

/** A school tried; the house's own is no try. */
export function tryWay(scratch: Scratch, dog: DogView, question: HouseQuestion, school: string): Scratch {
  const { [question]: _, ...others } = scratch.ways;
  const same = dog.facts.ways[question] === school;
  return { ...scratch, ways: same ? others : { ...others, [question]: school } };
}

/** What the plan would be otherwise, line by line. */
export function whatWouldChange(dog: DogView, { traits, ways }: Scratch): PlanChange[] {
  const { facts } = dog;
  const tried = { ...facts, traits: { ...facts.traits, ...traits }, ways: { ...facts.ways, ...ways } };
  return comparePlans(makePlan(facts), makePlan(tried));
}
