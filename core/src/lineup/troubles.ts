import { PLACES, STEP, liftsAt, stepAt, stepsOf, twoCanLift, type PlacedGroup, type WorkDay } from './day';

/**
 * Every hard rule that a line-up breaks, as a sentence; nothing where it holds. It looks at pairs and moments, and shares
 * nothing with the search. Past the end of somebody's hours is no fault: it is paid for and said.
 */
export function troubles(day: WorkDay, placed: readonly PlacedGroup[]): string[] {
  return [...ofHands(day, placed), ...ofPlaces(day, placed), ...day.dogs.flatMap((dog) => ofDog(day, dog, placed))];
}

interface HandsAt {
  readonly id: string;
  readonly from: number;
  readonly to: number;
}
const overlap = (a: Omit<HandsAt, 'id'>, b: Omit<HandsAt, 'id'>): boolean => a.from < b.to && b.from < a.to;
/** Everybody's hands in a group: whoever has the dog, whoever holds it, whoever lifts it. */
const handsOf = ({ person, helper, lifts, from, to }: PlacedGroup): HandsAt[] => [
  { id: person, from, to },
  ...(helper === null ? [] : [{ id: helper, from, to }]),
  ...lifts.map((lift) => ({ id: lift.person, from: lift.from, to: lift.from + STEP })),
];

function ofHands({ people, dogs }: WorkDay, placed: readonly PlacedGroup[]): string[] {
  const hands = placed.flatMap(handsOf);
  const twice = hands.flatMap((one, i) =>
    hands
      .slice(i + 1)
      .filter((other) => other.id === one.id && overlap(one, other))
      .map(({ id }) => `${id} is used twice.`),
  );
  const breaks = hands.flatMap(({ id, ...each }) => {
    const hours = people.find((person) => person.id === id)?.hours ?? [];
    const [first] = hours;
    const early = first && each.from < Math.ceil(first.from / STEP) * STEP ? [`${id} works before her hours.`] : [];
    const inBreak = hours
      .slice(1)
      .filter(({ from }, i) => each.from < from && each.to > Math.floor(hours[i]!.to / STEP) * STEP)
      .map(() => `${id} works in a break.`);
    return [...early, ...inBreak];
  });
  const alone = placed.flatMap((each) => {
    const dog = dogs.find(({ id }) => id === each.dog);
    return dog?.helper && (each.helper === null || each.helper === each.person) ? [`${each.dog} has no helper.`] : [];
  });
  const lifted = !twoCanLift({ people })
    ? []
    : placed.flatMap((each) => {
        const dog = dogs.find(({ id }) => id === each.dog);
        const wanted = dog && liftsAt(dog, each.group);
        const isLifted = (at: number) => each.lifts.some(({ person, from }) => from === at && person !== each.person);
        return wanted && ((wanted.in && !isLifted(each.from)) || (wanted.out && !isLifted(each.to - STEP)))
          ? [`${each.dog} is lifted by one.`]
          : [];
      });
  const away = people
    .filter(({ id, isAway }) => isAway && hands.some((each) => each.id === id))
    .map(({ id }) => `${id} is away.`);
  return [...twice, ...breaks, ...alone, ...lifted, ...away];
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
