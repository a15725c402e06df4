import { placeKey, type Place, type PlaceKey } from '../places';
import type { Day } from '../units';
import type { SheetEdits } from './sheetPage';

interface TakenPicture {
  readonly photo: string;
  readonly place: Place;
}
interface TakenEarlier {
  readonly photo: string;
  readonly place: PlaceKey;
  readonly day: Day;
}

/** A picture of a visit and the one of the same place to hold beside it. */
export interface PairedPicture<T extends TakenPicture> {
  readonly taken: T;
  readonly beside:
    | { readonly kind: 'then'; readonly photo: string; readonly day: Day }
    | { readonly kind: 'before'; readonly photo: string }
    | null;
}

/**
 * Like beside like: the first picture of a place, as it was found, beside the first of an earlier visit; each later one of
 * today beside the first of today, as before and after.
 * @param taken in the order they were taken.
 */
export function pairPictures<T extends TakenPicture>(
  taken: readonly T[],
  earlier: readonly TakenEarlier[],
): readonly PairedPicture<T>[] {
  const at = ({ place }: TakenPicture): PlaceKey => placeKey(place);
  return taken.map((each) => {
    const first = taken.find((other) => at(other) === at(each));
    if (first && first !== each) return { taken: each, beside: { kind: 'before', photo: first.photo } };
    const then = earlier.find(({ place }) => place === at(each));
    return { taken: each, beside: then ? { kind: 'then', photo: then.photo, day: then.day } : null };
  });
}

interface ChosenPicture {
  readonly id: string;
  readonly beside: { readonly id: string } | null;
}

/**
 * The pictures the owner may see: those that were chosen, each with the one beside it where that was chosen, too. What
 * stands beside another does not stand once more by itself.
 */
export function picturesShown<T extends ChosenPicture>(
  pictures: readonly T[],
  { photos }: Pick<SheetEdits, 'photos'>,
): T[] {
  const shown = pictures
    .filter(({ id }) => photos.includes(id))
    .map((each) => (each.beside && photos.includes(each.beside.id) ? each : { ...each, beside: null }));
  return shown.filter(({ id, beside }) => beside !== null || !shown.some((other) => other.beside?.id === id));
}
