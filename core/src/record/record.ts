import type { ColourReading } from '../colour';
import { lookedAtWith, placeKey, placeOf, type Grade, type PlaceKey } from '../places';
import type { Day } from '../units';

/** What the record of a dog is made of, by kind. */
export const ENTRY_KINDS = {
  visit: 'Visit',
  said: 'The owner said',
  note: 'Closing note',
  found: 'Finding',
  hair: 'Ear hair',
  clear: 'Seen clear',
  photo: 'Picture',
  referral: 'For a vet',
  incident: 'Incident',
  instruction: 'Instruction',
  weight: 'Weight',
  message: 'Message',
  home: 'At home',
} as const;
export type EntryKind = keyof typeof ENTRY_KINDS;

/** A picture on record. The two kinds are kept apart: the owner's is of today and of no place, the salon's of a place. */
export interface Picture {
  readonly id: string;
  readonly takenBy: 'salon' | 'owner';
  /** What the groomer graded that day of the sign it shows, else of its place; null: nobody looked. */
  readonly grade: Grade | null;
  /** Measured, beside that grade; null: not measured. */
  readonly colour: ColourReading | null;
}

/** One thing on record of a dog. */
export interface RecordEntry {
  readonly id: string;
  readonly day: Day;
  readonly kind: EntryKind;
  /** Where on the dog; null: nowhere in particular. */
  readonly place: PlaceKey | null;
  readonly words: string;
  readonly grade: Grade | null;
  readonly visitId: string | null;
  readonly picture: Picture | null;
}

/** Newest day first; within a day the visit before what was found at it. */
export function inOrderOfRecord(entries: readonly RecordEntry[]): RecordEntry[] {
  const rank = Object.keys(ENTRY_KINDS);
  return entries.toSorted(
    (a, b) => (a.day < b.day ? 1 : a.day > b.day ? -1 : 0) || rank.indexOf(a.kind) - rank.indexOf(b.kind),
  );
}

/** The place a thing belongs to for whoever looks for a place: a nail's is its paw. */
const belongsTo = (place: PlaceKey): PlaceKey => placeKey(lookedAtWith(placeOf(place)));

/** Places that are spoken of, each once, in the order they are first met. */
export const placesOnRecord = (entries: readonly RecordEntry[]): PlaceKey[] => [
  ...new Set(entries.flatMap(({ place }) => (place === null ? [] : [belongsTo(place)]))),
];

/** What is on record of one place; of no place in particular: all but the long list of what was clear. */
export const recordAt = (entries: readonly RecordEntry[], place: PlaceKey | null): RecordEntry[] =>
  place === null
    ? entries.filter(({ kind }) => kind !== 'clear')
    : entries.filter((entry) => entry.place !== null && belongsTo(entry.place) === place);

/** A thing on record that is a picture. */
export type PictureEntry = RecordEntry & { readonly picture: Picture };

/** Pictures of one place, oldest first, with what was found there that day: to be held side by side. */
export const picturesAt = (entries: readonly RecordEntry[], place: PlaceKey): PictureEntry[] =>
  recordAt(entries, place)
    .flatMap((entry) => (entry.picture === null ? [] : [{ ...entry, picture: entry.picture }]))
    .toSorted((a, b) => (a.day < b.day ? -1 : 1));
