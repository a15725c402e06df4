import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { RULES } from '../rules';
import { type DogFacts } from '../dog';
import { ALL_HOUSE_QUESTIONS, HOUSE_QUESTIONS } from '../ways';
import { aDog, instruct, suspendedBy } from '../careplan/tests/randomDogs';
import {
  ADVICE,
  ALL_SIGNS,
  LEVELS,
  SIGNS,
  TRIAGE_TABLE,
  countsAt,
  finding,
  mirrorFinding,
  type Finding,
  type Sign,
} from '../findings';
import { day, type Day } from '../units';
import { otherSide, placeKey, type Place } from '../places';
import { INCIDENTS, INCIDENT_KINDS, firstSteps, type Happening } from '../events';
import { makePlan } from '../careplan';
import { placesToLookAt, readVisit } from '../visit';
import { anyFinding, logged, mirrorHappening } from '../visit/tests/randomVisits';
import { BULLDOG as facts, sheetOf } from './tests/sheetOf';
import { ENGLISH, SENTENCES, allNotOurs, notOurs } from '../wording';
import { NO_EDITS, didLines, pageOf, readSheet, type OwnerSheet, type Saw, type Section, type SheetLine } from '.';

const LEFT_EAR: Place = { site: 'ear', side: 'left' };
const RIGHT_EAR: Place = { site: 'ear', side: 'right' };
const found = (each: Finding): Happening => ({ type: 'found', finding: each });
const everyWord = (sheet: OwnerSheet) =>
  [...sheet.saw, ...sheet.did, ...sheet.suggest, ...sheet.care, ...sheet.homeCare, ...sheet.together]
    .map(({ words }) => words)
    .join('\n');
const wordsOf = (lines: readonly SheetLine[]) => lines.map(({ words }) => words);

test('home care names the folds it is for, and one side only where the other must be left alone', () => {
  const lines = (dog: DogFacts) => sheetOf([], null, { dog }).homeCare.map(({ words }) => words);
  const eyes = (dog: DogFacts) => lines(dog).find((each) => each.startsWith('Eyes and face'));
  expect(lines(facts).join(' ')).toMatch(
    /Folds \(nose fold, pocket between eye and nose, lip fold, tail fold\), every 2 days/,
  );
  expect(eyes(facts)).toMatch(/^Eyes and face, every 3 days/);
  expect(eyes({ ...facts, suspended: { 'eye/right': suspendedBy('eye', 'right', 'eye coloured discharge') } })).toMatch(
    /^Eyes and face \(left eye only\)/,
  );
  expect(eyes({ ...facts, suspended: { 'eye/left': { words: 'x' }, 'eye/right': { words: 'x' } } })).toBeUndefined();
});

test('what was added in words of its own is told as it was typed, once it was done', () => {
  const did = (...more: Happening[]) => {
    const added: Happening = { type: 'step added', step: 'added 1', title: 'Red bow', before: null };
    const before = { kind: 'lesson', facts, plan: makePlan(facts), contactMinutes: 0, lastFindings: [] } as const;
    return wordsOf(didLines({ ...readVisit(before, logged([added, ...more])), wording: ENGLISH }, []));
  };
  expect(did()).not.toContain('Also done: Red bow.');
  expect(did({ type: 'step done', step: 'added 1' })).toContain('Also done: Red bow.');
});

test('a place that came to a vet or a stop three times in six months is said so, by itself', () => {
  const sheet = sheetOf([found(finding(LEFT_EAR, 'ear pus', 1))], null, { often: [{ place: LEFT_EAR, times: 3 }] });
  expect(sheet.suggest).toContainEqual({
    key: 'often ear/left',
    words: 'Left ear: 3 times in six months this was for a vet. Please tell yours so.',
  });
});

test('the example of the trade: brown wax with a musty smell in the left ear, more than last time; the right was clear', () => {
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
  expect(wordsOf(sheet.care)).toEqual([
    'Left ear: leave it in peace for some days, without cleaner or cotton buds. Rubbing makes it worse. If it smells more or your dog scratches it, call us.',
  ]);
});

test('the next visit: what is booked, what is suggested, or that sooner is better', () => {
  const [soon, late] = [day('2026-12-09'), day('2027-01-20')];
  const told = (booked: Day | null, suggested: Day | null) =>
    sheetOf([], [], { next: { booked, suggested } }).suggest.flatMap(({ key, words }) =>
      key === 'next' ? [words] : [],
    );
  expect(told(null, soon)).toEqual(['We suggest the next visit around Wed 9 Dec.']);
  expect(told(soon, null)).toEqual(['Your next visit is booked for Wed 9 Dec.']);
  expect(told(late, soon)).toEqual(['Your next visit is booked for Wed 20 Jan. Sooner is better: around Wed 9 Dec.']);
  expect(told(null, null)).toEqual([]);
});

test('where something was found, many clear places are not named one by one', () => {
  const clear = placesToLookAt(facts).map((place): Happening => ({ type: 'looked clear', place }));
  expect(sheetOf(clear, []).clear?.words).toMatch(/^Both ears, both eyes, .*: clear\.$/);
  const waxy = [...clear, found(finding(LEFT_EAR, 'ear dark wax', 1))];
  expect(sheetOf(waxy, []).clear?.words).toBe('All else we looked at: clear.');
  const fewLooked: Happening[] = [
    found(finding(LEFT_EAR, 'ear dark wax', 1)),
    { type: 'looked clear', place: RIGHT_EAR },
  ];
  expect(sheetOf(fewLooked, []).clear?.words).toBe('Right ear: clear.');
});

describe('the same of several places is told once', () => {
  const wax = (place: Place) => found(finding(place, 'ear dark wax', 1));
  const read = (sheet: OwnerSheet, section: Section, edits = NO_EDITS) =>
    readSheet(sheet, edits)
      .parts.filter((part) => part.section === section)
      .flatMap(({ lines }) => wordsOf(lines));
  const both = sheetOf([wax(LEFT_EAR), wax(RIGHT_EAR)], []);

  test('both sides as one; the drawing has its rings at each', () => {
    expect(read(both, 'saw')[0]).toBe('Both ears: dark-brown wax (slight), new since last time.');
    expect(read(both, 'suggest')[0]).toBe('We will look at both ears again next time.');
    expect(readSheet(both, NO_EDITS).grades).toMatchObject({ 'ear/left': 1, 'ear/right': 1 });
  });

  test('but not where one is worse', () => {
    const uneven = sheetOf([wax(LEFT_EAR), found(finding(RIGHT_EAR, 'ear dark wax', 2))], []);
    expect(read(uneven, 'saw').filter((words) => words.includes('wax'))).toHaveLength(2);
  });

  test('a hand on one of them keeps them apart: nothing a groomer wrote or left out is lost', () => {
    const [first] = both.suggest;
    const left = {
      section: 'suggest',
      made: first?.words ?? '',
      words: 'The left ear is waxy: we look again.',
    } as const;
    const said = { ...NO_EDITS, lines: { 'advice ear/left': left } };
    expect(read(both, 'suggest', said).slice(0, 2)).toEqual([
      'The left ear is waxy: we look again.',
      'We will look at the right ear again next time.',
    ]);
    const without = { ...NO_EDITS, lines: { 'advice ear/left': { ...left, words: null } } };
    expect(read(both, 'suggest', without)[0]).toBe('We will look at the right ear again next time.');
  });

  test('hair of both ears that came alike', () => {
    const sheet = sheetOf([], [], {
      dog: aDog({ ways: { ...facts.ways, earHair: 'routine' } }, 'lagotto'),
      then: (steps) => steps.map(({ id }): Happening => ({ type: 'step done', step: id })),
    });
    const hair = read(sheet, 'did').filter((words) => words.toLowerCase().includes('hair'));
    expect(hair[0]).toBe('Took hair out of both ears.');
    expect(hair.filter((words) => /(left|right) ear/.test(words))).toEqual([]);
  });

  test('whatever was found and edited, each made line is told once, by itself or within one', () => {
    fc.assert(
      fc.property(
        fc.array(anyFinding, { maxLength: 10 }),
        fc.array(fc.nat(60), { maxLength: 4 }),
        (findings, touched) => {
          const sheet = sheetOf(findings.map(found), []);
          const lines = [...sheet.saw.filter(({ grade }) => grade > 0), ...sheet.suggest, ...sheet.did];
          const chosen = touched.flatMap((at) => lines[at % lines.length] ?? []);
          const edits = {
            ...NO_EDITS,
            lines: Object.fromEntries(
              chosen.map(({ key, words }) => [key, { section: 'did' as const, made: words, words: 'Ours.' }]),
            ),
          };
          const keys = Object.values(pageOf(sheet, edits)).flatMap((part) => part.map(({ key }) => key));
          const told = keys.flatMap((key) => sheet.together.find((each) => each.key === key)?.of ?? [key]);
          for (const { key } of lines) expect([key, told.filter((each) => each === key).length]).toEqual([key, 1]);
          for (const { key } of chosen) expect(keys).toContain(key);
        },
      ),
    );
  });
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
    const suspended = { ...facts, suspended: { 'ear/left': suspendedBy('ear', 'left', 'ear musty smell') } };
    const barred = {
      ...facts,
      instructions: [instruct({ kind: 'bar', task: 'ear cleaning' }, { until: day('2026-12-31') })],
    };
    const did = (dog: DogFacts) => wordsOf(sheetOf([], null, { dog }).did).join(' ');
    expect(did(suspended)).toContain(
      `Left the left ear alone: ${SIGNS['ear musty smell'].owner} on Tue 20 Jan, and no vet has looked since.`,
    );
    expect(did(barred)).toContain('Left the left ear alone: Dr Oyelaran asked us not to until Thu 31 Dec.');
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
  test.each<[string, readonly Finding[], readonly Finding[], string]>([
    ['another sign, however slight', [finding(LEFT_EAR, 'ear blood', 1)], [wax(3)], SENTENCES.new],
    ['another sign beside one that went back', [wax(1), finding(LEFT_EAR, 'ear blood', 1)], [wax(3)], SENTENCES.more],
    ['one of two signs is gone', [wax(2)], [wax(2), finding(LEFT_EAR, 'ear musty smell', 1)], SENTENCES.less],
  ])('sign by sign: %s', (_, now, then, words) => {
    const { saw } = sheetOf(now.map(found), [...then]);
    expect(saw[0]?.words).toContain(words);
  });
});

test('a sign without grades is drawn by what follows from it: a squint is never drawn as a little wax is', () => {
  const drawn = (each: Finding) => sheetOf([found(each)]).saw.map(({ grade }) => grade);
  const LEFT_EYE: Place = { site: 'eye', side: 'left' };
  expect(drawn(finding(LEFT_EYE, 'eye squinting', 1))).toEqual([3]);
  expect(drawn(finding(LEFT_EYE, 'eye known haze', 1))).toEqual([1]);
  expect(drawn(finding(LEFT_EAR, 'ear blood', 1))).toEqual([3]);
  expect(drawn(finding(LEFT_EAR, 'ear pale wax', 2))).toEqual([2]);
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
    ...TRIAGE_TABLE.map((row) => row.todo?.words ?? ''),
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
  for (const words of trade) expect([words, notOurs(words)]).toEqual([words, null]);
  expect(notOurs('it has an ear infection')).toEqual({ word: 'infection', is: 'an illness' });
  expect(notOurs('give 5 mg')).toEqual({ word: 'mg', is: 'a medicine or a dose' });
  expect(allNotOurs('It has otitis; give 5 ml twice a day. Otitis!')).toEqual([
    { word: 'otitis', is: 'an illness' },
    { word: '5 ml', is: 'a medicine or a dose' },
  ]);
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
        expect(notOurs(words)).toBeNull();
        expect(words).not.toMatch(/[{}]|undefined|null|: ;|\(\)/);
        for (const each of now) expect(words).toContain(SIGNS[each.sign].owner);
        for (const { lines } of readSheet(sheet, NO_EDITS).parts) {
          expect(lines.length).toBeGreaterThan(0);
          for (const line of lines) expect(line.words.trim().length).toBeGreaterThan(3);
        }
      }),
      { numRuns: process.env['DEWPOND_DEEP'] ? 5000 : 250 },
    );
  });

  test('words of comparison agree with the grades, sign by sign: what is better there never hides what is worse', () => {
    const at = (all: readonly Finding[], saw: Saw, sign: Sign | null = null) =>
      Math.max(
        0,
        ...all
          .filter((each) => countsAt(each.place, saw.place) && (sign === null || each.sign === sign))
          .map(({ grade }) => grade),
      );
    fc.assert(
      fc.property(apart, apart, (now, then) => {
        for (const saw of sheetOf(now.map(found), then).saw) {
          const shared = ALL_SIGNS.filter((sign) => at(now, saw, sign) > 0 && at(then, saw, sign) > 0);
          const rose = ALL_SIGNS.some((sign) => at(now, saw, sign) > at(then, saw, sign));
          const fell = ALL_SIGNS.some((sign) => at(now, saw, sign) < at(then, saw, sign));
          const compared =
            shared.length === 0 ? 'new since' : rose ? 'more than' : fell ? 'less than' : 'about the same';
          const word = at(now, saw) === 0 ? null : compared;
          for (const each of ['new since', 'more than', 'less than', 'about the same'])
            expect([saw.words, each, saw.words.includes(`${each} `)]).toEqual([saw.words, each, each === word]);
        }
      }),
      { numRuns: process.env['DEWPOND_DEEP'] ? 5000 : 250 },
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
      { numRuns: process.env['DEWPOND_DEEP'] ? 5000 : 250 },
    );
  });
});
