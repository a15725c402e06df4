import { SHIPPED, findBreed, type Breed } from '@dewpond/core/catalogue';
import { ownBreed as schema } from '@dewpond/contract';
import { describe, expect, test } from 'vitest';
import { differences, newBreed, ownId } from './ownBreed';

const pug = findBreed('pug') as Breed;

describe('a breed of the business', () => {
  test.each([
    ['Quay dog', 'own-quay-dog'],
    ['Größer Hund!', 'own-grosser-hund'],
    ['  Tansy’s  ', 'own-tansy-s'],
  ])('named "%s" is known as %s', (name, id) => {
    expect(ownId(name)).toBe(id);
  });

  test('any name makes an address the server takes', () => {
    for (const { name } of SHIPPED.breeds) {
      const { parents: _, earOdds: __, ...breed } = { ...newBreed(SHIPPED), id: ownId(name), name, why: '' };
      expect(
        schema.safeParse({ ...breed, alsoCalled: [...breed.alsoCalled], handling: [...breed.handling] }).success,
      ).toBe(true);
    }
  });

  test('as it ships has no differences; each one that is made is named with what ships', () => {
    expect(differences(pug, pug)).toEqual([]);
    const own: Breed = {
      ...pug,
      weightKg: [5, 9],
      handling: [],
      traits: { ...pug.traits, muzzle: 'short', folds: {} },
    };
    expect(differences(own, pug).map(({ name, own: mine }) => [name, mine])).toEqual([
      ['Weight', '5–9 kg'],
      ['Muzzle', 'short'],
      ['Folds', 'none'],
      ['To mind', 'nothing'],
    ]);
  });
});
