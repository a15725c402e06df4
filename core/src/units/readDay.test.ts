import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { addDays, day, readDay, readTime, showDayOfYear, showTime, type DateOrder } from '.';

/** A Wednesday. */
const today = day('2026-11-25');
const read = (typed: string, order: DateOrder = 'day first', near: 'ahead' | 'behind' = 'ahead') =>
  readDay(typed, { today, order, near });

describe('a day as one types it', () => {
  test.each([
    ['2026-12-03', '2026-12-03'],
    ['3 dec', '2026-12-03'],
    ['3rd December 2027', '2027-12-03'],
    ['December 3', '2026-12-03'],
    ['Thu, 3 Dec 2026', '2026-12-03'],
    ['3/12', '2026-12-03'],
    ['03.12.26', '2026-12-03'],
    ['3-12-2026', '2026-12-03'],
    ['12/25', '2026-12-25'],
    ['24 nov', '2027-11-24'],
    ['29 feb', '2028-02-29'],
    ['thu', '2026-11-26'],
    ['Wednesday', '2026-12-02'],
    ['tomorrow', '2026-11-26'],
    ['+14', '2026-12-09'],
    ['5w', '2026-12-30'],
    ['31/6', null],
    ['30 feb', null],
    ['13/13', null],
    ['soon', null],
    ['3', null],
    ['', null],
    ['1 2 3 4', null],
  ])('%j is %s', (typed, is) => expect(read(typed)).toBe(is));

  test('month first where the business writes so; the last such day where one looks back', () => {
    expect(read('12/3', 'month first')).toBe('2026-12-03');
    expect(read('3 dec', 'day first', 'behind')).toBe('2025-12-03');
    expect(read('fri', 'day first', 'behind')).toBe('2026-11-20');
  });

  test('every day reads as what it is shown as, in either order', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 40_000 }), fc.constantFrom('en-GB', 'en-US'), (offset, language) => {
        const on = addDays(day('1990-01-01'), offset);
        const order = language === 'en-US' ? 'month first' : 'day first';
        expect(read(showDayOfYear(on, language), order)).toBe(on);
      }),
    );
  });
});

describe('a time as one types it', () => {
  test.each([
    ['9', 540],
    ['9:30', 570],
    ['930', 570],
    ['9.05', 545],
    ['14:00', 840],
    ['2pm', 840],
    ['12 am', 0],
    ['12:15 pm', 735],
    ['0:05', 5],
    ['24:00', null],
    ['9:60', null],
    ['13 pm', null],
    ['noon', null],
    ['', null],
  ])('%j is %s', (typed, is) => expect(readTime(typed)).toBe(is));

  test('every time reads as what it is shown as', () => {
    for (let minute = 0; minute < 1440; minute++)
      for (const twelve of [true, false]) expect(readTime(showTime(minute, twelve))).toBe(minute);
  });
});
