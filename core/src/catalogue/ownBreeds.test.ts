import { expect, test } from 'vitest';
import { BREEDS, SHIPPED, composeTraits, findBreed, nameBreeds, usualWeight, withOwnBreeds, type Breed } from '.';

const pug = findBreed('pug') as Breed;
const longPug: Breed = {
  ...pug,
  weightKg: [5, 12],
  traits: { ...pug.traits, muzzle: 'short' },
  why: 'ours have more nose',
};
const quayDog: Breed = {
  ...pug,
  id: 'own-quay-dog',
  name: 'Quay dog',
  alsoCalled: [],
  traits: { ...pug.traits, coat: 'wire' },
};

test('without breeds of its own a business has the shipped ones', () => {
  expect(withOwnBreeds([])).toBe(SHIPPED);
  expect(SHIPPED.breeds).toBe(BREEDS);
});

test('an adjusted breed takes the shipped one’s place, which stays to be seen', () => {
  const house = withOwnBreeds([longPug]);
  expect(house.breeds).toHaveLength(BREEDS.length);
  expect(composeTraits(['pug'], {}, house).traits.muzzle).toBe('short');
  expect(usualWeight(['pug'], house)).toEqual([5, 12]);
  expect(house.shippedBehind('pug')).toBe(pug);
  expect(house.shippedBehind('beagle')).toBeUndefined();
  expect(composeTraits(['pug'], {}).traits.muzzle).toBe('flat');
});

test('named crosses of an adjusted breed are composed anew; others stay as they are', () => {
  const curly: Breed = { ...pug, traits: { ...pug.traits, coat: 'curly' } };
  const house = withOwnBreeds([curly]);
  const ofPug = BREEDS.filter((breed) => breed.parents.includes('pug'));
  expect(ofPug.length).toBeGreaterThan(0);
  for (const cross of ofPug) expect(house.find(cross.id)?.traits.coat).toMatch(/curly|corded/);
  expect(house.find('beagle')).toBe(findBreed('beagle'));
});

test('an added breed is found, named, and a parent as any', () => {
  const house = withOwnBreeds([quayDog]);
  expect(house.breeds).toHaveLength(BREEDS.length + 1);
  expect(nameBreeds(['own-quay-dog', 'beagle'], house)).toBe('Quay dog × Beagle');
  expect(composeTraits(['own-quay-dog'], {}, house).traits.coat).toBe('wire');
  expect(nameBreeds(['own-quay-dog'])).toBe('mixed breed');
});
