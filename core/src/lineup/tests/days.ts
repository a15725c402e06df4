import { seeded } from '../../tests/seeded';
import type { DogOfDay, WorkGroup, PartOfDay, PlaceOfWork, WorkDay } from '../day';

export interface DayShape {
  readonly dogs: number;
  readonly people: number;
  readonly seed: number;
  /** With helpers, dogs that cannot meet, what may spread, pins, a hot day, people changed. */
  readonly rich?: boolean;
}

const PARTS: readonly (readonly [PartOfDay, readonly PlaceOfWork[], least: number, most: number])[] = [
  ['table', ['table'], 15, 45],
  ['bath', ['tub'], 15, 35],
  ['dry', ['table', 'dryer'], 10, 45],
  ['finish', ['table'], 10, 40],
];

/** A day of invented dogs: the same for the same shape. */
export function randomDay({ dogs: count, people: hands, seed, rich = false }: DayShape): WorkDay {
  const random = seeded(seed);
  const between = (least: number, most: number) => 5 * Math.round((least + random() * (most - least)) / 5);
  const chance = (share: number) => rich && random() < share;
  const people = Array.from({ length: hands }, (_, i) => ({
    id: `p${i}`,
    name: `Person ${i}`,
    isAway: rich && i > 0 && random() < 0.1,
    hours: [
      { from: 540, to: 735 + 15 * i },
      { from: 780 + 15 * i, to: 1020 },
    ],
  }));
  const dogs = Array.from({ length: count }, (_, i): DogOfDay => {
    const isBathed = random() < 0.8;
    const groups = PARTS.filter(([part]) => isBathed || part === 'table').map(([part, at, least, most]): WorkGroup => {
      const minutes = between(least, most);
      const rest = part === 'dry' ? 10 : 0;
      return { part, at, minutes, stretches: [{ name: part, minutes, dwell: false }], rest };
    });
    const arrives = between(540, 540 + 60 * Math.max(1, count / hands));
    return {
      id: `d${i}`,
      name: `Dog ${i}`,
      person: people[i % hands]!.id,
      keepsPerson: !rich || random() < 0.5,
      arrives,
      begun: false,
      promised: random() < 0.5 ? arrives + between(120, 240) : null,
      groups,
      shortStay: random() < 0.3,
      coolHours: chance(0.3),
      helper: hands > 1 && chance(0.15),
      last: i === count - 1 && chance(0.4),
      notWith: [],
      lift: chance(0.25),
      pins: chance(0.1) ? [{ part: 'table', from: arrives + between(0, 60) }] : [],
    };
  });
  const foes = rich && count > 2 && random() < 0.5;
  return {
    people,
    dogs: dogs.map((dog, i) => (foes && i < 2 ? { ...dog, notWith: [dogs[1 - i]!.id] } : dog)),
    places: { table: Math.max(2, hands), tub: 1, dryer: 2, crate: count },
    hot: rich && random() < 0.5 ? { from: 720, to: 960 } : null,
  };
}
