import { expect, test } from 'vitest';
import { day } from '../units';
import { pairPictures, picturesShown } from '.';

const LEFT = { site: 'eye', side: 'left' } as const;
const RIGHT = { site: 'eye', side: 'right' } as const;
const MARCH = day('2026-03-04');

test('as found beside as found, after beside before, and nothing beside the first of all', () => {
  const taken = [
    { photo: 'found', place: LEFT },
    { photo: 'other eye', place: RIGHT },
    { photo: 'wiped', place: LEFT },
    { photo: 'dried', place: LEFT },
  ];
  const pairs = pairPictures(taken, [
    { photo: 'march', place: 'eye/left', day: MARCH },
    { photo: 'ear', place: 'ear/right', day: MARCH },
  ]);
  expect(pairs.map(({ taken: { photo }, beside }) => [photo, beside])).toEqual([
    ['found', { kind: 'then', photo: 'march', day: MARCH }],
    ['other eye', null],
    ['wiped', { kind: 'before', photo: 'found' }],
    ['dried', { kind: 'before', photo: 'found' }],
  ]);
  expect(pairPictures([], [])).toEqual([]);
});

test('an owner sees what was chosen, and beside it only what was chosen, too', () => {
  const pictures = [
    { id: 'found', beside: { id: 'march' } },
    { id: 'other eye', beside: null },
  ];
  expect(picturesShown(pictures, { photos: [] })).toEqual([]);
  expect(picturesShown(pictures, { photos: ['found'] })).toEqual([{ id: 'found', beside: null }]);
  expect(picturesShown(pictures, { photos: ['found', 'march'] })).toEqual([{ id: 'found', beside: { id: 'march' } }]);
  const work = [...pictures, { id: 'wiped', beside: { id: 'found' } }];
  expect(picturesShown(work, { photos: ['found', 'wiped'] })).toEqual([{ id: 'wiped', beside: { id: 'found' } }]);
  expect(picturesShown(work, { photos: ['found', 'wiped', 'march'] }).map(({ id }) => id)).toEqual(['found', 'wiped']);
  // The one beside it alone shows nothing.
  expect(picturesShown(pictures, { photos: ['march'] })).toEqual([]);
});
