import type { BusinessProfileView } from '@dewpond/contract';
import { LANGUAGES, type Language } from '@dewpond/core/clients';
import { shippedWords, wordingIn, type BusinessWording, type WordingKey } from '@dewpond/core/wording';

type SaidField = `${Language}: ${WordingKey}`;

/** What a business says in its own words, sentence by sentence: two people at two sentences do not meet. */
export type SavedWords = { readonly [Field in SaidField]?: string | undefined };

export const saidField = (language: Language, key: WordingKey): SaidField => `${language}: ${key}`;

export const saidOf = (wording: BusinessProfileView['wording']): SavedWords =>
  Object.fromEntries(
    LANGUAGES.flatMap((language) =>
      Object.entries(wording[language] ?? {}).map(([key, words]) => [saidField(language, key as WordingKey), words]),
    ),
  );

export const wordingOf = (said: SavedWords): BusinessProfileView['wording'] =>
  Object.fromEntries(
    LANGUAGES.map((language) => [language, inLanguage(said, language)] as const).filter(
      ([, words]) => Object.keys(words).length > 0,
    ),
  );

const inLanguage = (said: SavedWords, language: Language): BusinessWording =>
  Object.fromEntries(
    Object.entries(said).flatMap(([field, words]) =>
      field.startsWith(`${language}: `) && words !== undefined ? [[field.slice(language.length + 2), words]] : [],
    ),
  );

/** Each sentence as it ships. */
export const SHIPPED_NAMES = Object.fromEntries(
  LANGUAGES.flatMap((language) =>
    Object.entries(shippedWords(wordingIn(language))).map(([key, words]) => [
      saidField(language, key as WordingKey),
      words,
    ]),
  ),
) as Readonly<Record<SaidField, string>>;
