import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { TODAY, aDog, anyDog, instruct } from '../careplan/tests/randomDogs';
import { addDays } from '../units';
import { ENGLISH, homeTaskTold } from '../wording';
import { asTicked, comeSooner, habitsAt, homeTasks, isSeldom, type Habit } from '.';

const { lines } = makePlan(aDog({}, 'shih-tzu'));
const MONTH_AGO = addDays(TODAY, -28);
/** Ticked on the last `days` days before today, every `every`-th. */
const ticks = (key: string, days: number, every = 1) =>
  Array.from({ length: days }, (_, i) => ({ key, day: addDays(TODAY, -i * every), times: 1 }));
const habit = (task: Habit['task'], due: number, done: number): Habit => ({ task, due, done, on: TODAY });
const askedOf = (task: Habit['task'], habits: readonly Habit[]) =>
  asTicked(lines, habits).find((line) => line.task === task)?.home;
const usual = askedOf('brush-out', [])?.everyDays ?? 0;

describe('what ticks say of a habit', () => {
  test('each task by the days it was due and was ticked, whatever places its key names', () => {
    const given = [...ticks('brush-out', 28), ...ticks('eyes and face eye/left', 7, 4), ...ticks('nonsense', 3)];
    const found = habitsAt(TODAY, MONTH_AGO, lines, given);
    expect(found).toContainEqual(habit('brush-out', 28, 28));
    expect(found).toContainEqual(habit('eyes and face', 28, 7));
    // Due four times in four weeks is enough to say that it was not done; less often says nothing.
    expect(found.filter(({ due }) => due < 4)).toEqual([]);
  });

  test.each([
    ['an owner who ticks nothing', MONTH_AGO, []],
    ['who tried it four times', MONTH_AGO, ticks('brush-out', 4)],
    ['ten days between two visits', addDays(TODAY, -10), ticks('brush-out', 10)],
    [
      'ticks from before the visit before',
      MONTH_AGO,
      ticks('brush-out', 20).map((each) => ({ ...each, day: addDays(each.day, -29) })),
    ],
  ])('nothing is known of %s', (_, before, given) => {
    expect(habitsAt(TODAY, before, lines, given)).toEqual([]);
  });

  test('of a dog that came for the first time, or after half a year, the last four weeks count', () => {
    for (const before of [null, addDays(TODAY, -180)])
      expect(habitsAt(TODAY, before, lines, ticks('brush-out', 60))).toContainEqual(habit('brush-out', 28, 28));
  });
});

describe('home care by what ticks say', () => {
  test('what a vet asked for is not asked less often, however seldom it is ticked; days count, not times', () => {
    const vets = instruct({ kind: 'at home', task: 'eyes and face', timesADay: 3 });
    const asked = makePlan(aDog({ instructions: [vets] }, 'shih-tzu')).lines;
    const given = ticks('eyes and face eye/left eye/right', 7).map((each) => ({ ...each, times: 3 }));
    const habits = habitsAt(TODAY, MONTH_AGO, asked, given);
    expect(habits).toContainEqual(habit('eyes and face', 28, 7));
    expect(asTicked(asked, habits).find(({ task }) => task === 'eyes and face')?.home?.everyDays).toBe(1 / 3);
  });

  test.each([
    ['done most days: asked as before', 20, usual, null],
    ['every second day: asked so', 14, 2, 'We ask for it as often as you do it.'],
    ['a third: every third day', 9, 3, 'We ask for it as often as you do it.'],
    // Asked weekly since the visit before, and done each time: no count is held against them.
    ['once a week', 4, 7, 'We ask for it as often as you do it. We keep the coat shorter.'],
    [
      'hardly ever: once a week, and what follows',
      1,
      7,
      'Before the last visit you ticked it on 1 of 28 days. So we ask for it less often now. We keep the coat shorter.',
    ],
    [
      'never: once a week still, for a tick tells only what was ticked',
      0,
      7,
      'Before the last visit you ticked it on 0 of 28 days. So we ask for it less often now. We keep the coat shorter.',
    ],
  ])('%s', (_, done, everyDays, less) => {
    expect(usual).toBe(1);
    const asked = asTicked(lines, [habit('brush-out', 28, done)]);
    const told = homeTasks(asked.map((line) => ({ line })))
      .map((task) => homeTaskTold(ENGLISH, task))
      .find(({ task }) => task === 'brush-out');
    expect(told).toMatchObject({ everyDays, less });
  });

  test('seldom done, the salon comes sooner, inside the bounds of the plan; a vet’s own interval stays', () => {
    const brush = lines.find(({ task }) => task === 'brush-out');
    const sooner = comeSooner(lines, new Set(['brush-out'])).find(({ task }) => task === 'brush-out');
    const expected = Math.max(brush?.interval?.least ?? 0, (brush?.interval?.usual ?? 0) - 14);
    expect(sooner?.interval?.usual).toBe(expected);
    expect(sooner?.sooner).toBe((brush?.interval?.usual ?? 0) - expected);
    const fixed = lines.map((line) => ({ ...line, fixedByVet: true }));
    expect(comeSooner(fixed, new Set(['brush-out']))).toEqual(fixed);
  });

  test('whatever the dog and the ticks: never oftener than the plan, never rarer than weekly by it, nothing left out, no interval out of its bounds', () => {
    const share = fc.record({ due: fc.integer({ min: 4, max: 28 }), part: fc.double({ min: 0, max: 1, noNaN: true }) });
    fc.assert(
      fc.property(anyDog, share, (dog, { due, part }) => {
        const plan = makePlan(dog).lines;
        const habits = [...new Set(plan.map(({ task }) => task))].map((task) =>
          habit(task, due, Math.round(due * part)),
        );
        const asked = asTicked(plan, habits);
        expect(asked.map(({ home }) => home === null)).toEqual(plan.map(({ home }) => home === null));
        for (const [i, { home }] of asked.entries()) {
          const before = plan[i]?.home?.everyDays;
          if (!home || before === undefined) continue;
          expect(home.everyDays).toBeGreaterThanOrEqual(before);
          expect(home.everyDays).toBeLessThanOrEqual(Math.max(before, 7));
        }
        for (const { interval } of comeSooner(plan, new Set(habits.filter(isSeldom).map(({ task }) => task)))) {
          if (interval === null) continue;
          expect(interval.usual).toBeGreaterThanOrEqual(interval.least);
          expect(interval.usual).toBeLessThanOrEqual(interval.most);
        }
      }),
    );
  });
});
