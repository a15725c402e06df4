import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { TODAY, aDog, instruct } from '../careplan/tests/randomDogs';
import type { PlaceRecord, SparedLook } from '../rhythm';
import { taskKey } from '../tasks';
import { addDays, daysBetween } from '../units';
import { planDue, type DueLine } from '.';
import { afterLook, dueWindow } from './dueWindow';

const ago = (days: number) => addDays(TODAY, -days);
const record = (lastCare: number | null, spared: Partial<SparedLook> | null = null): PlaceRecord => ({
  observations: [],
  lastCare: lastCare === null ? null : ago(lastCare),
  spared: spared && { day: TODAY, t: lastCare ?? 0, grade: 0, ...spared },
  suspended: false,
});

const lineOf = (task: string, known: PlaceRecord, dog = aDog()): DueLine => {
  const places = { 'ear/left': known };
  const tasks = { [task]: known };
  const due = planDue(makePlan(dog), { places, tasks, homeCareChangedOn: null, schoolChangedOn: null }, TODAY);
  const line = due.find((each) => taskKey(each.line) === task);
  if (!line) throw new Error(`No line for ${task}.`);
  return line;
};
/** Days from today until care is due at its best. */
const dueIn = (task: string, known: PlaceRecord, dog = aDog()): number | null => {
  const { window } = lineOf(task, known, dog);
  return window && daysBetween(TODAY, window.ideal);
};

describe('looked at, nothing needed: the next due day', () => {
  test('late nails that needed nothing are not late tomorrow', () => {
    expect(lineOf('nails', record(40))).toMatchObject({ state: 'late' });
    expect(lineOf('nails', record(40, {}))).toMatchObject({ state: 'may', lastCare: ago(40) });
  });

  test.each([
    ['clean after the whole interval: a fifth of it', 'nails', record(28, {}), 5],
    ['slight: a tenth', 'nails', record(28, { grade: 1 }), 2],
    ['plain, and left all the same: no day is won', 'nails', record(28, { grade: 2 }), 0],
    ['a look on the seventh day buys one, and the care bought more', 'nails', record(7, {}), 21],
    ['long after: never more than a fifth of the interval', 'nails', record(90, {}), 5],
    ['looked at two days ago', 'nails', record(30, { day: ago(2), t: 28 }), 3],
    ['never cared for: counted from the look', 'nails', record(null, {}), 28],
    ['an ear, with the clock of its place', 'ear cleaning@ear/left', record(28, {}), 5],
  ])('%s', (_, task, known, days) => {
    expect(dueIn(task, known)).toBe(days);
  });

  test('what a vet fixed is due when the vet said', () => {
    const dog = aDog({ instructions: [instruct({ kind: 'interval', task: 'nails', days: 14 })] });
    expect(dueIn('nails', record(14, {}), dog)).toBe(0);
  });

  test('a look never brings care nearer, never buys more than a fifth of the interval, and keeps the window’s width', () => {
    const plan = { least: 14, usual: 28, most: 56 };
    fc.assert(
      fc.property(
        fc.integer({ min: 14, max: 56 }),
        fc.integer({ min: 1, max: 120 }),
        fc.constantFrom(0, 1, 2, 3),
        (ideal, t, grade) => {
          const care = ago(t);
          const before = dueWindow(care, ideal, plan, TODAY);
          const after = afterLook(before, { day: TODAY, t, grade }, ideal, plan);
          const width = (window: typeof before) => daysBetween(window.earliest, window.latest);
          expect(after.ideal >= before.ideal).toBe(true);
          expect(width(after)).toBe(width(before));
          expect(daysBetween(TODAY, after.ideal)).toBeLessThanOrEqual(Math.max(ideal / 5, ideal - t));
        },
      ),
    );
  });
});
