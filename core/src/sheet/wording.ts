import { ADVICE, ALL_SIGNS, LEVELS, SIGNS, type Level, type Sign } from '../findings';
import { GRADE_WORDS } from '../places';
import { MESSAGE_KINDS, TEMPLATES, type MessageKind } from '../messages';
import { INCIDENTS, INCIDENT_KINDS, type IncidentKind } from '../visit';
import { NEVER_SAY, SENTENCES, fillIn, slotsOf, type SentenceKey, type Slot } from './sentences';

/** All an owner can read, in one language; another one is another file of this shape. */
export interface Wording {
  /** BCP 47. */
  readonly language: string;
  readonly sentences: Readonly<Record<SentenceKey, string>>;
  /** What the owner is asked to do, by level; null where nothing is asked. */
  readonly advice: Readonly<Record<Level, string | null>>;
  readonly signs: Readonly<Record<Sign, string>>;
  readonly grades: readonly string[];
  readonly incidents: Readonly<Record<IncidentKind, string>>;
  readonly messages: Readonly<Record<MessageKind, { readonly subject: string; readonly words: string }>>;
}

const ofEach = <K extends string, V>(keys: readonly K[], value: (key: K) => V): Record<K, V> =>
  Object.fromEntries(keys.map((key) => [key, value(key)])) as Record<K, V>;

export const ENGLISH: Wording = {
  language: 'en-GB',
  sentences: SENTENCES,
  advice: ADVICE,
  signs: ofEach(ALL_SIGNS, (sign) => SIGNS[sign].owner),
  grades: GRADE_WORDS,
  incidents: ofEach(INCIDENT_KINDS, (kind) => INCIDENTS[kind].owner),
  messages: ofEach(MESSAGE_KINDS, (kind) => ({ subject: TEMPLATES[kind].subject, words: TEMPLATES[kind].words })),
};

/** One entry of the wording that a house may say otherwise. */
export type WordingKey =
  `sentence ${SentenceKey}` | `advice ${Level}` | `sign ${Sign}` | `subject ${MessageKind}` | `message ${MessageKind}`;
export type HouseWording = Readonly<Partial<Record<WordingKey, string>>>;

/** Every entry a house may change, with the words that ship. */
export const shippedWords = (base: Wording = ENGLISH): Readonly<Record<WordingKey, string>> => {
  const entries: [WordingKey, string | null][] = [
    ...(Object.keys(base.sentences) as SentenceKey[]).map((key): [WordingKey, string] => [
      `sentence ${key}`,
      base.sentences[key],
    ]),
    ...LEVELS.map((level): [WordingKey, string | null] => [`advice ${level}`, base.advice[level]]),
    ...ALL_SIGNS.map((sign): [WordingKey, string] => [`sign ${sign}`, base.signs[sign]]),
    ...MESSAGE_KINDS.flatMap((kind): [WordingKey, string][] => [
      [`subject ${kind}`, base.messages[kind].subject],
      [`message ${kind}`, base.messages[kind].words],
    ]),
  ];
  return Object.fromEntries(entries.filter(([, words]) => words !== null)) as Record<WordingKey, string>;
};

/** The wording of a house: what it says otherwise, over what ships. */
export const inHouseWords = (base: Wording, house: HouseWording): Wording => ({
  ...base,
  sentences: ofEach(
    Object.keys(base.sentences) as SentenceKey[],
    (key) => house[`sentence ${key}`] ?? base.sentences[key],
  ),
  advice: ofEach(LEVELS, (level) => house[`advice ${level}`] ?? base.advice[level]),
  signs: ofEach(ALL_SIGNS, (sign) => house[`sign ${sign}`] ?? base.signs[sign]),
  messages: ofEach(MESSAGE_KINDS, (kind) => ({
    subject: house[`subject ${kind}`] ?? base.messages[kind].subject,
    words: house[`message ${kind}`] ?? base.messages[kind].words,
  })),
});

/** A longer sentence is no sentence for a sheet of one page. */
const LONGEST = 400;

/** Why a house may not say it so, in words; null when it may. */
export function wordingProblem(key: WordingKey, words: string, base: Wording = ENGLISH): string | null {
  const shipped = shippedWords(base)[key];
  const text = words.trim();
  if (text === '') return 'Something must stand here.';
  if (text.length > LONGEST) return `At most ${LONGEST} letters.`;
  const banned = NEVER_SAY.exec(text);
  if (banned) return `“${banned[0]}” names an illness or a dose: a groomer says what was seen.`;
  const [wants, has] = [[...new Set(slotsOf(shipped))], [...new Set(slotsOf(text))]];
  const missing = wants.filter((slot) => !has.includes(slot));
  if (missing.length > 0) return `The place for {${missing.join('}, {')}} is missing.`;
  const strange = has.filter((slot) => !wants.includes(slot));
  return strange.length > 0 ? `There is nothing to put at {${strange.join('}, {')}}.` : null;
}

/** A sentence of a wording with its slots filled; which slots it has is known from the English one. */
export const say = <K extends SentenceKey>(
  wording: Wording,
  key: K,
  words: Readonly<Record<Slot<(typeof SENTENCES)[K]>, string>>,
): string => fillIn(wording.sentences[key], words);
