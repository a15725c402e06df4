import { describe, expect, test } from 'vitest';
import { ALL_SIGNS, CONDITIONS, type Condition } from '../findings';
import { FORBIDDING, RULES } from '../rules';
import { placeOf } from '../places';
import { ALL_CHOICES, EAR_HAIR_REASONS, readReason, type EarHairReason, type Reason } from '../reasons';
import { ALL_TASKS } from '../tasks';
import { day } from '../units';
import { ALL_HOUSE_QUESTIONS, ALL_SERVICES, HOUSE_QUESTIONS, SERVICES } from '../ways';
import { ENGLISH, say, sayAll, wordingIn, type Audience } from '.';

const SPANISH = wordingIn('es');
const AUDIENCES: readonly Audience[] = ['groomer', 'owner', 'vet', 'paper'];
const until = day('2026-12-03');
const left = placeOf('ear/left');
const vet = { kind: 'instruction', by: 'vet', who: 'Dr Oyelaran', until: null } as const;

/** One reason of each kind, and of each shape within it. */
const EVERY: Readonly<Record<Reason['kind'], readonly Reason[]>> = {
  signs: [
    ...ALL_SIGNS.map((sign): Reason => ({ kind: 'signs', place: left, seen: [{ sign, grade: 1 }], since: null })),
    { kind: 'signs', place: left, seen: [{ sign: 'ear redness', grade: 2 }], since: until },
  ],
  condition: (Object.keys(CONDITIONS) as Condition[]).map((condition) => ({
    kind: 'condition',
    place: left,
    condition,
  })),
  rule: RULES.map(({ id }) => ({ kind: 'rule', rule: id })),
  instruction: [
    ...ALL_TASKS.map((task): Reason => ({ ...vet, says: { kind: 'not done', task } })),
    { ...vet, until, says: { kind: 'not done', task: 'bath' } },
    { ...vet, says: { kind: 'nothing else on the skin' } },
    { ...vet, says: { kind: 'avoid', what: 'tea tree' } },
    { ...vet, until, says: { kind: 'ear hair', way: 'leave' } },
    { ...vet, says: { kind: 'every', task: 'nails', days: 21 } },
  ],
  consent: [{ kind: 'consent', to: 'plucking' }],
  service: ALL_SERVICES.flatMap((service) =>
    Object.keys(SERVICES[service].means).map((does): Reason => ({ kind: 'service', service, does }) as Reason),
  ),
  school: ALL_HOUSE_QUESTIONS.flatMap((question) =>
    HOUSE_QUESTIONS[question].schools.map(({ id }): Reason => ({ kind: 'school', question, school: id })),
  ),
  'ear hair': (Object.keys(EAR_HAIR_REASONS) as EarHairReason[]).map((line) => ({ kind: 'ear hair', line, days: 90 })),
  'between visits': [{ kind: 'between visits', everyDays: 7, visits: 28 }],
  choice: ALL_CHOICES.map((choice) => ({ kind: 'choice', choice })),
  typed: [{ kind: 'typed', words: 'Wen asked us to' }],
  newer: [{ kind: 'newer', words: 'something of tomorrow' }],
};
const ALL = Object.values(EVERY).flat();

describe('a reason in words', () => {
  test('a groomer is told every one of them, in a line without braces or ids', () => {
    for (const reason of ALL) {
      const words = say(reason, ENGLISH, 'groomer');
      expect([reason, words]).toEqual([reason, expect.stringMatching(/\S/)]);
      expect(words).not.toMatch(/[{}]|undefined|null/);
    }
  });

  test('what was typed, and what a newer version sent, is shown as it is to everybody in every language', () => {
    for (const audience of AUDIENCES)
      for (const wording of [ENGLISH, SPANISH])
        for (const reason of [...EVERY.typed, ...EVERY.newer])
          expect(say(reason, wording, audience)).toBe('words' in reason ? reason.words : '');
  });

  test('a habit of the business is no reason for an owner, nor for a vet or on paper', () => {
    const habits: Reason[] = [
      ...EVERY.school,
      ...EVERY['between visits'],
      ...(['left alone', 'house trims', 'house stages'] as const).map((line): Reason => ({
        kind: 'ear hair',
        line,
        days: null,
      })),
    ];
    for (const reason of habits)
      for (const audience of ['owner', 'vet', 'paper'] as const) expect(say(reason, ENGLISH, audience)).toBeNull();
  });

  test('whatever forbids work has words for an owner, in every language; a law or a habit of the business may have none', () => {
    for (const { id, rank } of FORBIDDING)
      for (const wording of [ENGLISH, SPANISH])
        if (rank !== 'law' && rank !== 'default')
          expect([id, wording.language, say({ kind: 'rule', rule: id }, wording, 'owner')]).toEqual([
            id,
            wording.language,
            expect.stringMatching(/\S/),
          ]);
  });

  test('a vet reads signs as the trade names them, an owner as owners do', () => {
    const reason: Reason = { kind: 'signs', place: left, seen: [{ sign: 'ear musty smell', grade: 1 }], since: null };
    expect(say(reason, ENGLISH, 'vet')).toBe('musty or yeasty smell');
    expect(say(reason, ENGLISH, 'owner')).toBe('a musty smell');
    expect(say({ ...reason, since: until }, ENGLISH, 'owner')).toBe(
      'a musty smell on Thu 3 Dec, and no vet has looked since',
    );
    expect(say({ ...reason, since: until }, SPANISH, 'owner')).toContain('3 dic');
  });

  test('several are one line, each once; none for this reader is no line', () => {
    const red: Reason = { kind: 'signs', place: left, seen: [{ sign: 'ear redness', grade: 1 }], since: null };
    const school = EVERY.school[0] as Reason;
    expect(sayAll([red, red, school], ENGLISH, 'owner')).toBe('redness');
    expect(sayAll([school], ENGLISH, 'owner')).toBeNull();
  });

  test('in Spanish no owner reads an English word, but for what somebody typed', () => {
    const english = /\b(the|and|with|of|not|no owner|skin|ear|eye|dog|vet|left|right|today)\b/i;
    const said = ALL.filter(({ kind }) => kind !== 'typed' && kind !== 'newer').flatMap((reason) =>
      (['owner', 'paper', 'vet'] as const).map((audience) => say(reason, SPANISH, audience) ?? ''),
    );
    expect(said.filter((words) => english.test(words))).toEqual([]);
  });
});

test('a kind of reason that this version does not know keeps the words sent with it; a known one is itself', () => {
  expect(readReason({ kind: 'moon phase', words: 'the moon is full' })).toEqual({
    kind: 'newer',
    words: 'the moon is full',
  });
  expect(readReason({ kind: 'toString', words: 'x' })).toEqual({ kind: 'newer', words: 'x' });
  expect(readReason({ kind: 'choice', choice: 'no time' })).toEqual({ kind: 'choice', choice: 'no time' });
});
