import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { aDog, anyDog, instruct } from '../careplan/tests/randomDogs';
import { typed, type Happening } from '../events';
import { finding } from '../findings';
import { placeOf } from '../places';
import { day } from '../units';
import { timeline, totalMinutes, type Step } from '../steps';
import {
  asPlannedUpTo,
  currentStep,
  foldVisit,
  hereSince,
  needsAnswer,
  onTime,
  readVisit,
  stagesTook,
  waitsFor,
} from '.';
import { logged, stepsFor } from './tests/randomVisits';

const at = (facts: ReturnType<typeof aDog>, happened: readonly Happening[] = []) => {
  const plan = makePlan(facts);
  const before = { kind: 'full visit', facts, plan, contactMinutes: 0, lastFindings: [] } as const;
  return readVisit(before, logged(happened));
};
const done = (...steps: readonly string[]): Happening[] => steps.map((step) => ({ type: 'step done', step }));
const step = (steps: readonly Step[], id: string): Step => {
  const found = steps.find((each) => each.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};

describe('as planned, up to here', () => {
  const coat = aDog({}, 'husky');
  /** All is done up to the first wash, plugs in. */
  const inTheTub = () => {
    const reading = at(coat);
    const before = reading.steps.slice(
      0,
      reading.steps.findIndex(({ id }) => id === 'wash 1'),
    );
    const plugs: Happening[] = [
      { type: 'plug in', side: 'left' },
      { type: 'plug in', side: 'right' },
    ];
    return at(coat, [...plugs, ...done(...before.map(({ id }) => id))]);
  };

  test('the first wash and the face in one go; never over the rinse', () => {
    const { state, steps, plan } = inTheTub();
    const may = asPlannedUpTo(state, steps, plan, step(steps, 'face'));
    expect(may).toMatchObject({ kind: 'may', steps: [{ id: 'wash 1' }, { id: 'face' }] });
    expect(asPlannedUpTo(state, steps, plan, step(steps, 'wash 2'))).toMatchObject({
      kind: 'stopped',
      at: { id: 'rinse 1' },
    });
  });

  test('a prescribed wash tells its amount, a step that leaves something out is read', () => {
    const says = { kind: 'bath product', productId: 'p', contactMinutes: 0, nothingElse: false } as const;
    const plan = makePlan(aDog({ instructions: [instruct(says)] }, 'husky'));
    const { steps } = inTheTub();
    expect(needsAnswer(step(steps, 'wash 1'), plan)).toMatch(/medicated/);
    const sore = stepsFor(coat, { findings: [finding(placeOf('belly/none'), 'wet sore', 2)] });
    expect(needsAnswer(step(sore, 'wash 1'), { bathProduct: null })).toMatch(/leaves something out/);
  });

  test('whatever the dog: what is ticked off counts nothing, runs no clock, leaves nothing out, and waits for nothing', () => {
    fc.assert(
      fc.property(anyDog, fc.nat(40), (facts, n) => {
        const { state, steps, plan } = at(facts);
        const upTo = steps[n % steps.length];
        if (!upTo) return;
        const may = asPlannedUpTo(state, steps, plan, upTo);
        if (may.kind === 'stopped') return;
        for (const each of may.steps) {
          expect([each.counts, each.dwell ?? null, each.leavesOut, each.barred]).toEqual([null, null, [], null]);
          expect(['look-over', 'rinse 1', 'last rinse', 'dry']).not.toContain(each.stage);
        }
        // Done one after the other, each may be done when its turn comes.
        const after = foldVisit(logged(done(...may.steps.map(({ id }) => id))));
        for (const each of may.steps) expect(waitsFor(after, steps, each)).toEqual([]);
        expect(currentStep(after, steps)?.id).not.toBe(may.steps[0]?.id);
      }),
      { numRuns: 200, seed: 17 },
    );
  });
});

describe('ready about', () => {
  const ofTheDog = (steps: readonly Step[]) =>
    totalMinutes(timeline(steps.filter(({ stage }) => stage !== 'clean-down')));
  const MINUTE = 60_000;

  test('nothing done yet: as long as all of it takes, and on time', () => {
    const { state, steps } = at(aDog());
    const { readyAt, behind } = onTime(state, steps, 0, 0);
    expect([readyAt / MINUTE, behind]).toEqual([ofTheDog(steps), 0]);
  });

  test('half an hour in with nothing done is half an hour behind; a step done brings it nearer', () => {
    const { state, steps } = at(aDog());
    expect(onTime(state, steps, 0, 30 * MINUTE).behind).toBe(30);
    const [first] = steps;
    if (!first) throw new Error('no steps');
    const later = at(aDog(), done(first.id));
    const { behind } = onTime(later.state, steps, 0, 30 * MINUTE);
    expect(behind).toBeLessThan(30);
    expect(30 - (behind ?? 0)).toBeLessThanOrEqual(Math.ceil(first.minutes) + 1);
  });

  test('a dog that came back counts from then, and whether it is late nobody says', () => {
    const events = logged([
      { type: 'opened' },
      { type: 'went home', because: typed('tired'), back: day('2026-11-27') },
      { type: 'came back' },
      { type: 'step done', step: 'prepare' },
    ]);
    expect(hereSince(events)?.what.type).toBe('came back');
    expect(hereSince(events.slice(0, 2))?.what.type).toBe('opened');
    const { state, steps } = at(aDog());
    expect(onTime(state, steps, null, 0).behind).toBeNull();
  });

  test('all done early is early', () => {
    const { steps } = at(aDog());
    const { state } = at(aDog(), done(...steps.map(({ id }) => id)));
    expect(onTime(state, steps, 0, 10 * MINUTE).behind).toBe(10 - ofTheDog(steps));
  });
});

test('of steps that were ticked off in one go nobody knows which took how long: none of them teaches', () => {
  const { steps } = at(aDog());
  const minute = (n: number) => n * 60_000;
  const mark = (what: Happening, i: number, time: number) => {
    const [event] = logged([what], 'tablet', i);
    if (!event) throw new Error('no event');
    return { ...event, at: time };
  };
  const events = [
    mark({ type: 'opened' }, 1, 0),
    mark({ type: 'step done', step: 'brush-out' }, 2, minute(12)),
    mark({ type: 'step done', step: 'wash 1' }, 3, minute(30)),
    mark({ type: 'step done', step: 'face' }, 4, minute(30) + 5),
    mark({ type: 'step done', step: 'water off' }, 5, minute(34)),
  ];
  expect(stagesTook(events, foldVisit(events), steps).map(({ stage }) => stage)).toEqual(['brush-out', 'water off']);
});
