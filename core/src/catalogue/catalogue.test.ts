import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { BREEDS, composeTraits, crossTraits, earOdds, findBreed, foldSites, nameBreeds } from '.';

describe('breeds', () => {
  test('ids and names are unique, other names too, and weight ranges are ordered', () => {
    const names = BREEDS.flatMap((each) => [each.name, ...each.alsoCalled]).map((name) => name.toLowerCase());
    expect(names.filter((name, i) => names.indexOf(name) !== i)).toEqual([]);
    expect(new Set(BREEDS.map((breed) => breed.id)).size).toBe(BREEDS.length);
    for (const { weightKg } of BREEDS) expect(weightKg[0]).toBeLessThan(weightKg[1]);
  });

  test('what comes through a busy door in some years is there', () => {
    expect(BREEDS.filter((each) => each.parents.length === 0).length).toBeGreaterThanOrEqual(150);
    expect(BREEDS.filter((each) => each.parents.length > 0).length).toBeGreaterThanOrEqual(40);
  });

  // Common practice, no source: what every groomer knows of these shapes.
  test('flat faces are said to breathe tightly, and bare and thin coats to chill or tear', () => {
    for (const { name, traits, handling, parents } of BREEDS) {
      if (parents.length > 0) continue;
      if (traits.muzzle === 'flat') expect(handling, name).toContain('tight breathing');
      if (traits.coat === 'hairless') expect(handling, name).toContain('thin skin');
      if (traits.coat === 'wire') expect(traits.shedding, name).not.toBe('heavy');
      if (traits.coat === 'corded' || traits.coat === 'curly') expect(traits.shedding, name).not.toBe('heavy');
      if (traits.coat === 'smooth') expect(traits.coatLength, name).toBe('short');
      if (traits.folds.pocket) expect(['flat', 'short'], name).toContain(traits.muzzle);
    }
  });

  // Published: O'Neill et al. 2022, Scientific Reports 12:10553 (value from memory): the three with the highest odds.
  test.each(['english-bulldog', 'french-bulldog', 'pug'])('%s has a deep nose fold', (id) => {
    expect(findBreed(id)?.traits.folds.nose).toBe('deep');
  });

  // Common practice, no source.
  test.each([
    ['komondor', { coat: 'corded' }],
    ['chinese-crested', { coat: 'hairless' }],
    ['husky', { coat: 'short double', shedding: 'heavy', ears: 'upright', canalHair: 'none' }],
    ['westie', { coat: 'wire', ears: 'upright' }],
    ['bichon', { coat: 'curly', canalHair: 'dense', tearing: 'constant' }],
    ['labrador', { ears: 'hanging', canalHair: 'none', shedding: 'heavy' }],
    ['bloodhound', { ears: 'long hanging' }],
    ['cavalier', { ears: 'long hanging', eyeSet: 'prominent' }],
  ] as const)('%s is %o', (id, traits) => {
    expect(findBreed(id)?.traits).toMatchObject(traits);
  });

  test('a named cross weighs what lies between its lightest and its heaviest parent', () => {
    for (const { name, parents, weightKg } of BREEDS) {
      if (parents.length === 0) continue;
      const of = parents.flatMap((id) => findBreed(id)?.weightKg ?? []);
      expect(weightKg[0], name).toBeGreaterThanOrEqual(Math.min(...of) * 0.95);
      expect(weightKg[1], name).toBeLessThanOrEqual(Math.max(...of) * 1.05);
    }
  });

  // Published: O'Neill et al. 2021, Canine Medicine and Genetics 8:7 (values from memory).
  test.each([
    ['basset', 5.87],
    ['shar-pei', 3.44],
    ['labradoodle', 2.95],
    ['beagle', 2.54],
    ['golden', 2.23],
  ])('%s has published ear odds of %s', (id, odds) => {
    expect(findBreed(id)?.earOdds).toBe(odds);
  });
});

describe('what a dog is like', () => {
  test('a cross takes the more demanding of each trait, and says it is assumed', () => {
    const { traits, basis } = composeTraits(['lagotto', 'pug'], {});
    expect(traits).toMatchObject({
      coat: 'curly',
      canalHair: 'dense',
      ears: 'hanging',
      muzzle: 'flat',
      eyeSet: 'prominent',
    });
    expect(foldSites(traits)).toEqual(['nose', 'pocket', 'tail']);
    expect(basis.coat).toBe('assumed until seen');
  });

  test('of each trait that differs it says whose it is', () => {
    const { from } = composeTraits(['lagotto', 'pug'], { ears: 'hanging' });
    expect(from).toMatchObject({ coat: 'Lagotto Romagnolo', muzzle: 'Pug', shedding: 'Pug', folds: 'Pug' });
    expect(from.ears).toBeUndefined();
    expect(composeTraits(['pug'], {}).from).toEqual({});
  });

  test('a named cross is its parents’', () => {
    const named = composeTraits(['cockapoo'], {});
    expect(named.traits).toEqual(composeTraits(['cocker', 'poodle-miniature'], {}).traits);
    expect(named.basis.coat).toBe('assumed until seen');
    expect(named.from).toMatchObject({ coat: 'Miniature Poodle', ears: 'English Cocker Spaniel' });
  });

  test('for any two to four parents no trait asks less than any parent’s, whatever their shares', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...BREEDS.map(({ id }) => id)), { minLength: 2, maxLength: 4 }), (ids) => {
        const { traits } = composeTraits(ids, {});
        for (const id of ids) {
          const parent = findBreed(id)?.traits;
          if (!parent) throw new Error(id);
          expect(crossTraits([traits, parent])).toEqual(traits);
        }
        expect(composeTraits([...ids, ...ids.slice(0, 1)], {}).traits).toEqual(traits);
      }),
    );
  });

  test('the order of parents does not matter', () => {
    expect(composeTraits(['pug', 'cocker'], {}).traits).toEqual(composeTraits(['cocker', 'pug'], {}).traits);
  });

  test('what was seen wins over the breed', () => {
    const { traits, basis } = composeTraits(['beagle'], { canalHair: 'sparse' });
    expect(traits.canalHair).toBe('sparse');
    expect([basis.canalHair, basis.ears]).toEqual(['seen', 'assumed from the breed']);
  });

  test('a dog of no known breed is described by looks', () => {
    expect(composeTraits(['no such breed'], {}).basis.coat).toBe('assumed until seen');
    expect(nameBreeds([])).toBe('mixed breed');
    expect(nameBreeds(['pug', 'beagle'])).toBe('Pug × Beagle');
    expect(nameBreeds(['beagle', 'pug', 'pug', 'pug'])).toBe('Pug 3/4 × Beagle 1/4');
  });

  test('published odds of the worse parent count; none published is null', () => {
    const odds = (ids: string[]) => earOdds(composeTraits(ids, {}).breeds);
    expect(odds(['basset', 'pug'])).toBe(5.87);
    expect(odds(['pug'])).toBeNull();
  });
});
