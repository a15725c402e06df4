import { describe, expect, test } from 'vitest';
import { EASY, MINDS, type HandlingNotes } from '../handling';
import { day } from '../units';
import { makePlan, type CarePlan } from '.';
import { type DogFacts } from '../dog';
import { DEFAULT_SERVICES, type BusinessServices } from '../ways';
import { type Task } from '../tasks';
import { ENGLISH, say } from '../wording';
import { aDog, instruct } from './tests/randomDogs';

const line = (plan: CarePlan, task: Task) => plan.lines.find((each) => each.task === task);
const wordsOf = (plan: CarePlan, task: Task) => {
  const found = line(plan, task);
  return [
    ...[...(found?.methods ?? []), ...(found?.cautions ?? [])].map((each) => each.words),
    ...(found?.bars ?? []).map(({ reason }) => say(reason, ENGLISH, 'groomer')),
  ];
};
const noted = (notes: Partial<HandlingNotes>) =>
  makePlan(aDog({ handling: { ...EASY, ...notes } }, 'poodle-miniature'));
const businessWith = (services: Partial<BusinessServices>, more: Partial<DogFacts> = {}) =>
  makePlan(aDog({ services: { ...DEFAULT_SERVICES, ...services }, ...more }, 'poodle-miniature'));

describe('what a dog minds stands at the work it concerns', () => {
  test.each([
    ['ears', 'ear cleaning'],
    ['ears', 'ear hair'],
    ['front feet', 'nails'],
    ['front feet', 'pads'],
    ['nail clippers', 'nails'],
    ['mouth', 'teeth'],
    ['the dryer', 'drying'],
    ['water on the head', 'bath'],
    ['rear and tail', 'rear'],
    ['being brushed', 'brush-out'],
  ] as const)('%s: %s', (minds, task) => {
    const said = wordsOf(noted({ minds: [minds] }), task).join(' ');
    expect(said).toMatch(/Minds/);
    expect(wordsOf(noted({}), task).join(' ')).not.toMatch(/Minds/);
  });

  test('a dryer that is not borne is no dryer, and a muzzle comes off before it', () => {
    expect(wordsOf(noted({ dryer: 'towels only' }), 'drying').join(' ')).toMatch(/no dryer/);
    expect(wordsOf(noted({ muzzle: 'basket muzzle' }), 'drying').join(' ')).toMatch(/Muzzle off/);
  });

  test('what happened before is said where it matters', () => {
    const plan = makePlan(aDog({ nailBled: true, reactions: 'oat wash', hazeKnown: true }));
    expect(wordsOf(plan, 'nails').join(' ')).toMatch(/bled before: tips only/);
    expect(wordsOf(plan, 'bath').join(' ')).toMatch(/Reacted before: oat wash/);
    expect(wordsOf(plan, 'eyes and face').join(' ')).toMatch(/known to a vet/);
    expect(wordsOf(makePlan(aDog()), 'bath').join(' ')).not.toMatch(/Reacted/);
  });

  test.each([
    ['dry', 'conditioner', /dry coat now: conditioner helps/],
    ['oily', 'second wash', /oily coat now: two washes/],
    ['matted', 'mats', /Matted now/],
  ] as const)('a coat that is %s now is said at %s', (coatCondition, task, words) => {
    expect(wordsOf(makePlan(aDog({ coatCondition }, 'poodle-miniature')), task).join(' ')).toMatch(words);
    expect(wordsOf(makePlan(aDog({}, 'poodle-miniature')), task).join(' ')).not.toMatch(words);
  });

  test('how it lives and what its body bears', () => {
    const hayFever = (today: string) =>
      wordsOf(makePlan(aDog({ hayFeverMonths: [5, 6], today: day(today) })), 'eyes and face').join(' ');
    expect(hayFever('2026-06-10')).toMatch(/Hay-fever weeks/);
    expect(hayFever('2026-11-10')).not.toMatch(/Hay-fever weeks/);
    const bathDays = (more: Partial<DogFacts>) => line(makePlan(aDog(more)), 'bath')?.interval?.most ?? 0;
    expect(bathDays({ dirtyWork: true })).toBeLessThan(bathDays({}));
    expect(wordsOf(makePlan(aDog({ stiffJoints: true })), 'nails').join(' ')).toMatch(/Stiff joints/);
    expect(wordsOf(makePlan(aDog({ tightBreathing: true })), 'drying').join(' ')).toMatch(/Breathes tightly/);
  });

  test('notes never change how often anything is done', () => {
    const easy = noted({}).lines.map((each) => [each.task, each.interval]);
    const hard = noted({ minds: MINDS, dryer: 'towels only', helper: 'helper throughout' });
    expect(hard.lines.map((each) => [each.task, each.interval])).toEqual(easy);
  });
});

describe('what the business does at all, by place and law', () => {
  test('ears left to vets are not cleaned here; outside only pours nothing', () => {
    expect(line(businessWith({ 'ear cleaning': 'vet' }), 'ear cleaning')).toMatchObject({
      interval: null,
      bars: [{ rank: 'law' }],
    });
    expect(wordsOf(businessWith({ 'ear cleaning': 'outside only' }), 'ear cleaning').join(' ')).toMatch(
      /nothing poured/,
    );
  });

  test('plucking: a vet’s, or trimmed where the business works outside only', () => {
    const hairy = { traits: { ...aDog({}, 'poodle-miniature').traits, canalHair: 'dense' } } as const;
    const ways = { ...aDog().ways, earHair: 'routine' } as DogFacts['ways'];
    const way = (does: BusinessServices['ear hair']) =>
      line(businessWith({ 'ear hair': does }, { ...hairy, ways }), 'ear hair')?.earHair?.way;
    expect(way('vet')).toBe('vet');
    expect(way('outside only')).toBe('trim');
    expect(['whole', 'staged']).toContain(way('done'));
  });

  test('teeth are barred only where neither brush nor gel is done', () => {
    expect(line(businessWith({ teeth: 'vet', 'tooth gel': 'vet' }), 'teeth')?.bars).toHaveLength(1);
    expect(line(businessWith({ teeth: 'vet', 'tooth gel': 'done' }), 'teeth')?.bars).toEqual([]);
    expect(line(businessWith({ teeth: 'done' }), 'teeth')?.bars).toEqual([]);
  });

  test('a prescribed wash is barred where the business gives no medicated baths, and only while it holds', () => {
    const says = { kind: 'bath product', productId: 'p', contactMinutes: 10, nothingElse: false } as const;
    const barred = (until: string) =>
      line(businessWith({ 'vet’s wash': 'vet' }, { instructions: [instruct(says, { until: day(until) })] }), 'bath')
        ?.bars;
    expect(barred('2026-12-31')).toHaveLength(1);
    expect(barred('2026-03-01')).toEqual([]);
    expect(line(businessWith({ 'vet’s wash': 'vet' }), 'bath')?.bars).toEqual([]);
  });
});
