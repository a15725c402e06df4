import { describe, expect, test } from 'vitest';
import { plainDog } from '../dog';
import { ALL_TASKS } from '../tasks';
import { BREEDS } from '../catalogue';
import { day } from '../units';
import { waysFor } from '../work';
import { stepsFor } from '../visit/tests/randomVisits';
import { ALL_HOUSE_QUESTIONS, DEFAULT_HOUSE_WAYS, HOUSE_QUESTIONS, type HouseWays } from '../ways';
import { notOurs } from '../wording';
import {
  BATH_STEPS,
  DRAWINGS,
  HOME_CARDS,
  METHOD_CARDS,
  cardFor,
  type CardWays,
  findMethod,
  methodOf,
  methodOfStep,
  type MethodCard,
} from '.';

const TODAY = day('2026-11-25');
const cards = (ways: Partial<HouseWays> = {}): MethodCard[] =>
  METHOD_CARDS.map((each) => cardFor(each, { ...DEFAULT_HOUSE_WAYS, ...ways }));
/** Every card as each school of each question has it. */
const EVERY_BUSINESS: MethodCard[] = ALL_HOUSE_QUESTIONS.flatMap((question) =>
  HOUSE_QUESTIONS[question].schools.flatMap(({ id }) => cards({ [question]: id })),
);
const words = (card: MethodCard) => [
  card.enough,
  ...card.steps.map((line) => line.words),
  ...card.never.map((line) => line.words),
  ...card.stops.map((line) => line.words),
];

describe('method cards', () => {
  test('every task of a plan has exactly one', () => {
    for (const task of ALL_TASKS) expect(METHOD_CARDS.filter((card) => card.tasks.includes(task))).toHaveLength(1);
    expect(methodOf('ear cleaning').id).toBe('clean-ears');
  });

  test('every drawing is shown by some card; ids are addresses', () => {
    const atHome = [...Object.values(HOME_CARDS), ...Object.values(BATH_STEPS)].map(({ drawing }) => drawing);
    for (const drawing of DRAWINGS) {
      const isShown = METHOD_CARDS.some((card) => card.drawings.includes(drawing)) || atHome.includes(drawing);
      expect([drawing, isShown]).toEqual([drawing, true]);
    }
    for (const { id } of METHOD_CARDS)
      expect([id, findMethod(id)?.id]).toEqual([expect.stringMatching(/^[a-z-]+$/), id]);
    expect(findMethod('unicorn')).toBeUndefined();
  });

  test('every card says how, what never, when to stop, and what is enough', () => {
    for (const card of EVERY_BUSINESS) {
      expect(card.steps.length).toBeGreaterThanOrEqual(3);
      expect(Math.min(card.never.length, card.stops.length, card.needs.length)).toBeGreaterThanOrEqual(1);
      for (const line of words(card)) expect(line).toMatch(/[.]$/);
    }
  });

  test('no card names a disease or a dose', () => {
    const text = EVERY_BUSINESS.flatMap(words).join(' ');
    expect(notOurs(text)).toBeNull();
  });

  test.each<[string, Partial<CardWays>, string, RegExp, RegExp]>([
    ['fills', { earCleaning: 'fill' }, 'clean-ears', /Fill until/, /few drops|damp pad over/],
    ['drops', { earCleaning: 'few drops' }, 'clean-ears', /few drops/, /Fill until/],
    [
      'pads only',
      { earCleaning: 'damp pad only' },
      'clean-ears',
      /Nothing is poured: a damp pad/,
      /Fill until|few drops|Massage|Let it shake|The nozzle never/,
    ],
    [
      'a dry wipe today',
      { earCleaning: 'wipe' },
      'clean-ears',
      /a dry pad over the finger/,
      /damp pad|Massage|shake|nozzle/,
    ],
    ['a minute', { massage: '60 s' }, 'clean-ears', /for a minute/, /20–30 seconds/],
    ['spirit', { alcohol: 'used' }, 'clean-ears', /never on red or broken skin/, /No alcohol/],
    ['no alcohol', { alcohol: 'avoided' }, 'clean-ears', /No alcohol/, /never dripping/],
    ['nozzle inside', { nozzle: 'just inside' }, 'clean-ears', /just inside the opening/, /never touches the ear/],
    ['wipes first', { afterMassage: 'wipe then shake' }, 'clean-ears', /Wipe, then let it shake/, /Let it shake, then/],
    ['fingers', { pluckWith: 'fingers' }, 'ear-hair', /fingers/, /forceps|[Pp]owder/],
    ['forceps, powder', { pluckWith: 'forceps and powder' }, 'ear-hair', /forceps.*powder/s, /fingers/],
    ['crust in the tub', { eyeCrust: 'in the tub' }, 'eyes', /In the tub/, /^On the table, before any soap: hold/m],
    ['corner left', { eyeCorner: 'leave and clean' }, 'eyes', /is left, and kept clean/, /is clipped, lightly/],
    ['nails later', { nails: 'after the bath' }, 'nails', /soaked nails/, /Before the bath/],
    ['one wash', { washes: 'one' }, 'wet-and-wash', /rinse must be perfect/, /second wash/],
    ['head first', { head: 'first' }, 'wet-and-wash', /head first/i, /head last/i],
    ['neck down', { head: 'neck down only' }, 'wet-and-wash', /no water on the head/, /head last|head first/i],
    ['one mild wash', { faceProduct: 'mild wash for all' }, 'face-wash', /mild wash of the body/, /No body shampoo/],
    ['plain water', { faceProduct: 'plain water' }, 'face-wash', /plain water/, /tear-free/],
    ['face pads', { faceProduct: 'pads only' }, 'face-wash', /damp pad for each eye/, /rinse until|spout/],
    ['no plugs', { earPlugs: 'hand shield' }, 'drying', /Let it shake/, /Plugs/],
    ['combs damp', { comb: 'also damp' }, 'drying', /Combed damp/, /^$/],
    ['nothing in folds', { foldProtect: 'none' }, 'folds', /Dry with a soft cloth/, /barrier balm|^Powder|powder,/],
    ['powder', { foldProtect: 'powder' }, 'folds', /away from eye and nostril/, /barrier balm/],
    ['gel', { teeth: 'gel' }, 'teeth', /a gel made/, /brush/],
    ['teeth at home', { teeth: 'at home only' }, 'teeth', /shown to the owner/, /If agreed/],
  ])('a business that says “%s” has it on its card, and nothing against it', (_, ways, id, has, hasNot) => {
    const source = findMethod(id);
    if (!source) throw new Error(id);
    const card = cardFor(source, { ...DEFAULT_HOUSE_WAYS, ...ways });
    const text = [...card.needs, ...card.steps.map((each) => each.words), ...card.never.map((each) => each.words)].join(
      '\n',
    );
    expect(text).toMatch(has);
    expect(text).not.toMatch(hasNot);
  });

  test('a pup’s ear is not filled, and its card does not say so', () => {
    const pup = plainDog(['lagotto'], {
      today: TODAY,
      lifeStage: 'puppy',
      ways: { ...DEFAULT_HOUSE_WAYS, earCleaning: 'fill' },
    });
    const source = methodOf('ear cleaning');
    expect(
      cardFor(source, waysFor(pup))
        .steps.map((each) => each.words)
        .join(),
    ).not.toMatch(/Fill/);
  });

  test('every step with hands on the dog opens one, for any breed', () => {
    const asking = ['prepare', 'handover', 'decide', 'record', 'clean-down'];
    for (const { id } of BREEDS.filter((_, i) => i % 12 === 0)) {
      const facts = plainDog([id], { today: TODAY });
      const steps = stepsFor(facts, { contactMinutes: 10 });
      const without = steps.filter((step) => methodOfStep(step) === undefined).map(({ stage }) => stage);
      expect(without.filter((stage) => !asking.includes(stage))).toEqual([]);
    }
  });
});
