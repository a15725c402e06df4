import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { RULES, type DogFacts } from '../careplan';
import { ALL_HOUSE_QUESTIONS, HOUSE_QUESTIONS } from '../ways';
import { instruct } from '../careplan/tests/randomDogs';
import { ADVICE, LEVELS, SIGNS, TRIAGE_TABLE, countsAt, finding, mirrorFinding, type Finding } from '../findings';
import { day } from '../units';
import { otherSide, placeKey, type Place } from '../places';
import { INCIDENTS, INCIDENT_KINDS, firstSteps, type Happening } from '../visit';
import { anyFinding, mirrorHappening } from '../visit/tests/randomVisits';
import { BULLDOG as facts, sheetOf } from './tests/sheetOf';
import { NEVER_SAY, NO_EDITS, SENTENCES, readSheet, type OwnerSheet, type Saw, type SheetLine } from '.';

const LEFT_EAR: Place = { site: 'ear', side: 'left' };
const RIGHT_EAR: Place = { site: 'ear', side: 'right' };
const found = (each: Finding): Happening => ({ type: 'found', finding: each });
const everyWord = (sheet: OwnerSheet) =>
  [...sheet.saw, ...sheet.did, ...sheet.suggest, ...sheet.homeCare].map(({ words }) => words).join('\n');
const wordsOf = (lines: readonly SheetLine[]) => lines.map(({ words }) => words);

test('home care names the folds it is for, and one side only where the other must be left alone', () => {
  const lines = (dog: DogFacts) => sheetOf([], null, { dog }).homeCare.map(({ words }) => words);
  const eyes = (dog: DogFacts) => lines(dog).find((each) => each.startsWith('Eyes and face'));
  expect(lines(facts).join(' ')).toMatch(
    /Folds \(nose fold, pocket between eye and nose, lip fold, tail fold\), every 2 days/,
  );
  expect(eyes(facts)).toMatch(/^Eyes and face, every 3 days/);
  expect(eyes({ ...facts, suspended: { 'eye/right': 'yellow discharge' } })).toMatch(
    /^Eyes and face \(left eye only\)/,
  );
  expect(eyes({ ...facts, suspended: { 'eye/left': 'x', 'eye/right': 'x' } })).toBeUndefined();
});

test('the handbook example: brown wax with a musty smell in the left ear, more than last time; the right was clear', () => {
  const sheet = sheetOf(
    [
      found(finding(LEFT_EAR, 'ear dark wax', 2)),
      found(finding(LEFT_EAR, 'ear musty smell', 1)),
      { type: 'looked clear', place: RIGHT_EAR },
    ],
    [finding(LEFT_EAR, 'ear dark wax', 1)],
  );
  expect(sheet.saw.map((saw) => saw.words)).toEqual([
    'Left ear: dark-brown wax (plain); a musty smell (slight), more than last time.',
    'Right ear: clear.',
  ]);
  expect(wordsOf(sheet.did)).toContain('Left the left ear alone: a musty smell.');
  expect(wordsOf(sheet.suggest)).toEqual([
    'Please keep an eye on the left ear and ring us if it changes.',
    'We suggest the next visit around Wed 16 Dec.',
  ]);
});

describe('what somebody cleaned is told in few words', () => {
  const cleaned = (...extra: Happening[]) =>
    sheetOf([], null, {
      then: (steps) => [...steps.map(({ id }): Happening => ({ type: 'step done', step: id })), ...extra],
    });
  test('both sides as one; an ear with dirty pads by itself, with its count', () => {
    expect(wordsOf(cleaned().did)).toContain(
      'Cleaned: both ears, both eyes, nose fold, both pockets between eye and nose, both lip folds, tail fold.',
    );
    const left = cleaned({ type: 'pad dirty', side: 'left', colour: 'brown' });
    expect(wordsOf(left.did)).toContain('Cleaned the left ear: one dirty pad before a pad came out clean.');
    expect(wordsOf(left.did).join(' ')).toContain('Cleaned: right ear, both eyes');
  });
  test('why a place was left alone, in the owner’s words and days', () => {
    const suspended = { ...facts, suspended: { 'ear/left': SIGNS['ear musty smell'].name } } as DogFacts;
    const barred = {
      ...facts,
      instructions: [instruct({ kind: 'bar', task: 'ear cleaning' }, { until: day('2026-12-31') })],
    };
    const did = (dog: DogFacts) => wordsOf(sheetOf([], null, { dog }).did).join(' ');
    expect(did(suspended)).toContain(
      `Left the left ear alone: Nothing here until a vet has answered: ${SIGNS['ear musty smell'].owner}.`,
    );
    expect(did(barred)).toContain('Left the left ear alone: Not done until Thu 31 Dec: Dr Oyelaran.');
  });
});

describe('compared with last time', () => {
  const wax = (grade: 1 | 2 | 3) => finding(LEFT_EAR, 'ear pale wax', grade);
  test.each([
    [2, [wax(1)], SENTENCES.more],
    [1, [wax(3)], SENTENCES.less],
    [2, [wax(2)], SENTENCES.same],
    [1, [], SENTENCES.new],
    [1, null, 'pale'],
  ] as const)('grade %s after %j', (now, then, words) => {
    const line = sheetOf([found(wax(now))], then === null ? null : [...then]).saw[0]?.words ?? '';
    if (then === null) expect(line).toBe('Left ear: light-brown wax (slight).');
    else expect(line).toContain(words);
  });
});

test('what was not looked at, an early end, a lost plug and late work are said', () => {
  const sheet = sheetOf([
    { type: 'plug in', side: 'right' },
    { type: 'plug not found', side: 'right' },
    { type: 'closed', how: 'ended early' },
    { type: 'noted', text: 'later' },
  ]);
  expect(sheet.saw).toEqual([]);
  expect(wordsOf(sheet.did).join(' ')).toMatch(
    /could not find the cotton that was in the right ear.*ended the visit early.*Not looked at this time: both ears, .*the rest of the body\./,
  );
  expect(sheet.lookAgain).toBe(true);
});

test('no sentence the app can make names a disease or a dose', () => {
  const trade = [
    ...Object.values(SENTENCES),
    ...LEVELS.map((level) => ADVICE[level] ?? ''),
    ...Object.values(SIGNS).flatMap(({ name, owner }) => [name, owner]),
    ...TRIAGE_TABLE.map((row) => row.do),
    ...INCIDENT_KINDS.flatMap((kind) => [INCIDENTS[kind].owner, ...firstSteps(kind).map(({ words }) => words)]),
    ...RULES.flatMap((rule) =>
      (typeof rule.then === 'function' ? rule.then(facts) : rule.then).map((then) =>
        'words' in then ? then.words : 'how' in then ? then.how : '',
      ),
    ),
    ...ALL_HOUSE_QUESTIONS.flatMap((key) =>
      HOUSE_QUESTIONS[key].schools.flatMap((school) => [
        school.words,
        school.for,
        (school as { warns?: string }).warns ?? '',
      ]),
    ),
  ];
  for (const words of trade) expect(words).not.toMatch(NEVER_SAY);
  expect('it has an ear infection, 5 mg').toMatch(NEVER_SAY);
});

describe('random visits', () => {
  const findings = fc.array(anyFinding, { maxLength: 5 });
  /** Each sign of a place once: said again it replaces what was said before. */
  const apart = fc.uniqueArray(anyFinding, {
    maxLength: 5,
    selector: ({ place, sign }) => `${placeKey(place)} ${sign}`,
  });

  test('no banned word, no empty slot, every finding told', () => {
    fc.assert(
      fc.property(findings, findings, (now, then) => {
        const sheet = sheetOf(now.map(found), then);
        const words = everyWord(sheet);
        expect(words).not.toMatch(NEVER_SAY);
        expect(words).not.toMatch(/[{}]|undefined|null|: ;|\(\)/);
        for (const each of now) expect(words).toContain(SIGNS[each.sign].owner);
        for (const { lines } of readSheet(sheet, NO_EDITS).parts) {
          expect(lines.length).toBeGreaterThan(0);
          for (const line of lines) expect(line.words.trim().length).toBeGreaterThan(3);
        }
      }),
      { numRuns: process.env['DEWPOND_DEEP'] ? 5000 : 500 },
    );
  });

  test('words of comparison agree with the grades, place by place', () => {
    const worst = (all: readonly Finding[], saw: Saw) =>
      Math.max(0, ...all.filter((found) => countsAt(found.place, saw.place)).map(({ grade }) => grade));
    fc.assert(
      fc.property(apart, apart, (now, then) => {
        for (const saw of sheetOf(now.map(found), then).saw) {
          const [is, was] = [worst(now, saw), worst(then, saw)];
          expect(saw.grade).toBe(is);
          const word =
            is === 0
              ? null
              : was === 0
                ? 'new since'
                : is > was
                  ? 'more than'
                  : is < was
                    ? 'less than'
                    : 'about the same';
          for (const each of ['new since', 'more than', 'less than', 'about the same'])
            expect([saw.words, each, saw.words.includes(`${each} `)]).toEqual([saw.words, each, each === word]);
        }
      }),
      { numRuns: process.env['DEWPOND_DEEP'] ? 5000 : 500 },
    );
  });

  test('a mirrored visit gives the mirrored text: left and right are never swapped', () => {
    const flip = (text: string) =>
      text.replaceAll(/\b(left|right)\b(?= (ear|eye|lip|pocket|brow|side|front|hind|dewclaw|nail))/gi, (side) => {
        const other = otherSide(side.toLowerCase() as 'left');
        return side.startsWith('L') || side.startsWith('R') ? other.charAt(0).toUpperCase() + other.slice(1) : other;
      });
    const sentences = (sheet: OwnerSheet) => everyWord(sheet).split('\n').toSorted();
    fc.assert(
      fc.property(findings, findings, (now, then) => {
        const seen = sheetOf(now.map(found), then);
        const mirrored = sheetOf(now.map(found).map(mirrorHappening), then.map(mirrorFinding));
        // Lists of several places keep their own order, so they are compared as sets of words.
        const asWords = (lines: string[]) =>
          lines
            .map((line) =>
              line
                .split(/[\s,]+/)
                .toSorted()
                .join(' '),
            )
            .toSorted();
        expect(asWords(sentences(mirrored))).toEqual(asWords(sentences(seen).map(flip)));
      }),
      { numRuns: process.env['DEWPOND_DEEP'] ? 5000 : 500 },
    );
  });
});
