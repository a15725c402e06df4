import { describe, expect, test } from 'vitest';
import {
  ENGLISH,
  LETTER_WORDS,
  PAGE_WORDS,
  notOurs,
  shippedWords,
  slotsOf,
  wordingIn,
  wordingProblem,
  type Wording,
} from '.';

const SPANISH = wordingIn('es');

/** Every string of a wording with its path; null stays. */
function strings(words: unknown, path = ''): [path: string, words: string | null][] {
  if (typeof words === 'string' || words === null) return [[path, words]];
  if (typeof words !== 'object' || words === undefined) return [];
  return Object.entries(words as Record<string, unknown>).flatMap(([key, value]) => strings(value, `${path}/${key}`));
}
const english = new Map(strings(ENGLISH));
const spanish = new Map(strings(SPANISH));

describe('the Spanish wording', () => {
  test('has every entry of the English one, and no other', () => {
    expect([...spanish.keys()].toSorted()).toEqual([...english.keys()].toSorted());
  });

  test('has the same slots in every entry, and is silent where English is', () => {
    for (const [path, words] of english) {
      const its = spanish.get(path);
      expect([path, its === null]).toEqual([path, words === null]);
      if (words === null || its === null || its === undefined) continue;
      expect([path, [...new Set(slotsOf(its))].toSorted()]).toEqual([path, [...new Set(slotsOf(words))].toSorted()]);
      expect([path, its.trim()]).toEqual([path, expect.stringMatching(/\S/)]);
    }
  });

  test('says nothing as English does, but for names of days and what is the same in both', () => {
    const same = [...english].filter(
      ([path, words]) =>
        words !== null && words === spanish.get(path) && /[a-z]{3}/i.test(words.replaceAll(/\{\w+\}/g, '')),
    );
    // A chip is a chip in both.
    expect(same.map(([path]) => path)).toEqual(['/letter/chip']);
  });

  test('names no illness and no dose, and a business may say each of its sentences so', () => {
    for (const [path, words] of spanish)
      expect([path, words === null ? null : notOurs(words, 'es')]).toEqual([path, null]);
    const shipped = shippedWords(SPANISH);
    for (const [key, words] of Object.entries(shipped))
      expect([key, wordingProblem(key as keyof typeof shipped, words, SPANISH)]).toEqual([key, null]);
  });
});

test.each<[string, string, string | null]>([
  ['en-GB', 'It has an infection.', 'infection'],
  ['en-GB', 'Give two tablets.', 'tablets'],
  ['en-GB', 'Put 5 ml in each ear.', '5 ml'],
  ['en-GB', 'Two pads came out clean.', null],
  ['es', 'Tiene una otitis.', 'otitis'],
  ['es', 'Tiene hongos.', 'hongos'],
  ['es', 'Dele 5 mg.', 'mg'],
  ['es', 'Dele 3 gotas.', '3 gotas'],
  ['es', 'It is an infection.', 'infection'],
  ['es', 'La oreja está roja.', null],
])('in %s “%s” names %s', (language, words, word) => {
  expect(notOurs(words, language)?.word ?? null).toBe(word);
});

test('pages and letters have words in every language that ships', () => {
  const of = (wording: Wording) => [Object.keys(wording.page), Object.keys(wording.letter)];
  expect(of(SPANISH)).toEqual([Object.keys(PAGE_WORDS), Object.keys(LETTER_WORDS)]);
});
