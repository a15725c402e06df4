import { seeded } from '../../tests/seeded';
import type { WorkBlock, Book, CareDue, DogToBook, Standing, VisitChoice, Wishes } from '../book';

export interface BookShape {
  readonly dogs: number;
  readonly days: number;
  readonly people: number;
  /** Share of the people's minutes that the dogs ask for. */
  readonly fill: number;
  readonly seed: number;
  /** With bookings that stand, skills, a tub, first slots. */
  readonly rich?: boolean;
}

const KINDS_OF_CARE = [
  { key: 'bath', ideals: [28, 35, 42], weight: 1 },
  { key: 'ear cleaning@ear:left', ideals: [14, 21, 28], weight: 1.5 },
  { key: 'nails', ideals: [21, 28, 35], weight: 1 },
  { key: 'brush-out', ideals: [14, 28, 42], weight: 1 },
] as const;

const pick = <Each>(list: readonly Each[], u: number): Each => list[Math.floor(u * list.length)]!;
const quarters = (minutes: number) => 15 * Math.max(1, Math.round(minutes / 15));

/** A book of invented dogs: the same for the same shape. Days 5 and 6 of each week are closed. */
export function randomBook({ dogs: count, days, people: hands, fill, seed, rich = false }: BookShape): Book {
  const random = seeded(seed);
  const chance = (share: number) => random() < share;
  const people = Array.from({ length: hands }, (_, i) => ({
    id: `person ${i}`,
    skills: rich && i > 0 ? ['cut', 'lift'] : ['cut'],
  }));
  const blocks = blocksOf(
    people.map(({ id }) => id),
    days,
  );
  const openMinutes = blocks.reduce((sum, { from, to }) => sum + to - from, 0);
  const plain = Array.from({ length: count }, (_, i) => dogOf(i));
  const asked = plain.reduce(
    (sum, dog) => sum + (dog.full.minutes * days) / Math.min(...dog.care.map((each) => each.ideal)),
    0,
  );
  const scale = (fill * openMinutes) / asked;
  const scaled = (choice: VisitChoice, tub: boolean): VisitChoice => {
    const minutes = Math.min(180, quarters(choice.minutes * scale));
    return { ...choice, minutes, uses: tub ? { tub: quarters(minutes / 4) } : {} };
  };
  return {
    days,
    dogs: plain.map((dog) => ({
      ...dog,
      full: scaled(dog.full, rich),
      short: dog.short && scaled(dog.short, false),
    })),
    people,
    blocks,
    shared: rich ? [{ name: 'tub', minutes: Array.from({ length: days }, () => 90 * hands) }] : [],
    drive: {},
  };

  function dogOf(i: number): DogToBook {
    const kinds = KINDS_OF_CARE.filter((_, k) => k === 0 || chance(0.6));
    const care = kinds.map(({ key, ideals, weight }): CareDue => {
      const ideal = pick(ideals, random());
      return {
        key,
        ideal,
        earliest: Math.ceil(ideal * 0.75),
        latest: Math.floor(ideal * 1.25),
        last: -Math.floor(random() * ideal * 1.2),
        weight: chance(0.1) ? 2 * weight : weight,
      };
    });
    const quick = care.filter(({ ideal }) => ideal <= 0.7 * Math.max(...care.map((each) => each.ideal)));
    const minutes = 45 + 15 * Math.floor(random() * 5);
    return {
      id: `dog ${i}`,
      household: `household ${chance(0.3) ? Math.max(0, i - 1) : i}`,
      care,
      lastVisit: Math.max(...care.map(({ last }) => last)),
      full: { name: 'full visit', covers: care.map(({ key }) => key), minutes, uses: {} },
      short:
        quick.length > 0 && chance(0.7)
          ? { name: 'ears and nails', covers: quick.map(({ key }) => key), minutes: 30, uses: {} }
          : null,
      needs: {
        where: 'salon',
        skills: rich && chance(0.15) ? ['lift'] : [],
        people: null,
        slot: rich && chance(0.05) ? 'first' : null,
        barredDays: rich && chance(0.1) ? [1, 2] : [],
      },
      wishes: wishesOf(),
      standing: rich && chance(0.2) ? [standing(i)] : [],
    };
  }

  function wishesOf(): Wishes {
    const weekday = Math.floor(random() * 5);
    return {
      days: chance(0.2) ? Array.from({ length: days }, (_, day) => day).filter((day) => day % 7 === weekday) : null,
      part: chance(0.2) ? 'morning' : null,
      person: chance(0.15) ? pick(people, random()).id : null,
      coolDays: [],
    };
  }

  function standing(i: number): Standing {
    const day = pick(
      Array.from({ length: days }, (_, each) => each).filter((each) => each % 7 < 5),
      random(),
    );
    return { id: `booking ${i}`, day, person: pick(people, random()).id, choice: 'full', isFixed: chance(0.4) };
  }
}

/** Mornings of four hours and afternoons of three and a half, five days a week. */
function blocksOf(people: readonly string[], days: number): WorkBlock[] {
  return Array.from({ length: days }, (_, day) => day)
    .filter((day) => day % 7 < 5)
    .flatMap((day) =>
      people.flatMap((person): WorkBlock[] => [
        { person, day, from: 540, to: 780, where: 'salon', isFirst: true, isLast: false },
        { person, day, from: 825, to: 1035, where: 'salon', isFirst: false, isLast: true },
      ]),
    );
}
