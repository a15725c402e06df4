import { BREEDS } from '../catalogue';
import { TOES } from '../places';
import { describe, expect, test } from 'vitest';
import { PAW, PLAN_HALF, profile } from './bodyShape';

/** One breed of each ear, muzzle and coat that is drawn. */
const SHAPES = new Map(
  BREEDS.map(({ traits, ...breed }) => [`${traits.ears} ${traits.muzzle} ${traits.coat}`, { ...breed, traits }]),
);
const numbers = (d: string) => (d.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);

describe.each([...SHAPES.values()])('the body of a $name', ({ traits }) => {
  test('is drawn within its frame, and its places lie within it, too', () => {
    const shape = profile(traits);
    for (const d of [shape.outline, shape.ear, shape.tail, shape.farLegs]) {
      expect(d).not.toContain('NaN');
      for (const each of numbers(d)) expect(each).toBeLessThanOrEqual(320);
    }
    for (const { x, y } of [...Object.values(shape.spots), shape.eye, shape.nose]) {
      expect(x).toBeGreaterThan(0);
      expect(x).toBeLessThan(320);
      expect(y).toBeGreaterThan(-10);
      expect(y).toBeLessThan(222);
    }
  });
});

test('a short coat has no fringe, a long one has', () => {
  const whippet = BREEDS.find(({ id }) => id === 'whippet')?.traits;
  if (!whippet) throw new Error('no whippet');
  expect(profile(whippet).coat).toBe('');
  expect(profile({ ...whippet, coat: 'silky drop', coatLength: 'full' }).coat).not.toBe('');
});

test('a paw has five nails from the inside out, the dewclaw lowest, each apart enough for a finger', () => {
  expect(PAW.nails).toHaveLength(TOES.length);
  const xs = PAW.nails.map(({ x }) => x);
  expect(xs).toEqual(xs.toSorted((a, b) => a - b));
  expect(Math.max(...PAW.nails.map(({ y }) => y))).toBe(PAW.nails[0].y);
  for (const [i, x] of xs.entries()) if (i > 0) expect(x - (xs[i - 1] ?? 0)).toBeGreaterThanOrEqual(29);
});

test('from above and below the dog is one half and its mirror image', () => {
  for (const half of [PLAN_HALF.body, PLAN_HALF.ear, ...PLAN_HALF.legs])
    for (const [i, each] of numbers(half).entries()) if (i % 2 === 0) expect(each).toBeGreaterThanOrEqual(0);
});
