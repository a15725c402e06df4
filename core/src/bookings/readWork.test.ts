import { expect, test } from 'vitest';
import { USUAL_WEEK, readWork, showWork } from '.';

test.each([
  ['9-12:30, 13:15-17', [540, 750, 795, 1020]],
  ['9am to 5 pm', [540, 1020]],
  ['13:15–17:00; 9:00–12:30', [540, 750, 795, 1020]],
  ['', []],
  ['17-9', null],
  ['9-12, 11-14', null],
  ['9', null],
  ['9-12-15', null],
  ['mornings', null],
])('%j', (typed, minutes) => {
  expect(readWork(typed)?.flatMap(({ from, to }) => [from, to]) ?? null).toEqual(minutes);
});

test.each([true, false])('what is shown reads as it is', (twelve) => {
  for (const day of USUAL_WEEK) expect(readWork(showWork(day, twelve))).toEqual(day);
});

test('where it is, if not at the salon, is read, shown, and not lost', () => {
  const day = [
    { from: 540, to: 750, where: 'salon' },
    { from: 795, to: 1020, where: 'the islets' },
  ];
  expect(readWork('9-12:30, 13:15-5 pm the islets')).toEqual(day);
  for (const twelve of [true, false]) expect(readWork(showWork(day, twelve))).toEqual(day);
});

test('“and” may stand between two pieces of work, and in the name of a place', () => {
  expect(readWork('9-12 and 13-17')?.map(({ from, to }) => [from, to])).toEqual([
    [540, 720],
    [780, 1020],
  ]);
  expect(readWork('9-16 farms and islets')).toEqual([{ from: 540, to: 960, where: 'farms and islets' }]);
});
