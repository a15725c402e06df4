import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { TODAY, aDog, anyDog } from '../careplan/tests/randomDogs';
import type { DogFacts } from '../dog';
import { planDue } from '../due';
import { finding, type Finding, type Level } from '../findings';
import type { Place } from '../places';
import { addDays, type Day } from '../units';
import { anyFinding } from '../visit/tests/randomVisits';
import { ENGLISH, homeTaskTold } from '../wording';
import { homeTasks, stepHome, type Looks, type HomeLook } from '.';

const BULLDOG = aDog({}, 'english-bulldog');
const NOSE_FOLD: Place = { site: 'fold nose', side: 'none' };
const LEFT_EYE: Place = { site: 'eye', side: 'left' };
const dueOf = (dog: DogFacts) =>
  planDue(makePlan(dog), { places: {}, tasks: {}, homeCareChangedOn: null, schoolChangedOn: null }, TODAY);
const look = (day: Day, level: Level, ...findings: Finding[]): HomeLook => ({
  day,
  findings: findings.map((each) => ({ ...each, level })),
});
const looks = (all: readonly HomeLook[], known: Looks['known'] = []): Looks => ({ known, at: () => all, ofBody: all });
const [MARCH, APRIL] = [addDays(TODAY, -60), addDays(TODAY, -30)];
const damp = finding(NOSE_FOLD, 'fold moisture', 1);
const folds = (all: readonly HomeLook[], known: Looks['known'] = []) =>
  homeTasks(stepHome(dueOf(BULLDOG), looks(all, known)))
    .filter(({ task, places }) => task === 'fold care' && places.some(({ site }) => site === 'fold nose'))
    .map((task) => homeTaskTold(ENGLISH, task).often);

describe('home care after a finding', () => {
  test.each([
    ['as the plan says, where nobody looked yet', [], ['every 2 days']],
    ['as the plan says, where all was clear', [look(APRIL, 'none')], ['every 2 days']],
    [
      'oftener since the look that found it, until it is clear',
      [look(APRIL, 'tell', damp)],
      ['every day until it is clear, then every 2 days'],
    ],
    [
      'still so where it was found twice',
      [look(APRIL, 'watch', damp), look(MARCH, 'tell', damp)],
      ['every day until it is clear, then every 2 days'],
    ],
    [
      'as before once it is clear, with the day',
      [look(APRIL, 'none'), look(MARCH, 'tell', damp)],
      ['every 2 days again (it was clear on Mon 26 Oct)'],
    ],
    [
      'oftener as well where a vet is to look at what may be dried until then',
      [look(APRIL, 'vet', damp)],
      ['every day until it is clear, then every 2 days'],
    ],
    [
      'what is left alone until a vet has looked is not wiped oftener, and is not called clear',
      [look(APRIL, 'vet', damp, finding(NOSE_FOLD, 'fold raw', 1)), look(MARCH, 'tell', damp)],
      ['every 2 days'],
    ],
  ] as const)('%s', (_, all, expected) => {
    expect(folds(all)).toEqual(expected);
  });

  test.each([
    ['damp, then dry', [], [damp], 'At the last visit it was drier than on Sat 26 Sept.'],
    [
      'smell gone, as damp as before',
      [damp],
      [damp, finding(NOSE_FOLD, 'fold smell', 3)],
      'At the last visit it was better than on Sat 26 Sept.',
    ],
    ['the same', [damp], [damp], null],
    ['worse', [finding(NOSE_FOLD, 'fold moisture', 3)], [damp], null],
    ['clear both times', [], [], null],
  ] as const)('one word of what it changed: %s', (_, last, before, words) => {
    const stepped = stepHome(dueOf(BULLDOG), looks([look(APRIL, 'tell', ...last), look(MARCH, 'tell', ...before)]));
    const [task] = homeTasks(stepped).filter(
      (each) => each.task === 'fold care' && each.places.some(({ site }) => site === 'fold nose'),
    );
    expect(task && homeTaskTold(ENGLISH, task).changed).toBe(words);
  });

  test('one ear better and the other worse is not called better', () => {
    const both = (left: 1 | 3, right: 1 | 3) => [
      finding({ site: 'ear', side: 'left' }, 'ear damp', left),
      finding({ site: 'ear', side: 'right' }, 'ear damp', right),
    ];
    const stepped = stepHome(
      dueOf(aDog({}, 'pug')),
      looks([look(APRIL, 'tell', ...both(1, 3)), look(MARCH, 'tell', ...both(3, 1))]),
    );
    const ears = homeTasks(stepped).filter(({ task }) => task === 'ear inspection');
    expect(ears.map(({ places, better }) => [places.length, better])).toEqual([[2, null]]);
  });

  test('what a vet knows already changes nothing', () => {
    const known = [{ place: NOSE_FOLD, sign: 'fold moisture', on: MARCH }] as const;
    expect(folds([look(APRIL, 'watch', damp)], known)).toEqual(['every 2 days']);
  });

  test('only the place where it was found: the other eye stays as it was', () => {
    const dog = aDog({}, 'pug');
    const tasks = homeTasks(stepHome(dueOf(dog), looks([look(APRIL, 'tell', finding(LEFT_EYE, 'eye stain', 1))])));
    const eyes = tasks.filter(({ task }) => task === 'eyes and face');
    expect(eyes.map(({ places, everyDays }) => [places.map(({ side }) => side), everyDays])).toEqual([
      [['left'], 1],
      [['right'], 3],
    ]);
  });

  test.each([
    [1, 'every day until it is clear, then every 3 days'],
    [2, 'twice a day until it is clear, then every 3 days'],
    [3, '3 times a day until it is clear, then every 3 days'],
  ] as const)('a face that is wet by grade %i is wiped %s', (grade, often) => {
    const both = (['left', 'right'] as const).map((side) => finding({ site: 'eye', side }, 'eye wet', grade));
    const stepped = homeTasks(stepHome(dueOf(aDog({}, 'pug')), looks([look(APRIL, 'tell', ...both)])));
    const [eyes] = stepped.filter(({ task }) => task === 'eyes and face');
    expect(eyes && homeTaskTold(ENGLISH, eyes).often).toBe(often);
  });

  test('both eyes wet, one more: both are wiped in one round, as often as the worse one wants', () => {
    const wet = [finding(LEFT_EYE, 'eye wet', 2), finding({ site: 'eye', side: 'right' }, 'eye wet', 3)];
    const tasks = homeTasks(stepHome(dueOf(aDog({}, 'pug')), looks([look(APRIL, 'tell', ...wet)])));
    const eyes = tasks.filter(({ task }) => task === 'eyes and face');
    expect(eyes.map(({ places, everyDays }) => [places.length, everyDays])).toEqual([[2, 1 / 3]]);
  });

  test('once one of two places is clear again, both are one thing again', () => {
    const dog = aDog({}, 'pug');
    const left = [look(APRIL, 'none'), look(MARCH, 'tell', finding(LEFT_EYE, 'eye stain', 1))];
    const tasks = homeTasks(stepHome(dueOf(dog), { ...looks(left), at: ({ side }) => (side === 'left' ? left : []) }));
    const eyes = tasks.filter(({ task }) => task === 'eyes and face');
    expect(eyes.map((task) => [task.places.length, homeTaskTold(ENGLISH, task).often])).toEqual([
      [2, 'every 3 days again (it was clear on Mon 26 Oct)'],
    ]);
  });

  test('where one eye is done oftener, each takes its share of the minutes: no minute is asked twice', () => {
    const dog = aDog({}, 'pug');
    const minutes = (due: ReturnType<typeof dueOf>) =>
      homeTasks(due).flatMap((each) => (each.task === 'eyes and face' ? [each.minutes] : []));
    expect(minutes(dueOf(dog))).toEqual([3]);
    const oneEye = stepHome(dueOf(dog), looks([look(APRIL, 'tell', finding(LEFT_EYE, 'eye stain', 1))]));
    expect(minutes(oneEye)).toEqual([2, 2]);
  });

  test('whatever was found, nothing is asked for less often than the plan asks, nor anything new', () => {
    fc.assert(
      fc.property(
        anyDog,
        fc.array(anyFinding, { maxLength: 6 }),
        fc.array(anyFinding, { maxLength: 6 }),
        (dog, a, b) => {
          const due = dueOf(dog);
          const stepped = stepHome(due, looks([look(APRIL, 'tell', ...a), look(MARCH, 'tell', ...b)]));
          for (const [i, { line }] of due.entries()) {
            const home = stepped[i]?.line.home ?? null;
            expect(home === null).toBe(line.home === null);
            expect(home?.everyDays ?? 0).toBeLessThanOrEqual(line.home?.everyDays ?? 0);
            if (home?.stepped) expect(home.stepped.usual).toBe(line.home?.everyDays);
          }
        },
      ),
    );
  });
});
