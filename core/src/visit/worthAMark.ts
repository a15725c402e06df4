import { BY_CLOCKS, isKnown, type DogFacts, type ShownToday } from '../dog';
import type { StageTook } from './stepMinutes';

/** So much longer than the business's minutes is long, and so often is not chance [house values]. */
const LONG = 1.5;
const MORE_THAN_ONCE = 2;

/** What a dog's clocks have shown, without anybody saying so: its nails took long, more than once. */
export const shownByClocks = (took: readonly StageTook[]): ShownToday[] =>
  took.filter(({ stage, minutes, predicted }) => stage === 'nails' && minutes >= LONG * predicted).length >=
  MORE_THAN_ONCE
    ? ['long at the nails']
    : [];

/** What is offered as a mark at the close: what was so before, is so today, and does not stand on the dog yet. */
export const worthAMark = (
  before: { readonly facts: DogFacts; readonly shownBefore: readonly ShownToday[] },
  shown: readonly ShownToday[],
): ShownToday[] =>
  before.shownBefore
    .filter((what) => shown.includes(what) || BY_CLOCKS.includes(what))
    .filter((what) => !isKnown(before.facts, what));
