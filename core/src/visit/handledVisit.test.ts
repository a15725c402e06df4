import { describe, expect, test } from 'vitest';
import type { DogFacts } from '../dog';
import { DEFAULT_SERVICES } from '../ways';
import { aDog } from '../careplan/tests/randomDogs';
import { EASY, MINDS } from '../handling';
import { kilograms } from '../units';
import { timeline, type Step, type VisitKind } from '../steps';
import { stepsFor } from './tests/randomVisits';

const stepsOf = (facts: DogFacts, kind: VisitKind = 'full visit'): Step[] => stepsFor(facts, { kind });
const said = (facts: DogFacts, id: string) =>
  stepsOf(facts)
    .find((step) => step.id === id)
    ?.how.map(({ words }) => words)
    .join(' ');
const noted = (notes: Partial<DogFacts['handling']>, breed = 'poodle-miniature') =>
  aDog({ handling: { ...EASY, ...notes } }, breed);

describe('handling at the table, without being looked for', () => {
  test('the first step says how the dog is held, before anything else', () => {
    expect(said(aDog({}, 'pug'), 'prepare')).toMatch(/^Harness, never by the neck|^No closed muzzle/);
    expect(said(noted({ sight: 'blind', helper: 'helper throughout' }), 'prepare')).toMatch(
      /Voice before a touch.*second pair of hands/,
    );
    expect(said(aDog({ weight: kilograms(34) }), 'prepare')).toMatch(/Two lift it/);
    expect(said(aDog(), 'prepare')).not.toMatch(/Two lift it|Harness/);
  });

  test.each([
    ['ears', 'ears, first pass left', /Minds its ears/],
    ['front feet', 'nails', /hind feet first/],
    ['the dryer', 'dry', /towels longer/],
    ['mouth', 'teeth', /lip lifted/],
    ['eyes and face', 'eyes, on the table right', /Minds its face/],
    ['being brushed', 'brush-out', /small parts/],
  ] as const)('minding %s is said at "%s"', (minds, step, words) => {
    const ways = { ...aDog().ways, teeth: 'brush' } as DogFacts['ways'];
    expect(said({ ...noted({ minds: [minds] }), ways }, step)).toMatch(words);
    expect(said({ ...noted({}), ways }, step)).not.toMatch(words);
  });

  test('whatever is minded, no step is lost and none is added', () => {
    const easy = stepsOf(noted({})).map(({ id }) => id);
    const hard = noted({ minds: MINDS, helper: 'helper throughout', dryer: 'towels only', muzzle: 'basket muzzle' });
    expect(stepsOf(hard).map(({ id }) => id)).toEqual(easy);
  });
});

describe('what the business does at all, at the table', () => {
  const businessWith = (services: Partial<DogFacts['services']>) =>
    aDog({ services: { ...DEFAULT_SERVICES, ...services } }, 'poodle-miniature');

  test('ears left to vets are barred with the reason, not dropped', () => {
    const step = stepsOf(businessWith({ 'ear cleaning': 'vet' })).find(({ id }) => id === 'ears, first pass left');
    expect(step?.barred?.bars[0]?.reason).toEqual({ kind: 'rule', rule: 'ear cleaning: left to vets' });
  });

  test('outside only says so at the ear', () => {
    const outside = businessWith({ 'ear cleaning': 'outside only' });
    expect(said(outside, 'ears, first pass left')).toMatch(/nothing poured/);
    const step = stepsOf(outside).find(({ id }) => id === 'ears, first pass left');
    expect(step).toMatchObject({ counts: null, dwell: null, barred: null, pieces: [{ name: 'outer flap' }] });
  });

  test('where plucking is a vet’s there is no step for it', () => {
    const ways = { ...aDog().ways, earHair: 'routine' } as DogFacts['ways'];
    const ids = (services: Partial<DogFacts['services']>) =>
      stepsOf({ ...businessWith(services), ways })
        .map(({ id }) => id)
        .filter((id) => id.startsWith('ear hair'));
    expect(ids({}).length).toBe(2);
    expect(ids({ 'ear hair': 'vet' })).toEqual([]);
  });
});

describe('a lesson', () => {
  test('has no water, no clipper and no ear in it, and takes minutes', () => {
    const steps = stepsOf(aDog(), 'lesson');
    expect(steps.map(({ stage }) => stage)).toEqual(['prepare', 'handover', 'look-over', 'record']);
    expect(steps.every(({ after }) => after.every((before) => steps.some((step) => step.id === before.step)))).toBe(
      true,
    );
    expect(timeline(steps).reduce((sum, { minutes }) => sum + minutes, 0)).toBeLessThanOrEqual(15);
  });

  test('is shorter than any other kind of visit', () => {
    const lesson = stepsOf(aDog(), 'lesson').length;
    for (const kind of ['full visit', 'bath only', 'ears and nails'] as const)
      expect(lesson).toBeLessThan(stepsOf(aDog(), kind).length);
  });
});
