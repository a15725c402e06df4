import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { TODAY, aDog, anyDog, instruct } from '../careplan/tests/randomDogs';
import { addDays, type Day } from '../units';
import { ALL_NOTICED, asNoticed, planDue, type CareRecord, type NoticedOn } from '.';

const care = (daysAgo: number): CareRecord => {
  const last = addDays(TODAY, -daysAgo);
  const record = { lastCare: last, spared: null, observations: [], suspended: false };
  return {
    places: {},
    tasks: { nails: record, 'brush-out': record },
    homeCareChangedOn: null,
    schoolChangedOn: null,
  };
};
const nails = (daysAgo: number, told: readonly NoticedOn[], dog = aDog()) => {
  const due = planDue(makePlan(dog), care(daysAgo), TODAY);
  return asNoticed(due, told, TODAY).find(({ line }) => line.task === 'nails');
};
const clicks = (on: Day): NoticedOn => ({ noticed: 'nails click', day: on });

describe('what an owner noticed at home', () => {
  test('a click of nails: due from that day, nothing counted as done', () => {
    const least = nails(0, [])?.line.interval?.least ?? 0;
    const before = nails(least + 2, []);
    const after = nails(least + 2, [clicks(addDays(TODAY, -1))]);
    expect(before?.state).not.toBe('due');
    expect(after).toMatchObject({ state: 'due', noticedOn: addDays(TODAY, -1), lastCare: before?.lastCare });
    expect(after?.window?.ideal).toBe(addDays(TODAY, -1));
    expect(after?.window?.latest).toBe(before?.window?.latest);
  });

  test('no sooner after the last trim than the plan allows, and not what was told before it', () => {
    const least = nails(2, [])?.line.interval?.least ?? 0;
    expect(nails(2, [clicks(TODAY)])?.window?.ideal).toBe(addDays(TODAY, least - 2));
    expect(nails(5, [clicks(addDays(TODAY, -6))])).toEqual(nails(5, []));
  });

  test('what a vet has set stays; a smell moves no day: somebody is asked', () => {
    const vets = aDog({ instructions: [instruct({ kind: 'interval', task: 'nails', days: 40 })] });
    expect(nails(20, [clicks(TODAY)], vets)).toEqual(nails(20, [], vets));
    const due = planDue(makePlan(aDog()), care(20), TODAY);
    for (const noticed of ['an ear smells', 'an eye is wet', 'the skin is sore', 'a picture'] as const)
      expect(asNoticed(due, [{ noticed, day: TODAY }], TODAY)).toEqual(due);
  });

  test('whatever was told of whatever dog: nothing comes later, and only care that may be done', () => {
    fc.assert(
      fc.property(
        anyDog,
        fc.integer({ min: 0, max: 80 }),
        fc.array(fc.record({ noticed: fc.constantFrom(...ALL_NOTICED), ago: fc.integer({ min: 0, max: 60 }) })),
        (dog, daysAgo, told) => {
          const due = planDue(makePlan(dog), care(daysAgo), TODAY);
          const moved = asNoticed(
            due,
            told.map(({ noticed, ago }) => ({ noticed, day: addDays(TODAY, -ago) })),
            TODAY,
          );
          for (const [i, each] of due.entries()) {
            const its = moved[i];
            expect((its?.window?.ideal ?? '') <= (each.window?.ideal ?? '')).toBe(true);
            expect((its?.window?.earliest ?? '') <= (its?.window?.ideal ?? '')).toBe(true);
            expect((its?.window?.ideal ?? '') <= (its?.window?.latest ?? '')).toBe(true);
            expect([its?.lastCare, its?.line]).toEqual([each.lastCare, each.line]);
          }
        },
      ),
    );
  });
});
