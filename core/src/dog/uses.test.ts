import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { aDog, instruct } from '../careplan/tests/randomDogs';
import { productOf } from '../dilution/tests/shelf';
import { PRODUCT_PARTS, visitNeeds } from '../needs';
import { placeOf, type Place } from '../places';
import type { Task } from '../tasks';
import { day } from '../units';
import { inUse, USE_KINDS, USES, type DogFacts, type UseKind } from '.';

const uses = (what: UseKind, more: Parameters<typeof instruct>[1] = {}) =>
  instruct({ kind: 'uses', what, name: 'the blue bottle' }, { by: 'owner', who: 'Amara Nwosu', ...more });
const cautions = (facts: DogFacts, task: Task, place: Place | null = null): string =>
  makePlan(facts)
    .lines.filter((line) => line.task === task && (place === null || line.place?.side === place.side))
    .flatMap((line) => line.cautions.map(({ words }) => words))
    .join('\n');

describe('what it gets and what is used at home', () => {
  test.each(USE_KINDS)('%s: what follows stands at the work it matters to', (what) => {
    const { at, task, follows } = USES[what];
    const place = at === null ? null : at === 'fold' ? placeOf('fold nose/none') : placeOf(`${at}/left`);
    const pug = aDog({ instructions: [uses(what, { place })] }, 'pug');
    expect(cautions(pug, task)).toContain(follows);
    expect(cautions(aDog({}, 'pug'), task)).not.toContain(follows);
  });

  test('drops for the left ear say nothing of the right one', () => {
    const dog = aDog({ instructions: [uses('ear drops', { place: placeOf('ear/left') })] });
    expect(cautions(dog, 'ear cleaning', placeOf('ear/left'))).toContain(USES['ear drops'].follows);
    expect(cautions(dog, 'ear cleaning', placeOf('ear/right'))).not.toContain(USES['ear drops'].follows);
  });

  test('it is dated: what ended is not in use, the newest stands first', () => {
    const today = day('2026-11-25');
    const instructions = [
      uses('shampoo', { from: day('2026-03-01'), until: day('2026-11-24') }),
      uses('diet', { from: day('2026-05-01') }),
      uses('wipes', { from: day('2026-11-25'), until: day('2026-12-25') }),
    ];
    expect(inUse({ instructions, today }).map(({ what }) => what)).toEqual(['wipes', 'diet']);
  });

  test('powder at home and balm here do not go together; without either nothing is said', () => {
    const at = (foldProtect: DogFacts['ways']['foldProtect'], what: UseKind) =>
      cautions(aDog({ instructions: [uses(what)], ways: { ...aDog().ways, foldProtect } }, 'pug'), 'fold care');
    expect(at('balm', 'powder')).toMatch(/no balm on top/);
    expect(at('none', 'powder')).not.toMatch(/no balm on top/);
    expect(at('balm', 'wipes')).not.toMatch(/no balm on top/);
  });
});

test('a product that harms cats is taken for no dog that lives with one, in no part of the visit', () => {
  const kinds = [
    'cleansing',
    'conditioning wash',
    'face',
    'conditioner',
    'ear cleaner',
    'eye and face cleaner',
    'fold care',
  ] as const;
  const shelf = kinds.map((kind) => productOf(kind, { cautions: ['cats in the house'] }));
  const taken = (cats: boolean) => {
    const dog = aDog({ fitness: { ...aDog().fitness, cats }, ways: { ...aDog().ways, foldWipe: 'pet wipe' } }, 'pug');
    return visitNeeds(PRODUCT_PARTS, dog, makePlan(dog), shelf, 1).needs.length;
  };
  expect(taken(false)).toBeGreaterThan(4);
  expect(taken(true)).toBe(0);
});
