import { expect, test } from 'vitest';
import { isOnEarth, readCoordinates, showCoordinates } from '.';

test.each([
  ['50.3402, -4.1099', true],
  ['50.3402 −4.1099', true],
  ['50.3402;-4.1099', true],
  ['95, 0', false],
  ['0, 181', false],
  ['50', false],
  ['50, 4, 3', false],
  ['the quay', false],
  ['', false],
])('%j is a place: %j', (text, is) => {
  expect(isOnEarth(readCoordinates(text))).toBe(is);
});

test('what is shown reads as it was', () => {
  const quay = { latitude: 50.3402, longitude: -4.1099 };
  expect(readCoordinates(showCoordinates(quay))).toEqual(quay);
});
