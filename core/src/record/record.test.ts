import { expect, test } from 'vitest';
import { day } from '../units';
import { inOrderOfRecord, picturesAt, placesOnRecord, recordAt, type RecordEntry } from '.';

let serial = 0;
const entry = (on: string, more: Partial<RecordEntry>): RecordEntry => ({
  id: String((serial += 1)),
  day: day(on),
  kind: 'found',
  place: null,
  words: '',
  grade: null,
  visitId: null,
  picture: null,
  ...more,
});
const visit = entry('2026-10-02', { kind: 'visit' });
const ear = entry('2026-10-02', { place: 'ear/left', grade: 2 });
const nail = entry('2026-10-02', { place: 'nail front 3/left', grade: 1 });
const clear = entry('2026-11-25', { kind: 'clear', place: 'ear/left', grade: 0 });
const early = entry('2026-08-01', {
  kind: 'photo',
  place: 'ear/left',
  picture: { id: 'a', takenBy: 'salon', grade: null, colour: null },
});
const late = entry('2026-10-02', {
  kind: 'photo',
  place: 'ear/left',
  picture: { id: 'b', takenBy: 'salon', grade: null, colour: null },
});
const weight = entry('2026-11-25', { kind: 'weight' });
const all = [late, ear, early, clear, nail, weight, visit];

test('newest day first, and the visit before what was found at it', () => {
  const ids = (entries: readonly RecordEntry[]) => entries.map(({ id }) => id);
  expect(ids(inOrderOfRecord(all))).toEqual(ids([clear, weight, visit, ear, nail, late, early]));
});

test('a place shows all that is its own, what was clear too; a nail is found at its paw', () => {
  expect(recordAt(all, 'ear/left')).toEqual([late, ear, early, clear]);
  expect(recordAt(all, 'paw front/left')).toEqual([nail]);
  expect(recordAt(all, 'ear/right')).toEqual([]);
  expect(recordAt(all, null)).not.toContain(clear);
  expect(placesOnRecord(all)).toEqual(['ear/left', 'paw front/left']);
});

test('pictures of a place stand side by side from old to new', () => {
  expect(picturesAt(all, 'ear/left').map(({ picture }) => picture.id)).toEqual(['a', 'b']);
  expect(picturesAt(all, 'paw front/left')).toEqual([]);
});
