import { describe, expect, test } from 'vitest';
import { aDog } from '../careplan/tests/randomDogs';
import type { DogFacts, HairBorne } from '../dog';
import { finding, type Sign } from '../findings';
import type { Place } from '../places';
import { HOUSE_QUESTIONS } from '../ways';
import { waysFromRecord, type VisitOfRecord } from '.';

const RIGHT_EYE: Place = { site: 'eye', side: 'right' };
const LEFT_EAR: Place = { site: 'ear', side: 'left' };
const NOSE: Place = { site: 'fold nose', side: 'none' };
const TAIL: Place = { site: 'fold tail', side: 'none' };
const ways = (more: Partial<DogFacts['ways']> = {}) => ({ ways: { ...aDog().ways, ...more } });

const visit = (
  place: Place,
  {
    sign,
    cared = true,
    looked = true,
    dirtyPads = null,
    hairBorne = null,
  }: {
    sign?: Sign;
    cared?: boolean;
    looked?: boolean;
    dirtyPads?: number | null;
    hairBorne?: HairBorne | null;
  },
): VisitOfRecord => ({
  findings: sign ? [finding(place, sign, 1)] : [],
  places: [{ place, cared, looked, dirtyPads, hairBorne }],
});
const times = (count: number, each: VisitOfRecord) => Array.from({ length: count }, () => each);
const proposed = (facts: DogFacts, visits: readonly VisitOfRecord[]) =>
  waysFromRecord({ facts, visits }).map(({ question, school, because }) => [question, school, because]);

describe('an eye corner', () => {
  const dog = aDog(ways(), 'shih-tzu');
  const wet = visit(RIGHT_EYE, { sign: 'eye wet' });

  test('that is wet at every visit though cleaned is proposed to be clipped, with its side', () => {
    expect(proposed(dog, times(3, wet))).toEqual([
      ['eyeCorner', 'clip', 'the corner of the right eye is wet at every visit, though cleaned'],
    ]);
  });
  test.each<[string, readonly VisitOfRecord[]]>([
    ['only twice', times(2, wet)],
    ['clear once between', [wet, visit(RIGHT_EYE, {}), wet, wet]],
    ['never cleaned: it says nothing of cleaning', times(3, visit(RIGHT_EYE, { sign: 'eye wet', cared: false }))],
    ['at two eyes by turns', [wet, visit({ site: 'eye', side: 'left' }, { sign: 'eye wet' }), wet]],
    ['a stain each time, and never wet', times(3, visit(RIGHT_EYE, { sign: 'eye stain' }))],
    ['nothing on record', []],
  ])('%s: nothing is proposed', (_, visits) => {
    expect(proposed(dog, visits)).toEqual([]);
  });
  test('red skin there is a matter of the vet’s, not of ways', () => {
    const red = { ...wet, findings: [...wet.findings, finding(RIGHT_EYE, 'eye skin redness', 1)] };
    expect(proposed(dog, [wet, red, wet])).toEqual([]);
  });
  test('a visit at which nobody looked there does not count, for or against', () => {
    const unseen = visit(RIGHT_EYE, { looked: false, cared: false });
    expect(proposed(dog, [wet, unseen, wet, unseen, wet])).toHaveLength(1);
  });
  test('where it is clipped already, by the house or for this dog, nothing is proposed', () => {
    expect(proposed(aDog(ways({ eyeCorner: 'clip' }), 'shih-tzu'), times(3, wet))).toEqual([]);
  });
});

test('a damp fold: powder; balm where the dog has any fold beside eye or nostril, for a way is one for all its folds', () => {
  const dog = aDog(ways(), 'english-bulldog');
  const folded = (folds: DogFacts['traits']['folds']): DogFacts => ({ ...dog, traits: { ...dog.traits, folds } });
  const damp = (place: Place) => times(3, visit(place, { sign: 'fold moisture' }));
  expect(proposed(folded({ nose: 'deep', tail: 'deep' }), damp(NOSE))).toEqual([
    ['foldProtect', 'balm', 'the nose fold is damp at every visit, though dried'],
  ]);
  expect(proposed(folded({ nose: 'deep', tail: 'deep' }), damp(TAIL))[0]?.[1]).toBe('balm');
  expect(proposed(folded({ tail: 'deep' }), damp(TAIL))[0]?.[1]).toBe('powder');
});

test.each<[number, number, boolean]>([
  [3, 4, true],
  [3, 3, false],
  [2, 6, false],
])('%i visits of %i dirty pads: a second round after the bath is proposed: %s', (count, dirtyPads, isProposed) => {
  const proposals = proposed(aDog(ways(), 'lagotto'), times(count, visit(LEFT_EAR, { dirtyPads })));
  expect(proposals.some(([question]) => question === 'earsWhen')).toBe(isProposed);
});

test('much from an ear with more than wax is for no second round', () => {
  const many = visit(LEFT_EAR, { dirtyPads: 5, sign: 'ear musty smell' });
  expect(proposed(aDog(ways(), 'lagotto'), times(3, many))).toEqual([]);
});

test('it broke off twice while hair was taken out: scissors on what sticks out; minding it is no breaking off', () => {
  const dog = aDog(ways({ earHair: 'staged' }), 'lagotto');
  const borne = (...how: HairBorne[]) => how.map((hairBorne) => visit(LEFT_EAR, { hairBorne }));
  expect(proposed(dog, borne('broke off', 'broke off')).map(([, school]) => school)).toEqual(['trim']);
  expect(proposed(dog, borne('broke off', 'minded'))).toEqual([]);
  expect(proposed(dog, borne('broke off', 'broke off', 'calm'))).toEqual([]);
});

test('a nail that bled, a dog that minds a wet head, mats twice: each where the house does it otherwise', () => {
  const mats = times(2, visit({ site: 'back', side: 'none' }, { sign: 'mat' }));
  const dog = aDog(
    {
      ...ways({ nails: 'after the bath', brushOut: 'after the bath' }),
      nailBled: true,
      handling: { ...aDog().handling, minds: ['water on the head'] },
    },
    'lagotto',
  );
  expect(proposed(dog, mats).map(([question, school]) => `${question}: ${school}`)).toEqual([
    'nails: before the bath',
    'head: neck down only',
    'brushOut: before the bath',
  ]);
});

test('every school that is proposed is one of its question, and another than it has', () => {
  const dog = aDog(ways(), 'shih-tzu');
  for (const { question, school } of waysFromRecord({
    facts: dog,
    visits: times(3, visit(RIGHT_EYE, { sign: 'eye wet' })),
  })) {
    expect(HOUSE_QUESTIONS[question].schools.map(({ id }) => id)).toContain(school);
    expect(dog.ways[question]).not.toBe(school);
  }
});
