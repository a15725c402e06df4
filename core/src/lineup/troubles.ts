import { PLACES, STEP, stepAt, stepsOf, type PlacedGroup, type WorkDay } from './day';

/**
 * Every hard rule that a line-up breaks, as a sentence; nothing where it holds. It looks at pairs and moments, and shares
 * nothing with the search. Past the end of somebody's hours is no fault: it is paid for and said.
 */
export function troubles(day: WorkDay, placed: readonly PlacedGroup[]): string[] {
  return [...ofHands(day, placed), ...ofPlaces(day, placed), ...day.dogs.flatMap((dog) => ofDog(day, dog, placed))];
}

const overlap = (a: PlacedGroup, b: PlacedGroup): boolean => a.from < b.to && b.from < a.to;
const handsOf = ({ person, helper }: PlacedGroup): string[] => (helper === null ? [person] : [person, helper]);

function ofHands({ people, dogs }: WorkDay, placed: readonly PlacedGroup[]): string[] {
  const twice = placed.flatMap((one, i) =>
    placed
      .slice(i + 1)
      .filter((other) => overlap(one, other))
      .flatMap((other) => handsOf(one).filter((id) => handsOf(other).includes(id)))
      .map((id) => `${id} is used twice.`),
  );
  const breaks = placed.flatMap((each) =>
    handsOf(each).flatMap((id) => {
      const hours = people.find((person) => person.id === id)?.hours ?? [];
      const [first] = hours;
      const early = first && each.from < Math.ceil(first.from / STEP) * STEP ? [`${id} works before her hours.`] : [];
      const inBreak = hours
        .slice(1)
        .filter(({ from }, i) => each.from < from && each.to > Math.floor(hours[i]!.to / STEP) * STEP)
        .map(() => `${id} works in a break.`);
      return [...early, ...inBreak];
    }),
  );
  const alone = placed.flatMap((each) => {
    const dog = dogs.find(({ id }) => id === each.dog);
    return dog?.helper && (each.helper === null || each.helper === each.person) ? [`${each.dog} has no helper.`] : [];
  });
  const away = people
    .filter(({ id, isAway }) => isAway && placed.some((each) => handsOf(each).includes(id)))
    .map(({ id }) => `${id} is away.`);
  return [...twice, ...breaks, ...alone, ...away];
}

function ofPlaces({ places, dogs }: WorkDay, placed: readonly PlacedGroup[]): string[] {
  return PLACES.flatMap((place) => {
    const here = placed.filter((each) =>
      dogs.find(({ id }) => id === each.dog)?.groups[each.group]?.at.includes(place),
    );
    return here
      .filter(({ from }) => here.filter((other) => other.from <= from && from < other.to).length > places[place])
      .map(() => `More dogs than there is of: ${place}.`);
  });
}

function ofDog(day: WorkDay, dog: WorkDay['dogs'][number], placed: readonly PlacedGroup[]): string[] {
  const its = placed.filter((each) => each.dog === dog.id).toSorted((a, b) => a.group - b.group);
  const others = placed.filter((each) => each.dog !== dog.id);
  const isLast = (id: string) => day.dogs.find((each) => each.id === id)?.last === true;
  const wrong = (is: boolean, words: string) => (is ? [`${dog.id} ${words}`] : []);
  return [
    ...wrong(
      its.some(({ from }) => from < dog.arrives),
      'is worked on before it comes.',
    ),
    ...wrong(
      its.some(({ group }, i) => group !== i),
      'has a part left out.',
    ),
    ...wrong(new Set(its.map(({ person }) => person)).size > 1, 'goes from one person to another.'),
    ...wrong(
      its.some((each, i) => i > 0 && each.from < its[i - 1]!.to + STEP * restSteps(dog.groups[each.group]!.rest)),
      'does not rest.',
    ),
    ...wrong(
      its.some(({ from, to, group }) => to - from !== STEP * stepsOf(dog.groups[group]!.minutes)),
      'has another length.',
    ),
    ...wrong(
      its.some((each) => others.some((other) => dog.notWith.includes(other.dog) && overlap(each, other))),
      'meets a dog it cannot meet.',
    ),
    ...wrong(
      dog.last && its.some(({ from }) => others.some((other) => !isLast(other.dog) && other.to > from)),
      'does not come last.',
    ),
    ...wrong(
      its.some(({ group, from }) => {
        const pin = dog.pins.find(({ part }) => part === dog.groups[group]!.part);
        return pin !== undefined && from < STEP * stepAt(pin.from);
      }),
      'begins before it was set.',
    ),
  ];
}

const restSteps = (minutes: number): number => (minutes > 0 ? stepsOf(minutes) : 0);
