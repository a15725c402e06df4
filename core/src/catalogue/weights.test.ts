import { expect, test } from 'vitest';
import { findBreed, usualWeight } from '.';
import { KG_PER_POUND } from '../units';

/**
 * Weights in pounds, both sexes, by the American Kennel Club's breed standards or, where a standard names none, its
 * published breed weight chart. Published; values from memory.
 */
const STANDARD_POUNDS: readonly (readonly [id: string, least: number, most: number])[] = [
  ['affenpinscher', 7, 10],
  ['airedale', 50, 70],
  ['akita', 70, 130],
  ['malamute', 75, 85],
  ['aussie', 40, 65],
  ['basenji', 22, 24],
  ['basset', 40, 65],
  ['beagle', 20, 30],
  ['bernese', 70, 115],
  ['bichon', 12, 18],
  ['bloodhound', 80, 110],
  ['border-collie', 30, 55],
  ['border-terrier', 11.5, 15.5],
  ['boston', 12, 25],
  ['boxer', 50, 80],
  ['brittany', 30, 40],
  ['english-bulldog', 40, 50],
  ['bullmastiff', 100, 130],
  ['cairn', 13, 14],
  ['cavalier', 13, 18],
  ['chesapeake', 55, 80],
  ['chihuahua', 3, 6],
  ['clumber', 55, 85],
  ['american-cocker', 20, 30],
  ['cocker', 26, 34],
  ['dalmatian', 45, 70],
  ['dobermann', 60, 100],
  ['english-setter', 45, 80],
  ['springer', 40, 50],
  ['french-bulldog', 18, 28],
  ['gsp', 45, 70],
  ['german-shepherd', 50, 90],
  ['golden', 55, 75],
  ['great-dane', 110, 175],
  ['greyhound', 60, 70],
  ['havanese', 7, 13],
  ['irish-setter', 60, 70],
  ['italian-greyhound', 7, 14],
  ['keeshond', 35, 45],
  ['labrador', 55, 80],
  ['lhasa', 12, 18],
  ['maltese', 4, 7],
  ['miniature-schnauzer', 11, 20],
  ['newfoundland', 100, 150],
  ['norfolk', 11, 12],
  ['papillon', 5, 10],
  ['pekingese', 7, 14],
  ['pembroke', 22, 30],
  ['pomeranian', 3, 7],
  ['poodle-miniature', 10, 15],
  ['poodle-toy', 4, 6],
  ['poodle-standard', 40, 70],
  ['pug', 14, 18],
  ['rhodesian-ridgeback', 70, 85],
  ['rottweiler', 80, 135],
  ['samoyed', 35, 65],
  ['shiba', 17, 23],
  ['shih-tzu', 9, 16],
  ['husky', 35, 60],
  ['staffie', 24, 38],
  ['vizsla', 44, 60],
  ['weimaraner', 55, 90],
  ['westie', 15, 20],
  ['whippet', 25, 40],
  ['yorkie', 4, 7],
];

test.each(STANDARD_POUNDS)(
  '%s: the standard’s %s–%s lb lie within our range, give or take 15 %%',
  (id, least, most) => {
    const ours = findBreed(id)?.weightKg ?? [Number.NaN, Number.NaN];
    const [low, high] = [least * KG_PER_POUND, most * KG_PER_POUND];
    expect(low).toBeGreaterThanOrEqual(ours[0] * 0.85);
    expect(high).toBeLessThanOrEqual(ours[1] * 1.15);
    const middle = (low + high) / 2;
    expect(middle).toBeGreaterThanOrEqual(ours[0]);
    expect(middle).toBeLessThanOrEqual(ours[1]);
  },
);

test('a cross is expected between its parents, nearer the one it has more of', () => {
  expect(usualWeight(['pug'])).toEqual([6, 9]);
  expect(usualWeight(['pug', 'beagle'])).toEqual([7.5, 12.5]);
  expect(usualWeight(['pug', 'pug', 'pug', 'beagle'])).toEqual([6.75, 10.75]);
  expect(usualWeight(['no such breed'])).toBeNull();
});
