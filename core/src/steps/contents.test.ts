import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { aDog, anyDog } from '../careplan/tests/randomDogs';
import { finding } from '../findings';
import { visitNeeds } from '../needs';
import { readVisit } from '../visit';
import { logged } from '../visit/tests/randomVisits';
import {
  ALL_PARTS,
  VISIT_KINDS,
  VISIT_PARTS,
  partsOf,
  usualMinutes,
  visitName,
  type VisitContents,
  type VisitPart,
} from '.';

const agreed = (...parts: VisitPart[]): VisitContents => ({ kind: 'as agreed', agreed: { name: '', parts } });
const stepsOf = (contents: VisitContents, dog = aDog({}, 'cocker')) =>
  readVisit({ ...contents, facts: dog, plan: makePlan(dog), contactMinutes: 0, lastFindings: [] }, []).steps;
const ALWAYS = ['prepare', 'handover', 'look-over', 'decide', 'record', 'clean-down'];

describe('a visit is what it contains', () => {
  test('“bath, nails, ears, teeth; no cut”: these and no others, with what belongs to every visit', () => {
    const stages = new Set(stepsOf(agreed('bath', 'nails', 'ears', 'teeth')).map(({ stage }) => stage));
    expect(
      [...ALWAYS, 'wash 1', 'dry', 'nails', 'ears, first pass'].filter((each) => !stages.has(each as 'dry')),
    ).toEqual([]);
    for (const none of ['first clip', 'comb and tidy', 'brush-out', 'eyes, on the table'] as const)
      expect(stages.has(none)).toBe(false);
  });

  test('for any dog and any mixture the steps are those of its parts, and no step waits for one that is not there', () => {
    fc.assert(
      fc.property(anyDog, fc.subarray([...ALL_PARTS]), (dog, parts) => {
        const steps = stepsOf(agreed(...parts), dog);
        const may = new Set<string>([
          ...ALWAYS,
          ...parts.flatMap((part) => VISIT_PARTS[part].stages as readonly string[]),
        ]);
        const ids = new Set(steps.map(({ id }) => id));
        for (const { stage, after, during } of steps) {
          expect(may.has(stage)).toBe(true);
          expect([...after.map(({ step }) => step), ...during].filter((id) => !ids.has(id))).toEqual([]);
        }
      }),
      { numRuns: 150 },
    );
  });

  test('the kinds that every business has are mixtures, too; a lesson is none of it, nor decides', () => {
    for (const kind of VISIT_KINDS.filter((each) => each !== 'lesson' && each !== 'as agreed'))
      expect(stepsOf({ kind }).map(({ id }) => id)).toEqual(stepsOf(agreed(...partsOf({ kind }))).map(({ id }) => id));
    expect(stepsOf({ kind: 'lesson' }).map(({ stage }) => stage)).toEqual([
      'prepare',
      'handover',
      'look-over',
      'record',
    ]);
  });

  test('a mat is settled before water, whether or not a brush-out was booked; dry visits leave it', () => {
    const mat = finding({ site: 'side', side: 'left' }, 'mat', 2, false);
    const dog = aDog({}, 'cocker');
    const stepsWithMat = (...parts: VisitPart[]) =>
      readVisit(
        { ...agreed(...parts), facts: dog, plan: makePlan(dog), contactMinutes: 0, lastFindings: [] },
        logged([{ type: 'found', finding: mat }]),
      ).steps;
    const bath = stepsWithMat('bath', 'nails');
    expect(bath.map(({ id }) => id)).toContain('mat side/left');
    expect(bath.map(({ id }) => id)).not.toContain('brush-out');
    expect(bath.find(({ id }) => id === 'wet')?.after.map(({ step }) => step)).toContain('mat side/left');
    expect(stepsWithMat('nails').map(({ id }) => id)).not.toContain('mat side/left');
  });

  // The kinds as every version had them: common practice, no source.
  test('what each kind leaves out, by hand', () => {
    const stages = (kind: VisitContents['kind']) => new Set<string>(stepsOf({ kind }).map(({ stage }) => stage));
    const missing = (kind: VisitContents['kind']) =>
      [...stages('full visit')].filter((each) => !stages(kind).has(each));
    expect(missing('bath only').toSorted()).toEqual(['comb and tidy', 'first clip', 'nails']);
    expect([...stages('ears and nails')].toSorted()).toEqual(
      [...ALWAYS, 'ears, first pass', 'ears, second pass', 'eyes, on the table', 'folds', 'nails'].toSorted(),
    );
  });

  test('products are taken for what is in it', () => {
    const facts = aDog({}, 'pug');
    const shelf = (['cleansing', 'face', 'ear cleaner', 'fold care', 'eye and face cleaner'] as const).map((kind) => ({
      id: kind,
      name: kind,
      kind,
      label: '',
      dilution: { kind: 'ready to use' } as const,
      contact: null,
      amountFactor: 1,
      suppliedBy: 'house' as const,
      costPerMl: null,
      cautions: [],
      ingredients: [],
    }));
    const taken = (...parts: ('bath' | 'ears' | 'eyes and folds')[]) =>
      visitNeeds(parts, facts, makePlan(facts), shelf, 1).needs.map(({ product }) => product.kind);
    expect(taken()).toEqual([]);
    expect(taken('ears')).toEqual(['ear cleaner']);
    expect(taken('bath', 'eyes and folds').toSorted()).toEqual(['cleansing', 'eye and face cleaner', 'face']);
  });

  test('is named by its name, else by its parts, and booked for its stages’ minutes in quarters', () => {
    expect(visitName(agreed('bath', 'nails'))).toBe('bath, nails');
    expect(visitName({ kind: 'as agreed', agreed: { name: 'Beach rinse', parts: ['bath'] } })).toBe('Beach rinse');
    expect(visitName({ kind: 'bath only', agreed: null })).toBe('bath only');
    // 3 + 3 + 3 + 1 + 3 + 4 for every visit, 6 for nails: 23.
    expect(usualMinutes(agreed('nails'))).toBe(30);
    expect(usualMinutes({ kind: 'full visit' })).toBe(120);
  });
});
