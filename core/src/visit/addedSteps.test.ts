import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { aDog, instruct } from '../careplan/tests/randomDogs';
import type { DogFacts } from '../dog';
import type { Happening } from '../events';
import { finding } from '../findings';
import { readVisit, stepsToAdd, taskOutcomes, wasCaredFor, type BeforeVisit } from '.';
import { logged } from './tests/randomVisits';

const visitOf = (happened: readonly Happening[], kind: BeforeVisit['kind'], dog: DogFacts = aDog({}, 'cocker')) => {
  const before = { kind, facts: dog, plan: makePlan(dog), contactMinutes: 0, lastFindings: [] };
  const visit = readVisit(before, logged(happened));
  return { visit, ids: visit.steps.map(({ id }) => id), more: stepsToAdd(before, visit).map(({ id }) => id) };
};
const add = (step: string): Happening => ({ type: 'step added', step, title: 'as typed then', before: null });

describe('a step of the trade that was not booked', () => {
  test('is offered, comes where it belongs, and restarts the clock of its task', () => {
    const { ids, more } = visitOf([], 'bath only');
    expect(ids).not.toContain('nails');
    expect(more).toEqual(['first clip', 'nails', 'comb and tidy']);
    const added = visitOf([add('nails'), { type: 'step done', step: 'nails' }], 'bath only');
    expect(added.ids.indexOf('nails')).toBeLessThan(added.ids.indexOf('wet'));
    expect(added.more).toEqual(['first clip', 'comb and tidy']);
    expect(taskOutcomes(added.visit)).toContainEqual({ task: 'nails', outcome: 'done', grade: null });
    expect(added.visit.steps.find(({ id }) => id === 'nails')?.pieces.length).toBeGreaterThan(0);
  });

  test('one side of an ear is added by itself, and that ear was cared for', () => {
    const step = 'ears, first pass left';
    const { visit, ids } = visitOf([add(step), { type: 'step done', step }], 'lesson');
    expect(ids.filter((id) => id.startsWith('ears'))).toEqual([step]);
    expect(wasCaredFor(visit, { site: 'ear', side: 'left' })).toBe(true);
    expect(wasCaredFor(visit, { site: 'ear', side: 'right' })).toBe(false);
  });

  test('no part of a bath is added by itself, and nothing that a bar forbids', () => {
    expect(visitOf([], 'ears and nails').more).toEqual(['first clip', 'brush-out', 'comb and tidy']);
    const noNails = aDog({ instructions: [instruct({ kind: 'bar', task: 'nails' })] }, 'cocker');
    expect(visitOf([], 'bath only', noNails).more).not.toContain('nails');
    const sore: Happening = { type: 'found', finding: finding({ site: 'ear', side: 'left' }, 'ear pus', 1) };
    expect(visitOf([sore], 'lesson').more).not.toContain('ears, first pass left');
    // Found after it was added: it stays in the list, barred.
    const { visit } = visitOf([add('ears, first pass left'), sore], 'lesson');
    expect(visit.steps.find(({ id }) => id === 'ears, first pass left')?.barred).not.toBeNull();
  });
});
