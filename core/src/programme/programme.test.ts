import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { addDays, day } from '../units';
import { GOALS, WENT, progressOf, type Lesson, type ProgrammeKind, type Went } from '.';

const START = day('2026-11-02');
const lesson = (goal: string, went: Went, week: number): Lesson => ({
  id: `${goal}${week}`,
  goal,
  went,
  on: addDays(START, 7 * week),
  by: 'Ines',
});

describe('short visits with one goal each', () => {
  test('begin with the first goal, on the day the programme begins', () => {
    expect(progressOf('nervous', [], START)).toMatchObject({ next: { id: 'room' }, nextOn: START, reached: 0 });
    expect(progressOf('young', [], START).next?.id).toBe('table');
  });

  test('an easy lesson leads on within a week; an unsure one is held again', () => {
    const easy = progressOf('young', [lesson('table', 'easy', 0)], START);
    expect(easy).toMatchObject({ next: { id: 'touch' }, nextOn: addDays(START, 7), reached: 1 });
    expect(progressOf('young', [lesson('table', 'unsure', 0)], START).next?.id).toBe('table');
  });

  test('after too much, a longer breath, and the goal before it again; then on', () => {
    const lessons = [lesson('table', 'easy', 0), lesson('touch', 'easy', 1), lesson('brush', 'too much', 2)];
    expect(progressOf('young', lessons, START)).toMatchObject({ next: { id: 'touch' }, nextOn: addDays(START, 28) });
    const after = [...lessons, lesson('touch', 'easy', 4)];
    expect(progressOf('young', after, START).next?.id).toBe('brush');
  });

  test('what was reached and is lost again is open again', () => {
    const lessons = [lesson('table', 'easy', 0), lesson('touch', 'easy', 1), lesson('table', 'too much', 2)];
    expect(progressOf('young', lessons, START)).toMatchObject({ next: { id: 'table' }, reached: 1 });
  });

  test('lessons that go easily always reach the end, one each; whatever happens, there is one goal or none', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<ProgrammeKind>('young', 'nervous'),
        fc.array(fc.constantFrom(...WENT)),
        (kind, ways) => {
          const lessons: Lesson[] = [];
          for (const went of [...ways, ...GOALS[kind].map(() => 'easy' as const), ...ways.map(() => 'easy' as const)]) {
            const { next } = progressOf(kind, lessons, START);
            if (next) lessons.push(lesson(next.id, went, lessons.length));
          }
          const ended = progressOf(kind, lessons, START);
          expect(ended.next === null).toBe(ended.reached === GOALS[kind].length);
          if (ways.length === 0) expect(lessons).toHaveLength(GOALS[kind].length);
        },
      ),
    );
  });
});
