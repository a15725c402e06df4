import { describe, expect, test } from 'vitest';
import { BREEDS, composeTraits, earOdds, findBreed, foldSites, nameBreeds } from '.';

describe('breeds', () => {
  test('ids are unique and weight ranges ordered', () => {
    expect(new Set(BREEDS.map((breed) => breed.id)).size).toBe(BREEDS.length);
    for (const { weightKg } of BREEDS) expect(weightKg[0]).toBeLessThan(weightKg[1]);
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
  });

  test('published odds of the worse parent count; none published is null', () => {
    const odds = (ids: string[]) => earOdds(composeTraits(ids, {}).breeds);
    expect(odds(['basset', 'pug'])).toBe(5.87);
    expect(odds(['pug'])).toBeNull();
  });
});
