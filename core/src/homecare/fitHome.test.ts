import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { TODAY, aDog, anyDog, instruct } from '../careplan/tests/randomDogs';
import type { DogFacts } from '../dog';
import { planDue } from '../due';
import { daysApart } from '../units';
import { fitHome, homeTasks, weeklyMinutes, type HomeTask } from '.';

const tasksOf = (dog: DogFacts) =>
  homeTasks(planDue(makePlan(dog), { places: {}, tasks: {}, homeCareChangedOn: null, schoolChangedOn: null }, TODAY));
const bulldog = tasksOf(aDog({}, 'english-bulldog'));
const sum = (tasks: readonly HomeTask[]) => tasks.reduce((all, task) => all + weeklyMinutes(task), 0);
const names = (tasks: readonly HomeTask[]) => tasks.map(({ task }) => task);

describe('home care that fits into the minutes an owner has', () => {
  test('a task of three minutes every two days takes ten and a half a week', () => {
    expect(weeklyMinutes({ minutes: 3, everyDays: 2 })).toBe(10.5);
  });

  test('nothing agreed: all is asked, and what it takes is told', () => {
    const { asked, kept, left } = fitHome(bulldog, null);
    expect([kept, left]).toEqual([bulldog, []]);
    expect(asked).toBe(Math.round(sum(bulldog)));
    expect(asked).toBeGreaterThan(30);
  });

  test('ten minutes: the look into the ears, which costs a minute, before the brush, which costs thirty', () => {
    const { kept, left } = fitHome(tasksOf(aDog({}, 'lagotto')), 10);
    expect(names(kept)).toContain('ear inspection');
    expect(names(left.map(({ task }) => task))).toContain('brush-out');
    expect(left.find(({ task }) => task.task === 'brush-out')?.follows).toBe('shorter coat');
    expect(left.find(({ task }) => task.task === 'teeth')?.follows ?? 'remains').toBe('remains');
  });

  test('what was found just now comes before the same where nothing was found', () => {
    const [fold] = bulldog.filter(({ task }) => task === 'fold care');
    if (!fold) throw new Error('a bulldog has folds');
    const stepped = { ...fold, key: 'found', stepped: { usual: fold.everyDays, since: TODAY } };
    const { kept } = fitHome([fold, stepped], weeklyMinutes(fold));
    expect(kept.map(({ key }) => key)).toEqual(['found']);
  });

  test('what does not fit every day is asked every second or third; less than once a week it is left', () => {
    const [fold] = bulldog.filter(({ task }) => task === 'fold care');
    if (!fold) throw new Error('a bulldog has folds');
    const daily = { ...fold, everyDays: 1, minutes: 3, stepped: { usual: 2, since: TODAY } };
    const often = (minutes: number) =>
      fitHome([daily], minutes).kept.map(({ everyDays, stepped }) => [everyDays, stepped]);
    expect(often(21)).toEqual([[1, daily.stepped]]);
    // As often as usual: it is no step any more.
    expect(often(20)).toEqual([[2, null]]);
    expect(often(7)).toEqual([[3, null]]);
    expect(often(3)).toEqual([[7, null]]);
    expect(often(2)).toEqual([]);
    const thrice = { ...daily, everyDays: 1 / 3 };
    const times = (minutes: number) => fitHome([thrice], minutes).kept.map(({ everyDays }) => everyDays);
    expect([63, 62, 41, 20].map(times)).toEqual([[1 / 3], [1 / 2], [1], [2]]);
  });

  test('what a vet asked for is asked in full, more than was agreed if need be, and the rest has what is left', () => {
    const asked = instruct({ kind: 'at home', task: 'eyes and face', timesADay: 3 });
    const tasks = tasksOf(aDog({ instructions: [asked] }, 'pug'));
    const { kept, left } = fitHome(tasks, 10);
    expect(kept.map(({ task, everyDays }) => [task, everyDays])).toEqual([['eyes and face', 1 / 3]]);
    expect(left).toHaveLength(tasks.length - 1);
  });

  test('whatever the dog and the minutes: nothing is lost, the minutes hold, and no minute that would fit is left', () => {
    fc.assert(
      fc.property(anyDog, fc.integer({ min: 1, max: 300 }), (dog, agreed) => {
        const tasks = tasksOf(dog);
        const { kept, left } = fitHome(tasks, agreed);
        expect([...kept, ...left.map(({ task }) => task)].map(({ key }) => key).toSorted()).toEqual(
          tasks.map(({ key }) => key).toSorted(),
        );
        const vets = tasks.filter(({ byVet }) => byVet);
        expect(kept.filter(({ byVet }) => byVet)).toEqual(vets);
        expect(sum(kept)).toBeLessThanOrEqual(Math.max(agreed, sum(vets)) + 1e-9);
        for (const { task } of left)
          expect(
            sum(kept) +
              weeklyMinutes({ ...task, everyDays: Math.max(task.everyDays, 7 - (7 % daysApart(task.everyDays))) }),
          ).toBeGreaterThan(agreed);
      }),
    );
  });
});
