import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import type { DogFacts } from '../dog';
import { planDue } from '../due';
import { TODAY, aDog, anyDog, instruct } from '../careplan/tests/randomDogs';
import { addDays, day, daysBetween } from '../units';
import { ENGLISH, homeTaskTold } from '../wording';
import { SPANISH } from '../wording/spanish';
import {
  dueFirst,
  homeDays,
  homeKeyWords,
  homeShare,
  homeTaskName,
  homeTasks,
  nextHomeDay,
  openSince,
  weeklyMinutes,
  type HomeTask,
} from '.';

const since = day('2026-11-25');
const task = (everyDays: number, key = 'teeth'): HomeTask => ({
  key,
  task: 'teeth',
  places: [],
  everyDays,
  minutes: 2,
  how: 'brush the teeth',
  byVet: false,
  stepped: null,
  clearSince: null,
  ticked: null,
  better: null,
});
const due = (breed: string) =>
  planDue(makePlan(aDog({}, breed)), { places: {}, tasks: {}, homeCareChangedOn: null, schoolChangedOn: null }, TODAY);

test('a bulldog’s folds are one task with the folds named; every line of home care is in exactly one task', () => {
  const lines = due('english-bulldog');
  const tasks = homeTasks(lines);
  const folds = tasks.find((each) => each.task === 'fold care');
  expect(folds && homeTaskName(folds)).toMatch(/^Folds \(nose fold, pocket between eye and nose, lip fold/);
  const asked = lines.filter(({ line }) => line.home !== null && line.home !== undefined && line.place !== null);
  expect(tasks.flatMap(({ places }) => places)).toHaveLength(asked.length);
  expect(new Set(tasks.map(({ key }) => key)).size).toBe(tasks.length);
});

describe('days', () => {
  test('are counted from the visit, not from when one asks', () => {
    expect(homeDays(task(3), since, since, addDays(since, 9))).toEqual(['2026-11-28', '2026-12-01', '2026-12-04']);
    expect(homeDays(task(3), since, day('2026-11-30'), day('2026-12-02'))).toEqual(['2026-12-01']);
    expect(homeDays(task(3), since, day('2026-11-29'), day('2026-11-30'))).toEqual([]);
    expect(nextHomeDay(task(3), since, day('2026-11-29'))).toBe('2026-12-01');
    expect(nextHomeDay(task(3), since, day('2026-12-01'))).toBe('2026-12-01');
  });

  test('of any stretch are those of its two halves, each a whole number of rhythms after the visit', () => {
    const ahead = fc.integer({ min: 0, max: 200 });
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), ahead, ahead, ahead, (every, a, b, c) => {
        const [from = 0, middle = 0, to = 0] = [a, b, c].toSorted((x, y) => x - y);
        const at = (days: number) => addDays(since, days);
        const whole = homeDays(task(every), since, at(from), at(to));
        const halves = [
          ...homeDays(task(every), since, at(from), at(middle)),
          ...homeDays(task(every), since, at(middle + 1), at(to)),
        ];
        expect(whole).toEqual(halves);
        for (const each of whole) {
          expect(daysBetween(since, each) % every).toBe(0);
          expect(each > since).toBe(true);
        }
      }),
    );
  });
});

test('what was ticked is held against what was asked; a tick on another day counts for nothing', () => {
  const tasks = [task(2, 'a'), task(7, 'b')];
  const ticks = [
    { key: 'a', day: addDays(since, 2), times: 1 },
    { key: 'a', day: addDays(since, 3), times: 1 },
    { key: 'b', day: addDays(since, 7), times: 3 },
    { key: 'c', day: addDays(since, 2), times: 1 },
  ];
  expect(homeShare(tasks, since, ticks, since, addDays(since, 8))).toEqual({ asked: 5, done: 2 });
});

test('three times a day: three ticks on every day, in the minutes, the share and what is still due', () => {
  const three = task(1 / 3);
  const today = addDays(since, 2);
  const ticked = (...times: readonly number[]) =>
    times.map((count, i) => ({ key: 'teeth', day: addDays(since, i + 1), times: count }));
  expect(homeDays(three, since, since, today)).toEqual([addDays(since, 1), today]);
  expect(nextHomeDay(three, since, addDays(today, 1))).toBe(addDays(today, 1));
  expect(weeklyMinutes(three)).toBeCloseTo(3 * 7 * 2, 9);
  expect(homeShare([three], since, ticked(3, 1), since, today)).toEqual({ asked: 6, done: 4 });
  // Two wipes of three: the day is not done yet. Of yesterday nothing is made up for.
  expect(openSince(three, { since, today, ticks: ticked(3, 2) })).toBe(today);
  expect(openSince(three, { since, today, ticks: ticked(3, 3) })).toBeNull();
  expect(openSince(three, { since, today: addDays(today, 1), ticks: ticked(3, 1) })).toBe(addDays(today, 1));
  const half = homeTaskTold(ENGLISH, task(1 / 2));
  expect([homeTaskTold(ENGLISH, three).often, half.often]).toEqual(['3 times a day', 'twice a day']);
  expect(homeTaskTold(SPANISH, three).often).toBe('3 veces al día');
});

test.each([
  ['vet', true],
  ['owner', false],
] as const)('the word of a %s: so many times a day, at the place it is about, stopped or not', (by, byVet) => {
  const left = { site: 'eye', side: 'left' } as const;
  const asked = instruct({ kind: 'at home', task: 'eyes and face', timesADay: 2 }, { by, place: left });
  const eyes = (dog: DogFacts) =>
    homeTasks(makePlan(dog).lines.map((line) => ({ line })))
      .filter((each) => each.task === 'eyes and face')
      .map((each) => [each.places.map(({ side }) => side), each.everyDays, each.byVet]);
  expect(eyes(aDog({ instructions: [asked] }, 'pug'))).toEqual([
    [['left'], 1 / 2, byVet],
    [['right'], 3, false],
  ]);
  // A dog that nothing was asked of at home before.
  expect(eyes(aDog({ instructions: [asked] }, 'beagle'))).toEqual([[['left'], 1 / 2, byVet]]);
  expect(eyes(aDog({ instructions: [{ ...asked, until: addDays(TODAY, -1) }] }, 'beagle'))).toEqual([]);
});

describe('what is due', () => {
  const standing = (today: string, ...ticks: { key: string; day: string }[]) => ({
    since,
    today: day(today),
    ticks: ticks.map((tick) => ({ key: tick.key, day: day(tick.day), times: 1 })),
  });
  test.each([
    ['before its first day', '2026-11-27', [], null],
    ['on its day', '2026-11-28', [], '2026-11-28'],
    ['missed, still asked for', '2026-11-30', [], '2026-11-28'],
    ['done on its day', '2026-11-30', [{ key: 'teeth', day: '2026-11-28' }], null],
    ['done a day late', '2026-11-30', [{ key: 'teeth', day: '2026-11-29' }], null],
    ['done the time before only', '2026-12-01', [{ key: 'teeth', day: '2026-11-28' }], '2026-12-01'],
    ['another task was done', '2026-11-28', [{ key: 'ears', day: '2026-11-28' }], '2026-11-28'],
  ] as const)('%s', (_, today, ticks, open) => {
    expect(openSince(task(3), standing(today, ...ticks))).toBe(open);
  });
  test('a day missed more than six days ago is not held against anybody', () => {
    expect(openSince(task(20), standing('2026-12-21'))).toBe('2026-12-15');
    expect(openSince(task(20), standing('2026-12-22'))).toBeNull();
  });
  test('stands before what comes later, and that by its day', () => {
    const [soon, due, late] = [task(4, 'soon'), task(3, 'due'), task(9, 'late')];
    expect(dueFirst([late, soon, due], standing('2026-11-28')).map(({ key }) => key)).toEqual(['due', 'soon', 'late']);
  });
});

test('a key of an earlier plan still says what it was for, whatever the dog', () => {
  expect(homeKeyWords('eyes and face eye/left eye/right')).toBe('Eyes and face');
  expect(homeKeyWords('fold care fold nose/none')).toBe('Folds (nose fold)');
  expect(homeKeyWords('ear cleaning ear/left')).toBe('Clean ears (left ear only)');
  expect(homeKeyWords('of another version')).toBe('of another version');
  fc.assert(
    fc.property(anyDog, (dog) => {
      for (const each of homeTasks(
        planDue(makePlan(dog), { places: {}, tasks: {}, homeCareChangedOn: null, schoolChangedOn: null }, TODAY),
      ))
        expect(homeKeyWords(each.key)).toBe(homeTaskName(each));
    }),
  );
});

describe('ears at home', () => {
  const earsOf = (breed: string, earsAtHome: DogFacts['ways']['earsAtHome']) => {
    const dog = aDog({}, breed);
    const { lines } = makePlan({ ...dog, ways: { ...dog.ways, earsAtHome } });
    return homeTasks(lines.map((line) => ({ line })))
      .filter(({ task }) => task === 'ear cleaning' || task === 'ear inspection')
      .map(({ how, everyDays }) => `${how}, ${everyDays}`);
  };
  test.each([
    ['cocker', 'only look', []],
    ['cocker', 'wipe', ['wipe the outer ear, 7']],
    ['basset', 'wipe', ['wipe the outer ear, 10']],
    ['cocker', 'where visits are rare', ['wipe the outer ear, 28']],
    // Upright ears air well: they are wiped only where visits come too rarely, and by that school not at all.
    ['german-shepherd', 'wipe', ['wipe the outer ear, 42']],
    ['german-shepherd', 'only look', []],
  ] as const)('%s, by the school “%s”', (breed, school, wiped) => {
    const asked = earsOf(breed, school);
    expect(asked.filter((each) => each.startsWith('wipe'))).toEqual(wiped);
    // Looking stays, whatever the school.
    expect(asked.some((each) => each.startsWith('look into the ears'))).toBe(true);
  });
});
