import fc from 'fast-check';
import { fleschKincaid } from 'flesch-kincaid';
import { syllable } from 'syllable';
import { describe, expect, test } from 'vitest';
import { METHOD_CARDS, cardFor } from '../methods';
import { DEFAULT_HOUSE_WAYS } from '../ways';
import { ENGLISH, fillIn, inBusinessWords, shippedWords, slotsOf, wordingProblem, type WordingKey } from '.';

const shipped = shippedWords();
const keys = Object.keys(shipped) as WordingKey[];

test('everything that ships may be said', () => {
  for (const key of keys) expect([key, wordingProblem(key, shipped[key] ?? '')]).toEqual([key, null]);
});

describe('what a business may not say', () => {
  test.each([
    ['sentence cleaned', '', 'This must not be empty.'],
    ['sentence cleaned', 'Cleaned it all.', 'The place for {places} is missing.'],
    ['sentence cleaned', 'Cleaned the {places} of {dog}.', 'There is nothing to put at {dog}.'],
    ['advice vet', 'This is an infection at the {place}.', /“infection” names an illness/],
    ['sign ear musty smell', 'x'.repeat(401), 'At most 400 letters.'],
  ] as const)('%s: %s', (key, words, why) => {
    expect(wordingProblem(key, words)).toEqual(typeof why === 'string' ? why : expect.stringMatching(why));
  });
});

test('what a business says otherwise is said, and nothing else changes', () => {
  const inOurWords = inBusinessWords(ENGLISH, {
    'sentence cleaned': 'We cleaned: {places}.',
    'advice tell': 'Have an eye on the {place}, please.',
    'sign ear damp': 'a damp ear',
    'home wipe a light fold': 'Lift it, wipe it, dry it.',
  });
  expect(inOurWords.homeHows['wipe a light fold']).toBe('Lift it, wipe it, dry it.');
  expect(inOurWords.sentences.cleaned).toBe('We cleaned: {places}.');
  expect(inOurWords.advice.tell).toBe('Have an eye on the {place}, please.');
  expect(inOurWords.signs['ear damp']).toBe('a damp ear');
  expect(inBusinessWords(ENGLISH, {})).toEqual(ENGLISH);
});

test('slots are filled by name, wherever they stand; a slot without a word is refused', () => {
  expect(fillIn('{b} before {a}, {b}', { a: 'x', b: 'y' })).toBe('y before x, y');
  expect(() => fillIn('{a}', {})).toThrow(RangeError);
  fc.assert(
    fc.property(fc.constantFrom(...keys), (key) => {
      const words = Object.fromEntries(slotsOf(shipped[key] ?? '').map((slot) => [slot, 'word']));
      expect(fillIn(shipped[key] ?? '', words)).not.toMatch(/[{}]/);
    }),
  );
});

/** What stands in a slot while one measures how easily a sentence is read. */
const TYPICAL: Readonly<Record<string, string>> = {
  place: 'left ear',
  places: 'left ear, right eye',
  signs: 'dark-brown wax; a musty smell',
  seen: 'clicking on the floor (left front paw)',
  compared: 'more than last time',
  sign: 'dark-brown wax',
  grade: 'slight',
  grades: 'slight, plain, bad',
  month: 'May',
  day: 'Wed 16 Dec',
  sooner: 'Wed 9 Dec',
  products: 'Oat gentle wash',
  count: '3',
  because: 'it was sore',
  step: 'dry the coat',
  what: 'a small cut',
  done: 'We pressed it until it stopped.',
  stood: '4',
  asked: '10',
  side: 'left',
  came: 'most of it',
  borne: 'calm',
  dog: 'Teasel',
  owner: 'Folake',
  who: 'Dr Oyelaran',
  business: 'Withy Quay Grooming',
  phone: '01632 960100',
  time: '3 pm',
  before: 'A walk before helps it to stand still. ',
  link: 'the link',
  days: '30',
  tasks: 'teeth, folds (nose fold)',
  urgency: 'within a week',
  every: 'every two days',
  then: 'every three days',
  how: 'Wipe with a damp cloth.',
  minutes: '2 minutes',
};

/**
 * Flesch–Kincaid grade of a text (Kincaid et al. 1975, Research Branch Report 8-75), by the registry's packages. Grade 7
 * is read by children of twelve; a single sentence swings widely, so whole texts are measured.
 */
function gradeOf(texts: readonly string[]): number {
  const sentences = texts.flatMap((text) => text.split(/[.;:!?]+\s*/)).filter((part) => /[a-z]/i.test(part));
  const words = sentences.flatMap((sentence) => sentence.split(/[\s,]+/)).filter((word) => /[a-z0-9]/i.test(word));
  return fleschKincaid({
    sentence: sentences.length,
    word: words.length,
    syllable: words.reduce((sum, word) => sum + Math.max(1, syllable(word)), 0),
  });
}

describe('a child of twelve can read it', () => {
  const filled = (key: WordingKey) => fillIn(shipped[key] ?? '', TYPICAL);
  test('the measure tells plain words from learned ones', () => {
    expect(gradeOf(['The cat sat on the mat. It was warm.'])).toBeLessThan(2);
    expect(
      gradeOf([
        'Otological examination demonstrated considerable ceruminous accumulation bilaterally, necessitating evaluation.',
      ]),
    ).toBeGreaterThan(15);
  });
  test.each(['sentence', 'advice', 'meanwhile', 'sign', 'home', 'subject', 'message'])(
    'all of “%s” together',
    (kind) => {
      expect(gradeOf(keys.filter((key) => key.startsWith(kind)).map(filled))).toBeLessThan(7);
    },
  );
  test('no single sentence or piece of advice is hard', () => {
    const hard = keys.filter((key) => !key.startsWith('sign')).filter((key) => gradeOf([filled(key)]) > 9);
    expect(hard).toEqual([]);
  });
  test.each([
    ['the page', Object.values(ENGLISH.page)],
    ['what never, and when to stop', Object.values(ENGLISH.atHome)],
    ['a bath at home', Object.values(ENGLISH.bathSteps)],
  ] as const)('%s', (_, texts) => {
    const filled = texts.map((text) =>
      fillIn(text, { ...Object.fromEntries(slotsOf(text).map((slot) => [slot, 'three'])), ...TYPICAL }),
    );
    expect(gradeOf(filled)).toBeLessThan(7);
    // One or two words swing too widely to be measured alone.
    expect(filled.filter((text) => text.split(' ').length > 5 && gradeOf([text]) > 9)).toEqual([]);
  });
  test('method cards, which an owner is shown, too', () => {
    const grades = METHOD_CARDS.map((each) => cardFor(each, DEFAULT_HOUSE_WAYS)).map(({ id, steps }) => ({
      id,
      grade: gradeOf(steps.map(({ words }) => words)),
    }));
    expect(grades.filter(({ grade }) => grade > 7)).toEqual([]);
  });
});
