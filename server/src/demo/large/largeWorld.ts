import { randomFrom } from '@dewpond/core/seeds';
import type { Day } from '@dewpond/core/units';
import type { DemoBusiness } from '../shape';
import { drawDogs, type LargeDog } from './drawDogs';
import { keepBook, type BookLine, type Taken } from './keepBook';

const SEED = 18_004;
/** With the households of the stories about 130, and about 180 dogs. */
const HOUSEHOLDS = 124;

export interface LargeWorld {
  readonly dogs: readonly LargeDog[];
  /** In order of the days. */
  readonly book: readonly BookLine[];
}

/**
 * A business of a real size around the dogs that have stories: the same for the same day, whoever asks, so that threads
 * need not be told.
 */
export function largeWorld(demo: DemoBusiness, today: Day, households = HOUSEHOLDS): LargeWorld {
  const dogs = drawDogs(households, today, randomFrom(SEED));
  return { dogs, book: keepBook(dogs, today, demo.people.length, takenByStories(demo), randomFrom(SEED + 1)) };
}

/** Where the dogs of the stories stand in the book. */
const takenByStories = ({ dogs }: DemoBusiness): readonly Taken[] =>
  dogs.flatMap(({ today, booked }) => [
    ...(today ? [takes(today, 0)] : []),
    ...(booked ? [takes(booked, booked.inDays)] : []),
  ]);

function takes({ at, minutes, person }: { at: string; minutes: number; person: number }, inDays: number): Taken {
  const [hours = 0, rest = 0] = at.split(':').map(Number);
  const from = 60 * hours + rest;
  return { person, inDays, from, to: from + minutes };
}
