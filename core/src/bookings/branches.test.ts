import { describe, expect, test } from 'vitest';
import { day } from '../units';
import {
  bookOf,
  readWork,
  SALON,
  USUAL_WEEK,
  needsAt,
  weekAt,
  weekRenamed,
  worksAt,
  ROUND,
  type Branch,
  type DogNeeds,
  type WeekHours,
  type Weeks,
} from '.';

const QUAY: Branch = { id: 'quay', name: 'Withy Quay', kind: 'salon' };
const MILL: Branch = { id: 'mill', name: 'Withy Mill', kind: 'salon' };
const CORACLE: Branch = { id: 'coracle', name: 'Coracle', kind: 'van' };
const BRANCHES = [QUAY, MILL, CORACLE];

/** A week of one day, as it was typed. */
const weekOf = (typed: string): WeekHours => [readWork(typed) ?? [], [], [], [], [], [], []];
const shown = (here: Branch, branchId: string, typed: string) =>
  (weekAt(here, { branchId, week: weekOf(typed) }, BRANCHES)[0] ?? []).map(
    ({ from, to, where }) => `${from / 60}-${to / 60} ${where}`,
  );

describe('hours at a branch', () => {
  test.each([
    // belongs to, typed, at the quay, at the mill, in the van
    ['quay', '9-12, 13-17', ['9-12 salon', '13-17 salon'], [], []],
    ['quay', '9-12, 13-17 Withy Mill', ['9-12 salon'], ['13-17 salon'], []],
    ['quay', '9-16 coracle', [], [], ['9-16 round']],
    ['quay', '9-16 Coracle islets', [], [], ['9-16 islets']],
    // The van of the salon itself, as before there were branches.
    ['quay', '9-16 islets', ['9-16 islets'], [], []],
    ['coracle', '9-12, 13-16 farms and islets', [], [], ['9-12 round', '13-16 farms and islets']],
    ['coracle', '9-12 Withy Quay, 13-16', ['9-12 salon'], [], ['13-16 round']],
    ['mill', '', [], [], []],
  ])('belongs to %s, works %s', (belongs, typed, quay, mill, coracle) => {
    expect(shown(QUAY, belongs, typed)).toEqual(quay);
    expect(shown(MILL, belongs, typed)).toEqual(mill);
    expect(shown(CORACLE, belongs, typed)).toEqual(coracle);
  });

  test('a name that begins as another does is not taken for it', () => {
    const long: Branch = { id: 'long', name: 'Coracle two', kind: 'van' };
    const week = weekOf('9-16 Coracle two');
    expect(weekAt(long, { branchId: 'quay', week }, [...BRANCHES, long])[0]).toHaveLength(1);
    expect(weekAt(CORACLE, { branchId: 'quay', week }, [...BRANCHES, long])[0]).toEqual([]);
    expect(shown(CORACLE, 'quay', '9-16 Coracleside')).toEqual([]);
  });

  test('every hour of a week is at one branch, and no hour is lost', () => {
    const minutes = (week: WeekHours) => week.flat().reduce((sum, { from, to }) => sum + to - from, 0);
    for (const typed of ['9-12, 13-17 Withy Mill', '8-9 Coracle, 9-12, 13-16 islets', '9-12 Coracle farms']) {
      const week: WeekHours = [...weekOf(typed).slice(0, 1), ...USUAL_WEEK.slice(1)];
      const at = BRANCHES.map((here) => weekAt(here, { branchId: 'quay', week }, BRANCHES));
      expect(at.reduce((sum, each) => sum + minutes(each), 0)).toBe(minutes(week));
    }
  });

  test('a renamed branch keeps its hours', () => {
    const week = weekOf('9-10, 10-12 coracle, 13-16 Coracle islets, 16-17 Coracleside');
    const after = weekRenamed(week, 'Coracle', 'Skiff');
    expect(after[0]?.map(({ where }) => where)).toEqual([SALON, 'Skiff', 'Skiff islets', 'Coracleside']);
    const renamed = [QUAY, MILL, { ...CORACLE, name: 'Skiff' }];
    for (const here of BRANCHES)
      expect(weekAt(here, { branchId: 'quay', week: after }, renamed)).toEqual(
        weekAt(here, { branchId: 'quay', week }, BRANCHES),
      );
  });

  test('who belongs to a branch works there though no hour says so; another does by one hour', () => {
    const off = { branchId: 'mill', week: weekOf('') };
    expect(BRANCHES.filter((here) => worksAt(here, off, BRANCHES))).toEqual([MILL]);
    const lent = { branchId: 'quay', week: weekOf('9-12, 13-17 Coracle') };
    expect(BRANCHES.filter((here) => worksAt(here, lent, BRANCHES))).toEqual([QUAY, CORACLE]);
  });
});

test('a dog of another branch takes its person’s time, and neither table nor tub here', () => {
  const booked = { id: 'b', dog: 'elsewhere', person: 'ines', day: day('2026-11-25'), from: 600, to: 690 } as const;
  const weeks = (more: { readonly elsewhere?: true } | null): Weeks => ({
    ...{ first: day('2026-11-25'), days: 1, over: 0, away: [], dogs: [], drive: {}, warm: [] },
    ...{ tables: 1, tubs: 1, dryers: 2 },
    people: ['ines', 'tomasz'].map((id) => ({ id, skills: [], week: USUAL_WEEK })),
    booked: more ? [{ ...booked, choice: 'full', mayMove: true, ...more }] : [],
  });
  const minutes = (book: ReturnType<typeof bookOf>) => book.shared.map(({ name, minutes: its }) => [name, its[0]]);
  const [none, here, elsewhere] = [bookOf(weeks(null)), bookOf(weeks({})), bookOf(weeks({ elsewhere: true }))];
  expect(elsewhere.blocks).toEqual(here.blocks);
  expect(elsewhere.blocks).not.toEqual(none.blocks);
  for (const [at, [, left = 0]] of minutes(elsewhere).entries()) {
    expect(left).toBeGreaterThan(Number(minutes(here)[at]?.[1]));
    expect(left).toBeLessThanOrEqual(Number(minutes(none)[at]?.[1]));
  }
});

describe('what a dog needs at its branch', () => {
  const needs: DogNeeds = { slot: 'first', memberId: null, weekdays: [], where: null, skills: ['cats'], notWith: [] };
  test('a salon’s dog comes as it was; the van goes to its own, to an area where one is said', () => {
    expect(needsAt(QUAY, null)).toBeNull();
    expect(needsAt(QUAY, { ...needs, where: 'islets' })?.where).toBe('islets');
    expect(needsAt(CORACLE, null)).toMatchObject({ where: ROUND, skills: [], slot: null });
    expect(needsAt(CORACLE, needs)).toEqual({ ...needs, where: ROUND });
    expect(needsAt(CORACLE, { ...needs, where: 'islets' })?.where).toBe('islets');
    expect(ROUND).not.toBe(SALON);
  });
});
