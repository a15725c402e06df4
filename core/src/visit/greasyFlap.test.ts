import { expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { aDog } from '../careplan/tests/randomDogs';
import type { DogFacts } from '../dog';
import type { Happening } from '../events';
import { finding } from '../findings';
import type { Place } from '../places';
import { readVisit, taskOutcomes } from '.';
import { logged } from './tests/randomVisits';

const LEFT: Place = { site: 'ear', side: 'left' };
const EAR = 'ears, first pass left';
const GREASY: Happening = { type: 'found', finding: finding(LEFT, 'ear greasy flap', 1) };
const settled = (how: 'handed on' | 'left'): Happening => ({
  type: 'piece settled',
  step: EAR,
  piece: 'greasy flap ear/left',
  how,
  because: null,
});
const done = (step: string): Happening => ({ type: 'step done', step });
const visitOf = (happened: readonly Happening[], more: Partial<DogFacts['ways']> = {}) => {
  const facts = aDog({ ways: { ...aDog().ways, ...more } }, 'spaniel-cocker');
  const visit = readVisit(
    { kind: 'full visit', facts, plan: makePlan(facts), contactMinutes: 0, lastFindings: [] },
    logged(happened),
  );
  const at = (id: string) => visit.steps.find((step) => step.id === id);
  return {
    visit,
    piecesOf: (id: string) => at(id)?.pieces.map((each) => each.id) ?? [],
    howOf: (id: string) =>
      at(id)
        ?.how.map(({ words }) => words)
        .join(' ') ?? '',
  };
};

// docs/trade.md, ears: a greasy flap is treated on its own pad and washed off in the bath. Common practice, no source.
test('a greasy flap gets a pad of its own in the step of its ear, and is a note', () => {
  expect(visitOf([]).piecesOf(EAR)).not.toContain('greasy flap ear/left');
  const { visit, piecesOf, howOf } = visitOf([GREASY]);
  expect(piecesOf(EAR)).toContain('greasy flap ear/left');
  expect(piecesOf('ears, first pass right')).not.toContain('greasy flap ear/right');
  expect(howOf(EAR)).toMatch(/pad of its own/);
  expect(visit.judged['ear/left']).toMatchObject({ level: 'note' });
  expect(piecesOf('wash 1')).not.toContain('flap washed ear/left');
});

test('what its pad did not take off is washed off with the head, and the wash says so', () => {
  const { visit, piecesOf, howOf } = visitOf([GREASY, settled('handed on'), done(EAR), done('wash 1')]);
  expect(piecesOf('wash 1')).toContain('flap washed ear/left');
  expect(howOf('wash 1')).toMatch(/A flap is still greasy/);
  // The flap makes no clock of its own: the same tasks are done as without it.
  const tasks = (of: typeof visit) => taskOutcomes(of).map(({ task, outcome }) => [task, outcome]);
  expect(tasks(visit)).toEqual(tasks(visitOf([done(EAR), done('wash 1')]).visit));
});

test('taken back, nothing is handed on', () => {
  const back: Happening = { type: 'taken back', place: LEFT, sign: 'ear greasy flap' };
  expect(visitOf([GREASY, settled('handed on'), back]).piecesOf('wash 1')).not.toContain('flap washed ear/left');
});

test('where the head is not washed, nothing waits for the bath', () => {
  const { piecesOf } = visitOf([GREASY, settled('handed on')], { head: 'neck down only' });
  expect(piecesOf('wash 1')).not.toContain('flap washed ear/left');
});

test('an ear under a stop keeps its flap out of the wash; the flap is wiped all the same', () => {
  const red: Happening = { type: 'found', finding: finding(LEFT, 'ear redness', 2) };
  const { piecesOf } = visitOf([GREASY, red, settled('handed on')]);
  expect(piecesOf(EAR)).toContain('greasy flap ear/left');
  const sores: Happening = { type: 'found', finding: finding(LEFT, 'ear sores', 1) };
  expect(visitOf([GREASY, sores, settled('handed on')]).piecesOf('wash 1')).not.toContain('flap washed ear/left');
});
