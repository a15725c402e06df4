import { describe, expect, test } from 'vitest';
import { makePlan, plainDog } from '../careplan';
import { ALL_TASKS } from '../tasks';
import { BREEDS } from '../catalogue';
import { day } from '../units';
import { stepList } from '../visit';
import { DRAWINGS, METHOD_CARDS, findMethod, methodOf, methodOfStep } from '.';

const TODAY = day('2026-11-25');
const words = (card: (typeof METHOD_CARDS)[number]) => [
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
    for (const drawing of DRAWINGS) expect(METHOD_CARDS.some((card) => card.drawings.includes(drawing))).toBe(true);
    for (const { id } of METHOD_CARDS)
      expect([id, findMethod(id)?.id]).toEqual([expect.stringMatching(/^[a-z-]+$/), id]);
    expect(findMethod('unicorn')).toBeUndefined();
  });

  test('every card says how, what never, when to stop, and what is enough', () => {
    for (const card of METHOD_CARDS) {
      expect(card.steps.length).toBeGreaterThanOrEqual(3);
      expect(Math.min(card.never.length, card.stops.length, card.needs.length)).toBeGreaterThanOrEqual(1);
      for (const line of words(card)) expect(line).toMatch(/[.]$/);
    }
  });

  test('no card names a disease or a dose', () => {
    const text = METHOD_CARDS.flatMap(words).join(' ');
    expect(text).not.toMatch(/infection|otitis|dermatitis|mites|yeast|allergy|\bmg\b|antibiotic|steroid/i);
  });

  test('every step with hands on the dog opens one, for any breed', () => {
    const asking = ['prepare', 'handover', 'decide', 'record', 'clean-down'];
    for (const { id } of BREEDS.filter((_, i) => i % 12 === 0)) {
      const facts = plainDog([id], { today: TODAY });
      const steps = stepList({ kind: 'full visit', facts, plan: makePlan(facts), contactMinutes: 10, judged: {} });
      const without = steps.filter((step) => methodOfStep(step) === undefined).map(({ stage }) => stage);
      expect(without.filter((stage) => !asking.includes(stage))).toEqual([]);
    }
  });
});
