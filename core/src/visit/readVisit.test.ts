import fc from 'fast-check';
import { expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { anyDog } from '../careplan/tests/randomDogs';
import { typed, tapped, type Happening } from '../events';
import { finding } from '../findings';
import { readVisit, type BeforeVisit } from '.';
import { anyFinding, anyHappening, logged } from './tests/randomVisits';

const anySettled: fc.Arbitrary<Happening> = fc.oneof(
  fc
    .constantFrom('brushed', 'shaved', 'left')
    .map((way): Happening => ({ type: 'mat settled', place: { site: 'back', side: 'none' }, way }) as Happening),
  fc.constant<Happening>({ type: 'found', finding: finding({ site: 'back', side: 'none' }, 'mat', 2, true) }),
  fc.constantFrom('ear hair left', 'ear hair right').map((step): Happening => ({
    type: 'step skipped',
    step,
    because: tapped('would not have it'),
  })),
  fc.constant<Happening>({ type: 'step skipped', step: 'nails', because: typed('slept') }),
);

test('tap by tap a visit reads as it does at once: what was judged before is only used again where it holds', () => {
  fc.assert(
    fc.property(
      anyDog,
      fc.array(fc.oneof({ weight: 3, arbitrary: anyHappening }, { weight: 1, arbitrary: anySettled }), {
        maxLength: 25,
      }),
      fc.array(anyFinding, { maxLength: 3 }),
      (facts, happenings, lastFindings) => {
        const plan = makePlan(facts);
        const before: BeforeVisit = { kind: 'full visit', facts, plan, contactMinutes: 10, lastFindings };
        const events = logged(happenings);
        for (let taps = 0; taps <= events.length; taps++) {
          const known = events.slice(0, taps);
          expect(readVisit(before, known)).toEqual(readVisit({ ...before }, known));
        }
      },
    ),
    { numRuns: process.env['DEWPOND_DEEP'] ? 2000 : 80 },
  );
});

test('a tap that finds nothing judges nothing anew; a finding without a bar leaves the steps', () => {
  const [facts] = fc.sample(anyDog, { seed: 16, numRuns: 1 });
  if (!facts) throw new Error('no dog');
  const before: BeforeVisit = {
    kind: 'full visit',
    facts,
    plan: makePlan(facts),
    contactMinutes: 10,
    lastFindings: [],
  };
  const wax = finding({ site: 'ear', side: 'left' }, 'ear pale wax', 1);
  const events = logged([
    { type: 'opened' },
    { type: 'step done', step: 'prepare' },
    { type: 'found', finding: wax },
    { type: 'noted', text: 'calm' },
  ]);
  const readings = events.map((_, i) => readVisit(before, events.slice(0, i + 1)));
  const [, prepared, found, noted] = readings;
  expect(prepared?.judged).toBe(readings[0]?.judged);
  expect(found?.judged).not.toBe(prepared?.judged);
  expect(found?.judged['ear/left']?.matched.length).toBeGreaterThan(0);
  expect(noted?.judged).toBe(found?.judged);
  expect(noted?.bars).toBe(found?.bars);
});
