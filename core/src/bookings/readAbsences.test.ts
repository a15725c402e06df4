import { describe, expect, test } from 'vitest';
import { day } from '../units';
import { readAbsences } from '.';

const TODAY = day('2026-11-25');
const calendar = (...entries: readonly string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Thornmere//EN', ...entries, 'END:VCALENDAR'].join('\r\n');
const entry = (name: string, ...lines: readonly string[]) =>
  ['BEGIN:VEVENT', `UID:${name}`, `SUMMARY:${name}`, ...lines, 'END:VEVENT'].join('\r\n');
const read = (...entries: readonly string[]) => {
  const its = readAbsences(calendar(...entries), TODAY);
  if ('trouble' in its) throw new Error(its.trouble);
  return its;
};
const spans = (...entries: readonly string[]) =>
  read(...entries).found.map(({ from, to, name }) => `${name} ${from} ${to}`);

describe('days away from a calendar file', () => {
  test('the end is the day after (RFC 5545); without one it is a day', () => {
    expect(spans(entry('Boat show', 'DTSTART;VALUE=DATE:20261224', 'DTEND;VALUE=DATE:20261227'))).toEqual([
      'Boat show 2026-12-24 2026-12-26',
    ]);
    expect(spans(entry('Fair', 'DTSTART;VALUE=DATE:20270301'))).toEqual(['Fair 2027-03-01 2027-03-01']);
    expect(spans(entry('Course', 'DTSTART;VALUE=DATE:20270301', 'DURATION:P3D'))).toEqual([
      'Course 2027-03-01 2027-03-03',
    ]);
  });

  test('what comes round each year comes twice in two years, without the days that are taken out', () => {
    const yearly = ['DTSTART;VALUE=DATE:20200101', 'RRULE:FREQ=YEARLY'];
    expect(spans(entry('New Year', ...yearly))).toEqual([
      'New Year 2027-01-01 2027-01-01',
      'New Year 2028-01-01 2028-01-01',
    ]);
    expect(spans(entry('New Year', ...yearly, 'EXDATE;VALUE=DATE:20270101'))).toEqual([
      'New Year 2028-01-01 2028-01-01',
    ]);
  });

  test('a leap day comes when there is one', () => {
    expect(
      spans(entry('Leap day', 'DTSTART;VALUE=DATE:20240229', 'RRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=29')),
    ).toEqual(['Leap day 2028-02-29 2028-02-29']);
  });

  test('what is over, cancelled or beyond two years is not there; what has begun is', () => {
    expect(
      spans(
        entry('Over', 'DTSTART;VALUE=DATE:20261101'),
        entry('Off', 'DTSTART;VALUE=DATE:20261201', 'STATUS:CANCELLED'),
        entry('Far', 'DTSTART;VALUE=DATE:20400101'),
        entry('Now', 'DTSTART;VALUE=DATE:20261120', 'DTEND;VALUE=DATE:20261130'),
      ),
    ).toEqual(['Now 2026-11-20 2026-11-29']);
  });

  test('the same twice is there once, in the order of days', () => {
    const fair = entry('Fair', 'DTSTART;VALUE=DATE:20270301');
    expect(spans(fair, entry('Boat show', 'DTSTART;VALUE=DATE:20261224'), fair)).toEqual([
      'Boat show 2026-12-24 2026-12-24',
      'Fair 2027-03-01 2027-03-01',
    ]);
  });

  test.each([
    ['an hour of the day', ['DTSTART:20261201T090000Z', 'DTEND:20261201T100000Z'], /only whole days/],
    [
      'an end before its beginning',
      ['DTSTART;VALUE=DATE:20261210', 'DTEND;VALUE=DATE:20261201'],
      /ends before it begins/,
    ],
    [
      'a daily entry for a thousand years',
      ['DTSTART;VALUE=DATE:20260101', 'RRULE:FREQ=DAILY;COUNT=365000'],
      /more than 60 times/,
    ],
    ['a daily entry since a thousand years', ['DTSTART;VALUE=DATE:10260101', 'RRULE:FREQ=DAILY'], /more than 60 times/],
  ])('%s is left out and says why, at once', (_, lines, why) => {
    const from = performance.now();
    const { found, left } = read(entry('Wrong', ...lines));
    expect(performance.now() - from).toBeLessThan(2000);
    expect(found).toEqual([]);
    expect(left).toEqual([{ name: 'Wrong', why: expect.stringMatching(why) }]);
  });

  test('a file full of daily entries since a thousand years is read to its bound, not for minutes', () => {
    const daily = Array.from({ length: 1999 }, (_, at) =>
      entry(`Daily ${at}`, 'DTSTART;VALUE=DATE:10260101', 'RRULE:FREQ=DAILY'),
    );
    const from = performance.now();
    const { found, left } = read(...daily, entry('Dike work', 'DTSTART;VALUE=DATE:20261210'));
    expect(performance.now() - from).toBeLessThan(20_000);
    expect(found.map(({ name }) => name)).toEqual(['Dike work']);
    expect(left).toHaveLength(1999);
    expect(left[0]).toEqual({ name: 'Daily 0', why: expect.stringMatching(/more than 60 times/) });
    expect(left[1998]).toEqual({ name: 'Daily 1998', why: expect.stringMatching(/come round/) });
  }, 60_000);

  test('a daily entry that ended long ago closes nothing and is not called too frequent', () => {
    expect(read(entry('Building', 'DTSTART;VALUE=DATE:19990101', 'RRULE:FREQ=DAILY;UNTIL=20201231'))).toEqual({
      found: [],
      left: [],
    });
  });

  test.each([
    ['words', 'hello', /no calendar file/],
    ['a visiting card', 'BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Otter\r\nEND:VCARD', /no calendar file/],
    ['half a file', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT', /./],
    ['an empty calendar', calendar(), /No entries/],
    ['a very long file', 'x'.repeat(2_000_001), /larger than 2 MB/],
  ])('%s is explained', (_, text, trouble) => {
    expect(readAbsences(text, TODAY)).toEqual({ trouble: expect.stringMatching(trouble) });
  });
});
