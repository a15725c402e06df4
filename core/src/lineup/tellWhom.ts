import type { PlacedGroup, WorkDay } from './day';

/** When a dog is ready, against what its owner was told; minutes from midnight. */
export interface Ready {
  readonly dog: string;
  readonly ready: number;
  readonly promised: number | null;
}

/** Nobody is told of so many minutes [house value]. */
const SLACK = 10;

/** Late enough to be told. */
export const isLate = (ready: number, promised: number): boolean => ready > promised + SLACK;

/** When each dog is ready, in the order of the dogs. */
export const readyTimes = ({ dogs }: WorkDay, placed: readonly PlacedGroup[]): Ready[] =>
  dogs.flatMap(({ id, promised }) => {
    const ends = placed.filter(({ dog }) => dog === id).map(({ to }) => to);
    return ends.length === 0 ? [] : [{ dog: id, ready: Math.max(...ends), promised }];
  });

/** Dogs whose owner was told an earlier time, the latest first. */
export const toTell = (day: WorkDay, placed: readonly PlacedGroup[]): (Ready & { readonly promised: number })[] =>
  readyTimes(day, placed)
    .flatMap((each) =>
      each.promised !== null && isLate(each.ready, each.promised) ? [{ ...each, promised: each.promised }] : [],
    )
    .toSorted((a, b) => b.ready - b.promised - (a.ready - a.promised));

/** Work past somebody's hours, min by person; those who keep theirs are not in it. */
export function afterHours({ people }: WorkDay, placed: readonly PlacedGroup[]): { person: string; minutes: number }[] {
  return people.flatMap(({ id, hours }) => {
    const end = Math.max(
      0,
      ...placed.filter(({ person, helper }) => person === id || helper === id).map(({ to }) => to),
    );
    const last = hours.at(-1)?.to;
    return last !== undefined && end > last ? [{ person: id, minutes: end - last }] : [];
  });
}
