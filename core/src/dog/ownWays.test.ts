import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { openBook, plansThatChange } from '../changes';
import { makePlan } from '../careplan';
import { aDog, instruct } from '../careplan/tests/randomDogs';
import { DEFAULT_HOUSE_WAYS, HOUSE_QUESTIONS } from '../ways';
import { OWN_QUESTIONS, waysOfDog, type DogFacts, type OwnSchools } from '.';

const withOwn = (own: OwnSchools, more: Partial<DogFacts> = {}): DogFacts =>
  aDog({ ...more, ...waysOfDog(more.ways ?? DEFAULT_HOUSE_WAYS, own) }, 'shih-tzu');
const methods = (facts: DogFacts, task: string) =>
  makePlan(facts).lines.flatMap((line) =>
    line.task === task ? line.methods.map(({ words, rank }) => [words, rank]) : [],
  );

describe('a way of its own', () => {
  const clip = { eyeCorner: { school: 'clip', because: 'wet at every visit' } } as const;

  test('goes before the house way, with its reason and what the house does', () => {
    expect(withOwn(clip).ownWays).toEqual({
      eyeCorner: { because: 'wet at every visit', insteadOf: 'leave and clean' },
    });
    expect(methods(withOwn(clip), 'eye corners')).toContainEqual(['Clip it, lightly', 'own']);
    expect(methods(withOwn({}), 'eye corners')).toContainEqual(['Leave it, clean daily', 'house']);
  });

  test('stands between an owner’s word and the house: teeth every so often', () => {
    const brush = { teeth: { school: 'brush', because: 'the owner cannot' } } as const;
    const teeth = (facts: DogFacts) => makePlan(facts).lines.find(({ task }) => task === 'teeth')?.settled;
    expect(teeth(withOwn(brush))?.won[0]).toMatchObject({ rank: 'own' });
    const asked = instruct({ kind: 'interval', task: 'teeth', days: 14 }, { by: 'owner' });
    const both = teeth(withOwn(brush, { instructions: [asked] }));
    expect(both?.won[0]?.rank).toBe('owner');
    expect(both?.lost.map(({ claim }) => claim.rank)).toContain('own');
  });

  test('what the business does by now, or does no longer offer, is none of its own', () => {
    expect(waysOfDog({ ...DEFAULT_HOUSE_WAYS, eyeCorner: 'clip' }, clip).ownWays).toEqual({});
    expect(waysOfDog(DEFAULT_HOUSE_WAYS, { eyeCorner: { school: 'gone', because: '' } }).ownWays).toEqual({});
    const pump = { pumpWaste: { school: 'any', because: '' } } as const;
    expect(waysOfDog(DEFAULT_HOUSE_WAYS, pump).ways).toEqual(DEFAULT_HOUSE_WAYS);
  });

  test('a house way that changes leaves it as it is', () => {
    const book = openBook([withOwn(clip), withOwn({})]);
    expect(plansThatChange(book, 'eyeCorner', 'clip')).toBe(1);
  });

  test('every question of a dog can have one, and the others stay as the house has them', () => {
    fc.assert(
      fc.property(fc.constantFrom(...OWN_QUESTIONS), fc.nat(5), (question, n) => {
        const { schools } = HOUSE_QUESTIONS[question];
        const school = schools[n % schools.length]?.id ?? '';
        const { ways } = waysOfDog(DEFAULT_HOUSE_WAYS, { [question]: { school, because: 'so' } });
        expect(ways).toEqual({ ...DEFAULT_HOUSE_WAYS, [question]: school });
      }),
      { seed: 17 },
    );
  });
});
