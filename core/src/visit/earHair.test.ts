import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { aDog } from '../careplan/tests/randomDogs';
import type { EarHairWork } from '../dog';
import type { Happening } from '../events';
import { DEFAULT_HOUSE_WAYS } from '../ways';
import { earHairOf, readVisit } from '.';
import { sheetOf } from '../sheet/tests/sheetOf';
import { logged } from './tests/randomVisits';

const ROUTINE = { ...DEFAULT_HOUSE_WAYS, earHair: 'routine' } as const;
const LAGOTTO = aDog({ ways: ROUTINE }, 'lagotto');
const read = (happenings: readonly Happening[], facts = LAGOTTO) =>
  readVisit(
    { kind: 'full visit', facts, plan: makePlan(facts), contactMinutes: 0, lastFindings: [] },
    logged(happenings),
  );
const went = (more: Partial<EarHairWork>): Happening => ({
  type: 'ear hair went',
  side: 'left',
  came: null,
  borne: null,
  left: null,
  ...more,
});
const done: Happening = { type: 'step done', step: 'ear hair left' };
const stepsOf = (happenings: readonly Happening[], facts = LAGOTTO) =>
  read(happenings, facts)
    .steps.filter(({ id, barred }) => id.startsWith('ear hair') && barred === null)
    .map(({ id }) => id);

describe('what a visit leaves on record of the hair of an ear', () => {
  test.each<[string, Happening[], string | null]>([
    ['nothing was done', [], null],
    ['done, and nobody said how it went', [done], 'plucked'],
    ['most came', [went({ came: 'most' }), done], 'plucked'],
    ['done, and none came', [went({ came: 'none' }), done], null],
    ['some came before it broke off', [went({ came: 'a few', borne: 'broke off' })], 'plucked'],
    ['undone', [done, { type: 'step undone', step: 'ear hair left' }], null],
  ])('%s', (_, happenings, did) => {
    const visit = read(happenings);
    expect(earHairOf(visit, 'left').did).toBe(did);
    expect(earHairOf(visit, 'right')).toEqual({ seen: null, did: null, went: null });
  });

  test.each<[string, Happening[], string | null]>([
    ['done', [done], 'trimmed'],
    ['said to have come out, and not marked as done', [went({ came: 'most' })], null],
    ['broke off', [went({ came: 'a few', borne: 'broke off' })], null],
    ['done, whatever was said to come out', [went({ came: 'most' }), done], 'trimmed'],
  ])('trimmed is never plucked: %s', (_, happenings, did) => {
    const visit = read(happenings, aDog({ ways: { ...ROUTINE, earHair: 'trim' } }, 'lagotto'));
    expect(earHairOf(visit, 'left')).toEqual({ seen: null, did, went: null });
  });
});

describe('hair seen today', () => {
  test('takes the step away at an ear that has none, and brings it where the breed has none', () => {
    const none: Happening = { type: 'ear hair seen', side: 'left', hair: 'none' };
    expect(stepsOf([])).toEqual(['ear hair left', 'ear hair right']);
    expect(stepsOf([none])).toEqual(['ear hair right']);
    const beagle = aDog({ ways: ROUTINE }, 'beagle');
    expect(stepsOf([], beagle)).toEqual([]);
    expect(stepsOf([{ type: 'ear hair seen', side: 'right', hair: 'dense' }], beagle)).toEqual(['ear hair right']);
  });

  test('where it broke off, it is not offered again at either ear', () => {
    expect(stepsOf([went({ borne: 'broke off' })])).toEqual([]);
  });
});

test('the owner reads how it went, and what is normal afterwards', () => {
  const { did, care } = sheetOf([went({ came: 'most', borne: 'minded', left: 'some' })], null, {
    dog: LAGOTTO,
    then: () => [done],
  });
  expect(did.map(({ words }) => words)).toContain(
    'Hair in the left ear: most of it came out. Your dog: minded it a little. Some is left for the next visit.',
  );
  expect(care.map(({ key }) => key)).toContain('after ear hair');
  expect(sheetOf([], null, { dog: LAGOTTO }).care.map(({ key }) => key)).not.toContain('after ear hair');
});
