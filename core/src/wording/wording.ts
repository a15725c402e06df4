import type { HomeHow } from '../rules';
import type { Condition, FINDING_COLOURS, FINDING_SMELLS, Level, Meanwhile, Procedure, Sign } from '../findings';
import { namedAtHome, type HomeTask } from '../homecare';
import type { BeforeVisitAdvice, MessageKind } from '../messages';
import type { AtHomeLine, BathStep } from '../methods';
import type { MixCaution } from '../dilution';
import {
  BODY_PLACES,
  mirror,
  namePlace,
  placeKey,
  samePlace,
  type Place,
  type PlaceKey,
  type Side,
  type Site,
} from '../places';
import type { DogChoice, EarHairReason } from '../reasons';
import type { HairBorne, HairCame } from '../dog';
import type { Task } from '../tasks';
import type { IncidentKind, NailLength } from '../events';
import type { TitleId } from '../steps';
import { showDay, timesADay } from '../units';
import type { LetterKey } from './letterWords';
import type { PageWords } from './pageWords';
import { fillIn, type SENTENCES, type SentenceKey, type Slot } from './sentences';

/** All an owner can read, and a vet in a letter, in one language; another one is another folder of this shape. */
export interface Wording {
  /** BCP 47; days and months are written as it writes them. */
  readonly language: string;
  readonly sentences: Readonly<Record<SentenceKey, string>>;
  /** What the owner is asked to do, by level; null where nothing is asked. */
  readonly advice: Readonly<Record<Level, string | null>>;
  /** What the owner does at a place, and leaves, until it is clear or a vet has looked. */
  readonly meanwhile: Readonly<Record<Meanwhile, string>>;
  /** Said above everything else, by level; null where nothing presses. */
  readonly presses: Readonly<Record<Level, string | null>>;
  /** How soon a vet should look, within a sentence. */
  readonly urgency: Readonly<Partial<Record<Level, string>>>;
  /** Signs as an owner reads them. */
  readonly signs: Readonly<Record<Sign, string>>;
  /** Signs as the trade names them: for a vet. */
  readonly tradeSigns: Readonly<Record<Sign, string>>;
  readonly grades: readonly string[];
  readonly colours: Readonly<Record<(typeof FINDING_COLOURS)[number], string>>;
  readonly smells: Readonly<Record<(typeof FINDING_SMELLS)[number], string>>;
  readonly procedures: Readonly<Record<Procedure, string>>;
  readonly conditions: Readonly<Record<Condition, string>>;
  readonly incidents: Readonly<Record<IncidentKind, string>>;
  readonly messages: Readonly<Record<MessageKind, { readonly subject: string; readonly words: string }>>;
  /** One place within a sentence: "left ear". */
  readonly places: Readonly<Partial<Record<PlaceKey, string>>>;
  /** Left and right in one: "both ears". */
  readonly both: Readonly<Partial<Record<Site, string>>>;
  /** Which of the two ears, within a sentence. */
  readonly earSides: Readonly<Record<Side, string>>;
  readonly tasks: Readonly<Record<Task, string>>;
  /** Steps by their titles, with slots for place and number. */
  readonly titles: Readonly<Record<TitleId, string>>;
  readonly homeHows: Readonly<Record<HomeHow, string>>;
  readonly atHome: Readonly<Record<AtHomeLine, string>>;
  /** A bath at home, step by step. */
  readonly bathSteps: Readonly<Record<BathStep, string>>;
  /** What a product warns of, on the label of a bottle for an owner. */
  readonly labelCautions: Readonly<Record<MixCaution, string>>;
  /** Why something was not done, by the rule that forbids it. */
  readonly rules: Readonly<Partial<Record<string, string>>>;
  readonly choices: Readonly<Record<DogChoice, string>>;
  readonly hairCame: Readonly<Record<HairCame, string>>;
  /** What the dog was, or did: "calm". */
  readonly hairBorne: Readonly<Record<HairBorne, string>>;
  readonly nailLengths: Readonly<Record<NailLength, string>>;
  /** Lines of the decision about hair in an ear; null where it is a habit of the business, which no owner is told. */
  readonly earHair: Readonly<Record<EarHairReason, string | null>>;
  /** What the business leaves to vets, or does from outside only, by service and what it does. */
  readonly services: Readonly<Partial<Record<string, string>>>;
  readonly page: PageWords;
  readonly letter: Readonly<Record<LetterKey, string>>;
  /** In a message where no hour was given. */
  readonly thisAfternoon: string;
  /** What an owner does before a visit. */
  readonly before: Readonly<Record<BeforeVisitAdvice, string>>;
}

export const ofEach = <K extends string, V>(keys: readonly K[], value: (key: K) => V): Record<K, V> =>
  Object.fromEntries(keys.map((key) => [key, value(key)])) as Record<K, V>;

/** A sentence of a wording with its slots filled; which slots it has is known from the English one. */
export const sentence = <K extends SentenceKey>(
  wording: Wording,
  key: K,
  words: Readonly<Record<Slot<(typeof SENTENCES)[K]>, string>>,
): string => fillIn(wording.sentences[key], words);

export const placeWords = (wording: Wording, place: Place): string =>
  wording.places[placeKey(place)] ?? namePlace(place);

/** A sign as the owner reads it; one of a newer version by its own words. */
export const signAsOwnerReads = (wording: Wording, sign: Sign): string => wording.signs[sign] ?? sign;

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

/** "twice a day", "every day", "once a week", "every 3 days" */
export function everyWordsIn(wording: Wording, days: number): string {
  const { twiceADay, everyDay, onceAWeek } = wording.sentences;
  const times = timesADay(days);
  if (times > 1) return times === 2 ? twiceADay : sentence(wording, 'timesADay', { count: String(times) });
  if (days === 1) return everyDay;
  return days === 7 ? onceAWeek : sentence(wording, 'everyDays', { count: String(days) });
}

export const minuteWords = (wording: Wording, minutes: number): string =>
  minutes === 1 ? wording.sentences.oneMinute : sentence(wording, 'minutes', { count: String(minutes) });

/** "Folds (nose fold)", "Clean ears (left ear only)". */
export function homeCareName(wording: Wording, { task, places }: Pick<HomeTask, 'task' | 'places'>): string {
  const what = wording.tasks[task];
  const where = namedAtHome(places).map(({ place, only }) =>
    only ? sentence(wording, 'only', { place: placeWords(wording, place) }) : placeWords(wording, place),
  );
  return where.length === 0 ? what : sentence(wording, 'taskAt', { what, places: where.join(', ') });
}

/** How often, and until when where it is oftener for a while: "every day until it is clear, then every 3 days". */
export function homeOften(wording: Wording, { everyDays, stepped, clearSince }: HomeTask): string {
  const every = everyWordsIn(wording, everyDays);
  if (stepped) return sentence(wording, 'untilClear', { every, then: everyWordsIn(wording, stepped.usual) });
  return clearSince === null
    ? every
    : sentence(wording, 'clearAgain', { every, day: showDay(clearSince, wording.language) });
}
