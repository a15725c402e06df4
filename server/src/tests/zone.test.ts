import { day } from '@dewpond/core/units';
import { describe, expect, test } from 'vitest';
import { atMinute, dayIn, instantIn, minuteIn, spanOf } from '../platform/time/zone';

/** Offsets by the IANA time zone database, as of 2026: Auckland is 13 hours ahead in summer, Honolulu 10 behind. */
describe('the wall clock of a business, wherever the machine stands', () => {
  test.each([
    ['Europe/London', '2027-04-29', '10:00', '2027-04-29T09:00:00.000Z'],
    ['Europe/London', '2026-12-01', '10:00', '2026-12-01T10:00:00.000Z'],
    ['Pacific/Auckland', '2026-11-25', '09:00', '2026-11-24T20:00:00.000Z'],
    ['Pacific/Honolulu', '2026-11-25', '16:00', '2026-11-26T02:00:00.000Z'],
    ['America/Denver', '2028-02-29', '08:30', '2028-02-29T15:30:00.000Z'],
  ])('%s, %s at %s', (zone, on, time, instant) => {
    const at = instantIn(zone, day(on), time);
    expect(at.toISOString()).toBe(instant);
    expect(dayIn(zone, at)).toBe(on);
    expect(atMinute(zone, day(on), minuteIn(zone, at))).toEqual(at);
  });

  test.each([
    ['Pacific/Auckland', '2026-11-25', '2026-11-24T11:00:00.000Z', '2026-11-25T11:00:00.000Z'],
    ['Pacific/Honolulu', '2026-11-25', '2026-11-25T10:00:00.000Z', '2026-11-26T10:00:00.000Z'],
    ['Europe/London', '2026-10-25', '2026-10-24T23:00:00.000Z', '2026-10-26T00:00:00.000Z'],
  ])('a day in %s', (zone, on, start, end) => {
    const span = spanOf(zone, day(on));
    expect([span.start.toISOString(), span.end.toISOString()]).toEqual([start, end]);
  });
});
