import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { addDays, day, daysBetween } from '../units';
import { SALON, USUAL_WEEK, dayWithRoom, weekdayOf } from '.';

/** A Monday. */
const FIRST = day('2026-11-30');
const ANA = { id: 'ana', skills: [], week: USUAL_WEEK };
const time = (more: Partial<Parameters<typeof dayWithRoom>[0]> = {}) => ({
  ...{ first: FIRST, days: 60, people: [ANA], away: [], booked: [] },
  ...more,
});
const full = (on: string) => ({
  ...{ id: on, dog: 'x', person: 'ana', day: day(on), from: 0, to: 24 * 60, choice: null, mayMove: false },
});

describe('the day nearest to the one that is wanted', () => {
  test.each([
    ['that day itself, where somebody has time', '2026-12-16', {}, '2026-12-16'],
    ['Friday for Saturday', '2026-12-19', {}, '2026-12-18'],
    ['Monday for Sunday', '2026-12-20', {}, '2026-12-21'],
    ['the day before one that is full', '2026-12-16', { booked: [full('2026-12-16')] }, '2026-12-15'],
    [
      'a day on which not everybody is away',
      '2026-12-16',
      { away: [{ person: null, from: day('2026-12-14'), to: day('2026-12-16') }] },
      '2026-12-17',
    ],
  ])('%s', (_, wanted, more, expected) => {
    expect(dayWithRoom(time(more), day(wanted), 120)).toBe(expected);
  });

  test('none, where the salon is closed for weeks, or nobody has so long', () => {
    const away = [{ person: null, from: FIRST, to: day('2027-01-31') }];
    expect(dayWithRoom(time({ away }), day('2026-12-16'), 60)).toBeNull();
    expect(dayWithRoom(time(), day('2026-12-16'), 23 * 60)).toBeNull();
  });

  test('is never farther than one with room', () => {
    const offsets = fc.uniqueArray(fc.integer({ min: 10, max: 40 }), { maxLength: 12 });
    fc.assert(
      fc.property(offsets, fc.integer({ min: 10, max: 40 }), (busy, at) => {
        const wanted = addDays(FIRST, at);
        const booked = busy.map((each) => full(addDays(FIRST, each)));
        const found = dayWithRoom(time({ booked }), wanted, 60);
        for (let by = 0; by <= 7; by++)
          for (const each of [addDays(wanted, -by), addDays(wanted, by)]) {
            const spans = (USUAL_WEEK[weekdayOf(each)] ?? []).filter(({ where }) => where === SALON);
            const hasRoom = spans.length > 0 && !booked.some((other) => other.day === each);
            if (hasRoom) expect(Math.abs(daysBetween(wanted, found ?? FIRST))).toBeLessThanOrEqual(by);
          }
      }),
    );
  });
});
