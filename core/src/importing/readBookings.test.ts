import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { day } from '../units';
import { readBookings, writeCsv, type KnownHere } from '.';

const known: KnownHere = {
  dogs: [
    { id: 'teasel', name: 'Teasel', owner: 'Folake Adeyemi' },
    { id: 'wren a', name: 'Wren', owner: 'Amara Nwosu' },
    { id: 'wren b', name: 'Wren', owner: 'Elin Sato' },
  ],
  people: [
    { id: 'ines', name: 'Ines Castellan' },
    { id: 'bilal', name: 'Bilal Siddiq' },
  ],
  today: day('2026-11-25'),
  order: 'day first',
};
const read = (text: string, change: Partial<KnownHere> = {}) => {
  const found = readBookings(text, { ...known, ...change });
  if (found.kind === 'refused') throw new Error(found.words);
  return found;
};
const only = (text: string, change: Partial<KnownHere> = {}) => {
  const { bookings, left } = read(text, change);
  expect(left).toEqual([]);
  expect(bookings).toHaveLength(1);
  return bookings[0]!;
};

describe('bookings of a file', () => {
  test('of our own export, whole', () => {
    const headings = ['Starts', 'Ends', 'Dog', 'Owner', 'With', 'Kind', 'State', 'Note'];
    const row = [
      ...['2026-12-01T09:30:00.000Z', '2026-12-01T11:15:00.000Z', 'Teasel', 'Folake Adeyemi', 'Bilal Siddiq'],
      ...['ears and nails', 'booked', 'by the back door'],
    ];
    const text = writeCsv(headings, [row]);
    expect(only(text)).toEqual({
      row: 2,
      dog: { id: 'teasel', name: 'Teasel' },
      person: 'bilal',
      starts: { instant: '2026-12-01T09:30:00.000Z' },
      minutes: 105,
      kind: 'ears and nails',
      note: 'by the back door',
    });
  });

  test.each([
    ['a day and a time in columns of their own', 'Dog,Day,Time\nTeasel,1/12/2026,9:30', '2026-12-01', 570],
    ['in one column', 'Dog,Starts\nteasel,2026-12-01 09:30', '2026-12-01', 570],
    ['with seconds, as a spreadsheet writes it', 'Dog,Start\nTeasel,2026-12-01T09:30:00', '2026-12-01', 570],
    ['counted to twelve', 'Pet;When\nTeasel;1 Dec 2026, 2:30 pm', '2026-12-01', 870],
    ['without a year: the next such day', 'Dog,Day,Time\nTeasel,3 feb,14', '2027-02-03', 840],
  ])('%s', (_, text, on, minute) => {
    expect(only(text)).toMatchObject({ starts: { day: on, minute }, minutes: 90, kind: 'full visit', person: null });
  });

  test('month first, where the business writes it so', () => {
    const { starts } = only('Dog,Day,Time\nTeasel,12/1/2026,9', { order: 'month first' });
    expect(starts).toEqual({ day: '2026-12-01', minute: 540 });
  });

  test.each([
    ['Ends,11:15', 105],
    ['Ends,2026-12-01 11:15', 105],
    ['Minutes,45', 45],
    ['Duration,60 min', 60],
  ])('how long: %s', (column, minutes) => {
    const [name, value] = column.split(',');
    expect(only(`Dog,Starts,${name}\nTeasel,2026-12-01 09:30,${value}`).minutes).toBe(minutes);
  });

  test('a service by another name is a full visit, and its name stays in the note', () => {
    expect(only('Dog,Starts,Service,Notes\nTeasel,2026-12-01 9:30,Puppy groom,first time')).toMatchObject({
      kind: 'full visit',
      note: 'Puppy groom; first time',
    });
  });

  test.each([
    ['No dog is called Rook.', 'Rook,,2026-12-01 9:30,,,'],
    ['There are 2 dogs called Wren: name the owner.', 'Wren,,2026-12-01 9:30,,,'],
    ['No Wren belongs to Folake.', 'Wren,Folake,2026-12-01 9:30,,,'],
    ['It names no dog.', ',Folake,2026-12-01 9:30,,,'],
    ['Nobody called Marit works here.', 'Teasel,,2026-12-01 9:30,,Marit,'],
    ['“soon” is no day and time.', 'Teasel,,soon,,,'],
    ['“2026-02-30 9:30” is no day and time.', 'Teasel,,2026-02-30 9:30,,,'],
    ['It is over.', 'Teasel,,2026-11-24 9:30,,,'],
    ['It ends before it begins, or takes more than eight hours.', 'Teasel,,2026-12-01 9:30,9:00,,'],
    ['It ends before it begins, or takes more than eight hours.', 'Teasel,,2026-12-01 9:30,2026-12-02 9:30,,'],
    ['It is cancelled.', 'Teasel,,2026-12-01 9:30,,,Cancelled'],
  ])('left, and why: %s', (why, row) => {
    expect(read(`Dog,Owner,Starts,Ends,With,Status\n${row}`)).toMatchObject({ bookings: [], left: [{ row: 2, why }] });
  });

  test('the owner settles which of two dogs of one name', () => {
    expect(only('Dog,Owner,Starts\nWren,sato,2026-12-01 9:30').dog.id).toBe('wren b');
  });

  test.each([
    ['', 'The first row has no headings.'],
    ['Owner,Starts\nFolake,2026-12-01', 'No column says which dog comes: call it “Dog”.'],
    ['Dog,Owner\nTeasel,Folake', 'No column says when: call it “Starts”, or have “Day” and “Time”.'],
  ])('%o is refused: %s', (text, words) => {
    expect(readBookings(text, known)).toEqual({ kind: 'refused', words });
  });

  test('whatever stands in it: every row is a booking or is left with a reason, and none takes a minute too long', () => {
    const cell = fc.oneof(fc.string(), fc.constantFrom('Teasel', 'Wren', '2026-12-01 9:30', '9:30', 'Ines', 'booked'));
    fc.assert(
      fc.property(fc.array(fc.tuple(cell, cell, cell, cell, cell), { minLength: 1, maxLength: 8 }), (rows) => {
        const headings = ['Dog', 'Starts', 'Ends', 'With', 'State'];
        const found = readBookings(writeCsv(headings, rows), known);
        if (found.kind === 'refused') return;
        for (const { minutes } of found.bookings) expect(minutes >= 15 && minutes <= 480).toBe(true);
        for (const { why } of found.left) expect(why).not.toBe('');
        expect(found.bookings.length + found.left.length).toBeLessThanOrEqual(rows.length);
      }),
    );
  });
});
