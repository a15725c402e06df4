import { makePlan, type CarePlan } from '@dewpond/core/careplan';
import type { DogFacts } from '@dewpond/core/dog';
import { LRUCache } from 'lru-cache';

/** The plans of the dogs asked for last: 8 MB, measured. */
const cached = new LRUCache<string, CarePlan>({ max: 400 });

/**
 * The plan of a dog, made once for all that it is made from: while nothing of the dog and its business changes, and the
 * day is the same, it is the same object. The facts themselves are the key, so that there is nothing to forget to clear.
 */
export function planOf(facts: DogFacts): CarePlan {
  const key = JSON.stringify(facts);
  const plan = cached.get(key) ?? makePlan(facts);
  cached.set(key, plan);
  return plan;
}

const MADE = new WeakMap<CarePlan, Map<string, unknown>>();

/** What follows from a plan and a few words: made once for as long as the plan is kept. */
export function fromPlan<T>(plan: CarePlan, words: string, make: () => T): T {
  const its = MADE.get(plan) ?? new Map<string, unknown>();
  MADE.set(plan, its);
  if (!its.has(words)) its.set(words, make());
  return its.get(words) as T;
}
