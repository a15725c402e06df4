import { expect, test } from 'vitest';
import { clock, dayOf, duration } from './times';

test.each([
  ['2026-11-25T00:12:00Z', 'Europe/London', '0:12'],
  ['2026-11-25T09:05:00Z', 'Europe/London', '9:05'],
  ['2026-11-25T10:00:00Z', 'Europe/London', '10:00'],
  ['2026-11-25T23:59:00Z', 'Europe/Madrid', '0:59'],
  ['2026-07-01T08:30:00Z', 'Europe/London', '9:30'],
])('%s in %s is %s', (instant, zone, said) => {
  expect(clock(instant, zone)).toBe(said);
});

test('a day is the zone’s, and minutes are told as hours from sixty on', () => {
  expect(dayOf('2026-11-25T23:59:00Z', 'Europe/Madrid')).toBe('2026-11-26');
  expect([duration(59.4), duration(60), duration(125)]).toEqual(['59 min', '1 h 00', '2 h 05']);
});
