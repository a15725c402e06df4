import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { aDog } from '../careplan/tests/randomDogs';
import type { DogFacts } from '../dog';
import { tapped, type Happening } from '../events';
import { finding } from '../findings';
import type { Place } from '../places';
import { readVisit, wasCaredFor } from '.';
import { logged } from './tests/randomVisits';

const LEFT: Place = { site: 'eye', side: 'left' };
const TABLE = 'eyes, on the table left';
const CRUST = 'eye crust eye/left';
const dogWith = (eyeCrust: DogFacts['ways']['eyeCrust']) => {
  const dog = aDog({}, 'shih-tzu');
  return { ...dog, ways: { ...dog.ways, eyeCrust } };
};
const visitOf = (happened: readonly Happening[], dog: DogFacts = dogWith('clip the loose piece')) => {
  const visit = readVisit(
    { kind: 'full visit', facts: dog, plan: makePlan(dog), contactMinutes: 0, lastFindings: [] },
    logged(happened),
  );
  return { visit, piecesOf: (id: string) => visit.steps.find((step) => step.id === id)?.pieces.map((each) => each.id) };
};
const crust = (answer: boolean | null = null): Happening => ({
  type: 'found',
  finding: finding(LEFT, 'eye crust', 2, answer),
});
const settle = (step: string, how: 'handed on' | 'left'): Happening => ({
  type: 'piece settled',
  step,
  piece: CRUST,
  how,
  because: how === 'left' ? tapped('did not lift') : null,
});

// docs/trade.md, eyes: softened with plain water and time, never picked dry. Common practice, no source.
describe('crust as one flow', () => {
  test('what did not lift on the table waits for the tub, where it is a piece of the face', () => {
    expect(visitOf([crust(true)]).piecesOf('face')).not.toContain(CRUST);
    const handed = [settle(TABLE, 'handed on'), { type: 'step done', step: TABLE } as const];
    const { visit, piecesOf } = visitOf([crust(true), ...handed]);
    expect(piecesOf('face')).toContain(CRUST);
    // Not known to lift: it is in the step, and the comb stays away from it until it does.
    const face = visitOf([crust(), ...handed]).visit.steps.find(({ id }) => id === 'face');
    expect(face?.pieces.map(({ id }) => id)).not.toContain(CRUST);
    expect(face?.leavesOut.flatMap(({ pieces }) => pieces)).toContain(CRUST);
    // The eye itself was wiped on the table: it was cared for, whatever becomes of the rest.
    expect(wasCaredFor(visit, LEFT)).toBe(true);
  });

  test('the rest that lifts in the tub is a note; what stays is told and left, and makes no new step on the table', () => {
    const handed = [crust(), settle(TABLE, 'handed on')];
    expect(visitOf([...handed, crust(true)]).visit.judged['eye/left']?.level).toBe('note');
    const stays = visitOf([...handed, crust(false), settle('face', 'left')]);
    expect(stays.visit.judged['eye/left']?.level).toBe('tell');
    const tub = dogWith('in the tub');
    expect(visitOf([crust()], tub).piecesOf(TABLE)).toBeUndefined();
    expect(visitOf([crust(false), settle('face', 'left')], tub).piecesOf(TABLE)).toBeUndefined();
    // Told before any water: fixed to the lid, it is softened on the table.
    expect(visitOf([crust(false)], tub).piecesOf(TABLE)).toContain('eye soften eye/left');
  });
});
