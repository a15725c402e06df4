import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { aDog, anyDog } from '../careplan/tests/randomDogs';
import type { DogFacts } from '../dog';
import type { Happening } from '../events';
import type { Step } from '../steps';
import { blockers, currentStep, leaveOut, readVisit, splitOverTwo, splitVisit, waitsFor } from '.';
import { isWet } from './closing';
import { logged } from './tests/randomVisits';

const read = (facts: DogFacts, happened: readonly Happening[]) =>
  readVisit(
    { kind: 'full visit', facts, plan: makePlan(facts), contactMinutes: 0, lastFindings: [] },
    logged(happened),
  );

const work = (step: Step): Happening[] =>
  step.sides.flatMap((side): Happening[] => {
    if (step.counts === 'plugs in') return [{ type: 'plug in', side }];
    if (step.counts === 'plugs out') return [{ type: 'plug out', side, came: 'dry' }];
    return [];
  });
/** A visit in which so many steps are done, in their order. */
function after(facts: DogFacts, count: number): Happening[] {
  const happened: Happening[] = [{ type: 'opened' }];
  for (let i = 0; i < count; i++) {
    const { state, steps } = read(facts, happened);
    const step = currentStep(state, steps);
    if (step) happened.push(...work(step), { type: 'step done', step: step.id });
  }
  return happened;
}
/** Up to and with a step. */
function upTo(facts: DogFacts, id: string): Happening[] {
  for (let count = 1; count < 60; count++) {
    const happened = after(facts, count);
    if (read(facts, happened).state.steps[id]) return happened;
  }
  throw new Error(`${id} is never done`);
}
const ids = (steps: readonly Step[]) => steps.map(({ id }) => id);

describe('a dog that has had its minutes', () => {
  const old = aDog({ lifeStage: 'senior' }, 'lagotto');

  test('dry: all but the record can wait', () => {
    const split = splitVisit(read(old, upTo(old, 'look-over')));
    expect(ids(split.must)).toEqual(['decide']);
    expect(ids(split.canWait)).toContain('wet');
    expect(ids(split.canWait)).toContain('nails');
  });

  test('in the tub: product off, plugs out, dry; the second wash and the comb can wait', () => {
    const reading = read(old, upTo(old, 'wash 1'));
    const split = splitVisit(reading);
    expect(ids(split.must)).toEqual(expect.arrayContaining(['rinse 1', 'last rinse', 'water off', 'dry']));
    expect(ids(split.canWait)).toEqual(expect.arrayContaining(['wash 2', 'comb and tidy']));
    const changes = splitOverTwo(reading, split);
    // A second wash another day would be another bath: it is left out. The comb is kept for that day.
    expect(changes).toContainEqual(expect.objectContaining({ type: 'step skipped', step: 'wash 2' }));
    expect(changes).not.toContainEqual(expect.objectContaining({ type: 'step skipped', step: 'comb and tidy' }));
  });

  test('an ear in which cleaner works is wiped out today', () => {
    const found: Happening = {
      type: 'found',
      finding: { place: { site: 'ear', side: 'left' }, sign: 'ear dark wax', grade: 2, answer: false },
    };
    const happened = [...upTo(old, 'look-over'), found, { type: 'step done', step: 'ears, first pass left' } as const];
    expect(ids(splitVisit(read(old, happened)).must)).toContain('ears, second pass left');
    expect(ids(splitVisit(read(old, happened)).must)).not.toContain('ears, second pass right');
  });

  test('what somebody added in words of their own can wait, too', () => {
    const added: Happening = { type: 'step added', step: 'added 1', title: 'Trim the tail', before: 'record' };
    const split = splitVisit(read(old, [...upTo(old, 'decide'), added]));
    expect(ids(split.canWait)).toContain('added 1');
    expect(ids(split.must)).toEqual([]);
  });

  test('whatever the dog and however far it is: each open step is in one list, and no wet dog goes home wet', () => {
    fc.assert(
      fc.property(anyDog, fc.integer({ min: 1, max: 24 }), (facts, count) => {
        const happened = after(facts, count);
        const reading = read(facts, happened);
        const split = splitVisit(reading);
        const atTheEnd = ['record', 'clean-down'];
        const open = reading.steps.filter(
          ({ id, barred }) => barred === null && !reading.state.steps[id] && !atTheEnd.includes(id),
        );
        expect([...ids(split.must), ...ids(split.canWait)].toSorted()).toEqual(ids(open).toSorted());
        if (isWet(reading.state))
          expect(ids(split.canWait.filter((step) => step.neverBarred && step.counts === null))).toEqual([]);

        const left = read(facts, [...happened, ...leaveOut(split)]);
        const stillOpen = blockers(left.state, left.steps, 'finished').flatMap((each) =>
          each.kind === 'step open' ? [each.step] : [],
        );
        expect(stillOpen.filter((id) => ![...ids(split.must), ...atTheEnd].includes(id))).toEqual([]);

        const later = read(facts, [...happened, ...splitOverTwo(reading, split)]);
        const next = currentStep(later.state, later.steps);
        if (split.must.length > 0) {
          expect(ids(split.must)).toContain(next?.id);
          if (next)
            expect(ids(waitsFor(later.state, later.steps, next)).filter((id) => !ids(split.must).includes(id))).toEqual(
              [],
            );
        }
      }),
      { numRuns: 60 },
    );
  });
});
