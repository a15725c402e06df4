import { ALL_HOME_HOWS, type HomeHow } from '../rules';
import { ALL_MEANWHILE, ALL_SIGNS, LEVELS, type Level, type Meanwhile, type Sign } from '../findings';
import { MESSAGE_KINDS, type MessageKind } from '../messages';
import { ALL_CHOICES, type DogChoice } from '../reasons';
import { ENGLISH } from './english';
import { notOurs, notOursWords } from './neverSay';
import { slotsOf, type SentenceKey } from './sentences';
import { ofEach, type Wording } from './wording';

/** One entry of the wording that a business may say otherwise, by id: a sentence that is mended orphans nothing. */
export type WordingKey =
  | `sentence ${SentenceKey}`
  | `advice ${Level}`
  | `meanwhile ${Meanwhile}`
  | `sign ${Sign}`
  | `home ${HomeHow}`
  | `choice ${DogChoice}`
  | `subject ${MessageKind}`
  | `message ${MessageKind}`;
export type BusinessWording = Readonly<Partial<Record<WordingKey, string>>>;

/** Every entry a business may change, with the words that ship. */
export const shippedWords = (base: Wording = ENGLISH): Readonly<Record<WordingKey, string>> => {
  const entries: [WordingKey, string | null][] = [
    ...(Object.keys(base.sentences) as SentenceKey[]).map((key): [WordingKey, string] => [
      `sentence ${key}`,
      base.sentences[key],
    ]),
    ...LEVELS.map((level): [WordingKey, string | null] => [`advice ${level}`, base.advice[level]]),
    ...ALL_MEANWHILE.map((id): [WordingKey, string] => [`meanwhile ${id}`, base.meanwhile[id]]),
    ...ALL_SIGNS.map((sign): [WordingKey, string] => [`sign ${sign}`, base.signs[sign]]),
    ...ALL_HOME_HOWS.map((how): [WordingKey, string] => [`home ${how}`, base.homeHows[how]]),
    ...ALL_CHOICES.map((choice): [WordingKey, string] => [`choice ${choice}`, base.choices[choice]]),
    ...MESSAGE_KINDS.flatMap((kind): [WordingKey, string][] => [
      [`subject ${kind}`, base.messages[kind].subject],
      [`message ${kind}`, base.messages[kind].words],
    ]),
  ];
  return Object.fromEntries(entries.filter(([, words]) => words !== null)) as Record<WordingKey, string>;
};

/** The wording of a business: what it says otherwise, over what ships. */
export const inBusinessWords = (base: Wording, business: BusinessWording): Wording => ({
  ...base,
  sentences: ofEach(
    Object.keys(base.sentences) as SentenceKey[],
    (key) => business[`sentence ${key}`] ?? base.sentences[key],
  ),
  advice: ofEach(LEVELS, (level) => business[`advice ${level}`] ?? base.advice[level]),
  meanwhile: ofEach(ALL_MEANWHILE, (id) => business[`meanwhile ${id}`] ?? base.meanwhile[id]),
  signs: ofEach(ALL_SIGNS, (sign) => business[`sign ${sign}`] ?? base.signs[sign]),
  homeHows: ofEach(ALL_HOME_HOWS, (how) => business[`home ${how}`] ?? base.homeHows[how]),
  choices: ofEach(ALL_CHOICES, (choice) => business[`choice ${choice}`] ?? base.choices[choice]),
  messages: ofEach(MESSAGE_KINDS, (kind) => ({
    subject: business[`subject ${kind}`] ?? base.messages[kind].subject,
    words: business[`message ${kind}`] ?? base.messages[kind].words,
  })),
});

/** A longer sentence is no sentence for a sheet of one page. */
const LONGEST = 400;

/** Why a business may not say it so, in words; null when it may. */
export function wordingProblem(key: WordingKey, words: string, base: Wording = ENGLISH): string | null {
  const shipped = shippedWords(base)[key] ?? '';
  const text = words.trim();
  if (text === '') return 'This must not be empty.';
  if (text.length > LONGEST) return `At most ${LONGEST} letters.`;
  const banned = notOurs(text, base.language);
  if (banned) return notOursWords(banned);
  const [wants, has] = [[...new Set(slotsOf(shipped))], [...new Set(slotsOf(text))]];
  const missing = wants.filter((slot) => !has.includes(slot));
  if (missing.length > 0) return `The place for {${missing.join('}, {')}} is missing.`;
  const strange = has.filter((slot) => !wants.includes(slot));
  return strange.length > 0 ? `There is nothing to put at {${strange.join('}, {')}}.` : null;
}
