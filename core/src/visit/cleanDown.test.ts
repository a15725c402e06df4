import { expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { aDog } from '../careplan/tests/randomDogs';
import { finding } from '../findings';
import type { Happening, VisitEvent } from '../events';
import type { VisitKind } from '../steps';
import { cautionsNow, cleanDownOf, currentStep, readVisit, stagesTook, stayedOn } from '.';
import { logged } from './tests/randomVisits';

const facts = aDog({}, 'lagotto');
const read = (events: readonly VisitEvent[], kind: VisitKind = 'full visit') =>
  readVisit({ kind, facts, plan: makePlan(facts), contactMinutes: 0, lastFindings: [] }, events);
const ticked = (...parts: readonly string[]): Happening[] =>
  parts.map((part) => ({ type: 'checked', step: 'clean-down', part }));
const done: Happening = { type: 'step done', step: 'clean-down' };
const clock = { device: 'tablet', at: 9e9, offset: 0 };
const step = (reading: ReturnType<typeof read>) => {
  const its = reading.steps.find(({ id }) => id === 'clean-down');
  if (!its) throw new Error('no clean-down');
  return its;
};
const FLEAS: Happening = { type: 'found', finding: finding({ site: 'back', side: 'none' }, 'fleas', 2) };

test('nothing is logged before it is done', () => {
  expect(cleanDownOf(read(logged(ticked('table', 'tub'))))).toBeNull();
});

test('the log says who, when, what was cleaned and what was not, with what, for how long', () => {
  const started = { type: 'timer started', timer: 'clean-down', step: 'clean-down', seconds: 300 } as const;
  const events = logged([
    { type: 'opened' },
    { type: 'cleaned with', product: 'd1', name: 'Reed clean' },
    ...ticked('table', 'tools'),
    started,
    ...Array.from({ length: 299 }, (): Happening => ({ type: 'noted', text: 'waits' })),
    done,
  ]);
  const last = events.at(-1);
  expect(cleanDownOf(read(events))).toEqual({
    eventId: last?.id,
    at: last?.at,
    person: 'p',
    cleaned: ['table', 'tools'],
    left: ['tub', 'dryer', 'hands'],
    product: 'd1',
    productName: 'Reed clean',
    seconds: 300,
    wanted: 300,
    after: [],
  });
});

test('the day of the server’s clock counts, where a tablet’s clock is wrong', () => {
  const events = logged([done]).map((event) => ({ ...event, offset: -500_000 }));
  expect(cleanDownOf(read(events))?.at).toBe((events[0]?.at ?? 0) - 500_000);
});

test('without a clock nobody knows how long it was on; taken back, nothing is logged', () => {
  expect(cleanDownOf(read(logged([done])))).toMatchObject({ seconds: null, wanted: 300, left: step(read([])).parts });
  expect(cleanDownOf(read(logged([done, { type: 'step undone', step: 'clean-down' }])))).toBeNull();
});

test('tub and dryer belong to it where the dog was bathed', () => {
  expect(step(read([])).parts).toEqual(['table', 'tub', 'dryer', 'tools', 'hands']);
  expect(step(read([], 'ears and nails')).parts).toEqual(['table', 'tools', 'hands']);
});

test('after what may spread it waits for all of it, and for ten minutes; after another dog it does not', () => {
  const untold = (events: readonly VisitEvent[]) => {
    const reading = read(events);
    return cautionsNow(reading.state, step(reading), clock)
      .filter(({ id }) => id === 'not checked')
      .map(({ words }) => words);
  };
  expect(untold(logged(ticked('table')))).toEqual([]);
  expect(untold(logged([FLEAS, ...ticked('table', 'tub', 'tools')]))).toEqual(['Not cleaned yet: dryer, hands.']);
  expect(untold(logged([FLEAS, ...ticked('table', 'tub', 'dryer', 'tools', 'hands')]))).toEqual([]);
  expect(step(read(logged([FLEAS]))).dwell?.seconds).toBe(600);
  expect(cleanDownOf(read(logged([FLEAS, done])))?.after).toEqual(['fleas']);
});

test('two devices that name two products clash, and one word settles it', () => {
  const told = (product: string): Happening => ({ type: 'cleaned with', product, name: product });
  const apart = [...logged([told('d1')], 'a'), ...logged([told('d2')], 'b')].map((each) => ({ ...each, seen: {} }));
  expect(read(apart).state.clashes.map(({ about }) => about)).toEqual(['cleaned']);
  expect(currentStep(read(apart).state, read(apart).steps)).not.toBeNull();
});

test('a clock is read by eye: five seconds less are its time, ten are not; without a clock nobody knows', () => {
  expect(stayedOn({ seconds: 295, wanted: 300 })).toBe('long enough');
  expect(stayedOn({ seconds: 290, wanted: 300 })).toBe('too short');
  expect(stayedOn({ seconds: null, wanted: 300 })).toBe('not known');
});

test('after what may spread it waits for the disinfectant’s full time, by the longer of step and label', () => {
  const started = (seconds: number): Happening => ({
    type: 'timer started',
    timer: 'clean-down',
    step: 'clean-down',
    seconds,
  });
  const early = (...happened: Happening[]) => {
    const reading = read(logged([FLEAS, ...happened]));
    const from = reading.state.timers[0]?.started.at ?? 0;
    return [0, 599, 601, 901].map((after) =>
      cautionsNow(reading.state, step(reading), { ...clock, at: from + after * 1000 }).some(
        ({ id }) => id === 'contact time',
      ),
    );
  };
  expect(early()).toEqual([true, true, true, true]);
  expect(early(started(600))).toEqual([true, true, false, false]);
  expect(early(started(900))).toEqual([true, true, true, false]);
  // After an ordinary dog nobody is held up: the log says how long it was on.
  const ordinary = read(logged([started(300)]));
  expect(cautionsNow(ordinary.state, step(ordinary), clock)).toEqual([]);
});

test('a disinfectant’s time teaches no minutes of this dog', () => {
  const hour: Happening = { type: 'noted', text: 'waits' };
  const events = logged([{ type: 'step done', step: 'record' }, hour, done]).map((event, i) => ({
    ...event,
    at: event.at + i * 600_000,
  }));
  const { state, steps } = read(events);
  expect(stagesTook(events, state, steps).map(({ stage }) => stage)).not.toContain('clean-down');
});
