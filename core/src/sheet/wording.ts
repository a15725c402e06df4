import type { Task } from '../tasks';
import type { Level, Sign } from '../findings';
import { namedAtHome, type HomeTask } from '../homecare';
import type { MessageKind } from '../messages';
import { BODY_PLACES, mirror, namePlace, placeKey, samePlace, type Place, type PlaceKey, type Site } from '../places';
import type { IncidentKind } from '../visit';
import { fillIn, type SENTENCES, type SentenceKey, type Slot } from './sentences';

/** All an owner can read, in one language; another one is another file of this shape (english.ts). */
export interface Wording {
  /** BCP 47; days and months are written as it writes them. */
  readonly language: string;
  readonly sentences: Readonly<Record<SentenceKey, string>>;
  /** What the owner is asked to do, by level; null where nothing is asked. */
  readonly advice: Readonly<Record<Level, string | null>>;
  /** Said above everything else, by level; null where nothing presses. */
  readonly presses: Readonly<Record<Level, string | null>>;
  /** How soon a vet should look, within a sentence. */
  readonly urgency: Readonly<Partial<Record<Level, string>>>;
  readonly signs: Readonly<Record<Sign, string>>;
  readonly grades: readonly string[];
  readonly incidents: Readonly<Record<IncidentKind, string>>;
  readonly messages: Readonly<Record<MessageKind, { readonly subject: string; readonly words: string }>>;
  /** One place within a sentence: "left ear". */
  readonly places: Readonly<Partial<Record<PlaceKey, string>>>;
  /** Left and right in one: "both ears". */
  readonly both: Readonly<Partial<Record<Site, string>>>;
  readonly tasks: Readonly<Record<Task, string>>;
  /** What steps, stops and home care say, by their English; what is not in here was typed by somebody. */
  readonly phrases: Readonly<Record<string, string>>;
}

export const ofEach = <K extends string, V>(keys: readonly K[], value: (key: K) => V): Record<K, V> =>
  Object.fromEntries(keys.map((key) => [key, value(key)])) as Record<K, V>;

/** A sentence of a wording with its slots filled; which slots it has is known from the English one. */
export const say = <K extends SentenceKey>(
  wording: Wording,
  key: K,
  words: Readonly<Record<Slot<(typeof SENTENCES)[K]>, string>>,
): string => fillIn(wording.sentences[key], words);

export const placeWords = (wording: Wording, place: Place): string =>
  wording.places[placeKey(place)] ?? namePlace(place);

/**
 * Places in one line. Both sides are told as one, where the first of them stands; body places are named apart only
 * where not all of them are meant: an owner reads four words, not twenty.
 */
export function listed(wording: Wording, places: readonly Place[]): string {
  const paired = (place: Place) =>
    place.side !== 'none' && places.some((each) => samePlace(each, mirror(place))) && wording.both[place.site];
  const body = places.filter((place) => OF_THE_BODY.has(placeKey(place)));
  const allOfIt = body.length === OF_THE_BODY.size;
  const told = places
    .filter((place) => !allOfIt || !body.includes(place))
    .map((place) => paired(place) || placeWords(wording, place));
  return [...new Set(told), ...(allOfIt ? [wording.sentences.restClear] : [])].join(', ');
}

const OF_THE_BODY: ReadonlySet<PlaceKey> = new Set(BODY_PLACES.map(placeKey));

/** "every day", "once a week", "every 3 days" */
export const everyWordsIn = (wording: Wording, days: number): string =>
  days === 1
    ? wording.sentences.everyDay
    : days === 7
      ? wording.sentences.onceAWeek
      : say(wording, 'everyDays', { count: String(days) });

export const minuteWords = (wording: Wording, minutes: number): string =>
  minutes === 1 ? wording.sentences.oneMinute : say(wording, 'minutes', { count: String(minutes) });

/** "Folds (nose fold)", "Clean ears (left ear only)". */
export function homeCareName(wording: Wording, { task, places }: Pick<HomeTask, 'task' | 'places'>): string {
  const what = wording.tasks[task];
  const where = namedAtHome(places).map(({ place, only }) =>
    only ? say(wording, 'only', { place: placeWords(wording, place) }) : placeWords(wording, place),
  );
  return where.length === 0 ? what : say(wording, 'taskAt', { what, places: where.join(', ') });
}
