import { STEP, liftsAt, stepAt, stepsOf, twoCanLift, type PartOfDay, type PlacedGroup, type WorkDay } from './day';

/** What keeps a part from the time that was asked for, the first that holds; times are minutes from midnight. */
export type Obstacle =
  | { readonly kind: 'comes'; readonly at: number }
  | { readonly kind: 'last' }
  | { readonly kind: 'own part'; readonly part: PartOfDay; readonly until: number; readonly rest: number }
  | { readonly kind: 'no work'; readonly person: string; readonly until: number }
  | { readonly kind: 'hands'; readonly person: string; readonly dog: string; readonly until: number }
  | { readonly kind: 'meets'; readonly dog: string; readonly until: number }
  | { readonly kind: 'place'; readonly place: string; readonly dog: string; readonly until: number }
  | { readonly kind: 'helper' }
  /** Nobody has a hand free to lift it, in or out. */
  | { readonly kind: 'lift' };

/**
 * Why a part that was set to a time comes later; null where it is not later. The line-up is the one in which all else gave
 * way: what is still in the way forbids it.
 */
export function whyLater(
  day: WorkDay,
  placed: readonly PlacedGroup[],
  asked: { readonly dog: string; readonly part: PartOfDay; readonly from: number },
): Obstacle | null {
  const dog = day.dogs.find(({ id }) => id === asked.dog);
  const index = dog?.groups.findIndex(({ part }) => part === asked.part) ?? -1;
  const group = dog?.groups[index];
  const mine = placed.find((each) => each.dog === asked.dog && each.group === index);
  const from = STEP * stepAt(asked.from);
  if (!dog || !group || !mine || mine.from <= from) return null;
  if (from < dog.arrives) return { kind: 'comes', at: dog.arrives };
  if (dog.last) return { kind: 'last' };
  const before = placed.find((each) => each.dog === dog.id && each.group === index - 1);
  if (before && from < before.to + group.rest)
    return { kind: 'own part', part: dog.groups[index - 1]!.part, until: before.to, rest: group.rest };
  const to = from + STEP * stepsOf(group.minutes);
  const meets = (each: PlacedGroup) => each.from < to && each.to > from && each.dog !== dog.id;
  const hours = day.people.find(({ id }) => id === mine.person)?.hours ?? [];
  const next = hours.find((span, i) => span.from > from && (i === 0 || to > (hours[i - 1]?.to ?? 0)));
  if (next) return { kind: 'no work', person: mine.person, until: next.from };
  const handed = placed.find((each) => meets(each) && [each.person, each.helper].includes(mine.person));
  const lifting = placed.find((each) =>
    each.lifts.some(
      (lift) => lift.person === mine.person && lift.from < to && lift.from + STEP > from && each.dog !== dog.id,
    ),
  );
  if (!handed && lifting) return { kind: 'hands', person: mine.person, dog: lifting.dog, until: lifting.to };
  if (handed) return { kind: 'hands', person: mine.person, dog: handed.dog, until: handed.to };
  const foe = placed.find((each) => meets(each) && dog.notWith.includes(each.dog));
  if (foe) return { kind: 'meets', dog: foe.dog, until: foe.to };
  for (const place of group.at) {
    const here = placed.filter(
      (each) => meets(each) && day.dogs.find(({ id }) => id === each.dog)?.groups[each.group]?.at.includes(place),
    );
    if (here.length >= day.places[place])
      return { kind: 'place', place, dog: here[0]!.dog, until: Math.min(...here.map((each) => each.to)) };
  }
  if (dog.helper) return { kind: 'helper' };
  const lifts = liftsAt(dog, index);
  return twoCanLift(day) && (lifts.in || lifts.out) ? { kind: 'lift' } : null;
}
