import { describe, expect, test } from 'vitest';
import { makePlan, type DogFacts } from '../careplan';
import { DEFAULT_SERVICES } from '../ways';
import { aDog } from '../careplan/tests/randomDogs';
import { EASY, MINDS } from '../handling';
import { kilograms } from '../units';
import { stepList, timeline, type Step, type VisitKind } from '.';

const stepsOf = (facts: DogFacts, kind: VisitKind = 'full visit'): Step[] =>
  stepList({ kind, facts, plan: makePlan(facts), contactMinutes: 0, judged: {} });
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

describe('what the house does at all, at the table', () => {
  const house = (services: Partial<DogFacts['services']>) =>
    aDog({ services: { ...DEFAULT_SERVICES, ...services } }, 'poodle-miniature');

  test('ears left to vets are barred with the reason, not dropped', () => {
    const step = stepsOf(house({ 'ear cleaning': 'vet' })).find(({ id }) => id === 'ears, first pass left');
    expect(step?.barred?.because).toMatch(/a vet cleans them/);
  });

  test('outside only says so at the ear', () => {
    expect(said(house({ 'ear cleaning': 'outside only' }), 'ears, first pass left')).toMatch(/nothing poured/);
  });

  test('where plucking is a vet’s there is no step for it', () => {
    const ways = { ...aDog().ways, earHair: 'routine' } as DogFacts['ways'];
    const ids = (services: Partial<DogFacts['services']>) =>
      stepsOf({ ...house(services), ways })
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
    expect(steps.every(({ after }) => after.every((id) => steps.some((step) => step.id === id)))).toBe(true);
    expect(timeline(steps).reduce((sum, { minutes }) => sum + minutes, 0)).toBeLessThanOrEqual(15);
  });

  test('is shorter than any other kind of visit', () => {
    const lesson = stepsOf(aDog(), 'lesson').length;
    for (const kind of ['full visit', 'bath only', 'ears and nails'] as const)
      expect(lesson).toBeLessThan(stepsOf(aDog(), kind).length);
  });
});
