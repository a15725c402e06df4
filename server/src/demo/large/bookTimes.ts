import { randomFrom } from '@dewpond/core/seeds';
import { daysBetween, type Day } from '@dewpond/core/units';
import { instantIn } from '../../platform/time/zone';
import { ZONE } from '../seedVisit';
import type { BookLine } from './keepBook';

/** When a line of the book begins. */
export const beginsAt = ({ day: on, from }: Pick<BookLine, 'day' | 'from'>): Date =>
  instantIn(ZONE, on, `${String(Math.floor(from / 60)).padStart(2, '0')}:${String(from % 60).padStart(2, '0')}`);

/** A dice of its own for each visit, whoever throws it and in whatever order. */
export const diceOf = (dog: number, on: Day, today: Day): (() => number) =>
  randomFrom(1 + dog * 1000 + daysBetween(on, today));
