import type { DogView } from '@dewpond/contract';
import { comparePlans, type PlanChange } from '@dewpond/core/changes';
import { liftsOf, type Instruction, type Saying } from '@dewpond/core/dog';
import { makePlan } from '@dewpond/core/careplan';
import { type HouseQuestion, type HouseWays } from '@dewpond/core/ways';
import type { Traits } from '@dewpond/core/catalogue';

/** A scratch copy: traits seen otherwise, and schools followed otherwise. Nothing is written. */
export interface Scratch {
  readonly traits: Partial<Traits>;
  readonly ways: Partial<HouseWays>;
  /** Instructions left out, by id. */
  readonly without: readonly string[];
  /** One that nobody has given yet; null for none. */
  readonly given: Saying | null;
}
export const NOTHING_TRIED: Scratch = { traits: {}, ways: {}, without: [], given: null };

/** A trait tried; tried as it is, it is no try. */
export function tryTrait<K extends keyof Traits>(scratch: Scratch, dog: DogView, key: K, value: Traits[K]): Scratch {
  const { [key]: _, ...others } = scratch.traits;
  const same = JSON.stringify(dog.facts.traits[key]) === JSON.stringify(value);
  return { ...scratch, traits: same ? others : { ...others, [key]: value } };
}

/** A school tried; the business's own is no try. */
export function tryWay(scratch: Scratch, dog: DogView, question: HouseQuestion, school: string): Scratch {
  const { [question]: _, ...others } = scratch.ways;
  const same = dog.facts.ways[question] === school;
  return { ...scratch, ways: same ? others : { ...others, [question]: school } };
}

/** What the plan would be otherwise, line by line. */
export function whatWouldChange(dog: DogView, { traits, ways, without, given }: Scratch): PlanChange[] {
  const { facts } = dog;
  const instructions = [
    ...facts.instructions.filter(({ id }) => !without.includes(id)),
    ...(given ? [asIfVetSaid(given, facts.today)] : []),
  ];
  const tried = {
    ...facts,
    traits: { ...facts.traits, ...traits },
    ways: { ...facts.ways, ...ways },
    instructions,
    lifts: liftsOf(instructions),
  };
  return comparePlans(makePlan(facts), makePlan(tried));
}

/** A word of a vet for the whole dog, from today on. */
const asIfVetSaid = (says: Saying, today: Instruction['from']): Instruction => ({
  id: 'tried',
  by: 'vet',
  who: 'a vet',
  place: null,
  says,
  from: today,
  until: null,
});

/** Instructions worth trying without a form: leave a care out, or have it every so many days. */
export const tryBar = (scratch: Scratch, task: Extract<Saying, { kind: 'bar' }>['task'] | ''): Scratch => ({
  ...scratch,
  given: task === '' ? null : { kind: 'bar', task },
});
export const tryInterval = (
  scratch: Scratch,
  task: Extract<Saying, { kind: 'interval' }>['task'],
  days: number,
): Scratch => ({
  ...scratch,
  given: { kind: 'interval', task, days },
});

/** How many things are tried at once. */
export const triedCount = ({ traits, ways, without, given }: Scratch): number =>
  Object.keys(traits).length + Object.keys(ways).length + without.length + (given ? 1 : 0);

export interface ChoicesProps {
  readonly dog: DogView;
  readonly scratch: Scratch;
  readonly set: (scratch: Scratch) => void;
}
