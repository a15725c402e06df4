import { describe, expect, test } from 'vitest';
import { aDog } from '../careplan/tests/randomDogs';
import type { DogFacts } from '../dog';
import { tapped, typed, type Happening } from '../events';
import { finding } from '../findings';
import { BODY_PLACES, SIDES, mirror, placeOf, type Place, type PlaceKey } from '../places';
import { foldVisit, placeNeededNothing, taskOutcomes, wasCaredFor, type VisitWork } from '.';
import { logged, stepsFor } from './tests/randomVisits';

const LAGOTTO = aDog({}, 'lagotto');
const BOTH_EARS_CLEAR: readonly Happening[] = SIDES.map((side) => ({
  type: 'looked clear',
  place: { site: 'ear', side },
}));
const ALL_CLEAR: readonly Happening[] = [
  ...BOTH_EARS_CLEAR,
  ...BODY_PLACES.map((place): Happening => ({ type: 'looked clear', place })),
];
const notNeeded = (step: string): Happening => ({ type: 'step skipped', step, because: tapped('not needed') });
const done = (step: string): Happening => ({ type: 'step done', step });
const judged = (key: PlaceKey, length: 'short' | 'at the floor' | 'clicks' | 'curled'): Happening => ({
  type: 'nails judged',
  place: placeOf(key),
  length,
});

function visitOf(happenings: readonly Happening[], dog: DogFacts = LAGOTTO): VisitWork {
  const state = foldVisit(logged(happenings));
  return { state, steps: stepsFor(dog, { findings: state.findings }) };
}
const outcomes = (happenings: readonly Happening[], dog?: DogFacts): Record<string, string> =>
  Object.fromEntries(
    taskOutcomes(visitOf(happenings, dog)).map(({ task, outcome, grade }) => [task, `${outcome} ${grade ?? '–'}`]),
  );

describe('what a visit came to, task by task', () => {
  test.each<[string, Happening[], Record<string, string>]>([
    ['nails done, nobody judged them', [done('nails')], { nails: 'done –' }],
    ['nails done as the longest was', [judged('paw front/left', 'clicks'), done('nails')], { nails: 'done 2' }],
    [
      'dewclaws apart: they are the worst here',
      [judged('paw front/left', 'short'), judged('nail front 1/left', 'curled'), done('nails')],
      { nails: 'done 3' },
    ],
    ['nails that needed nothing are short', [notNeeded('nails')], { nails: 'not needed 0' }],
    [
      'needed nothing, and at the floor',
      [judged('paw hind/right', 'at the floor'), notNeeded('nails')],
      { nails: 'not needed 1' },
    ],
    [
      'judged, and not done for want of time: seen',
      [judged('paw hind/right', 'clicks'), { type: 'step skipped', step: 'nails', because: tapped('no time') }],
      { nails: 'seen 2' },
    ],
    [
      'judged twice: the later word',
      [judged('paw front/left', 'curled'), judged('paw front/left', 'short')],
      { nails: 'seen 0' },
    ],
  ])('%s', (_, happenings, expected) => {
    expect(outcomes(happenings)).toEqual(expected);
  });

  test.each<[string, Happening[], string]>([
    ['free', [], '0'],
    ['tangles', [{ type: 'found', finding: finding(placeOf('side/left'), 'tangles', 2) }], '1'],
    ['loose mats', [{ type: 'found', finding: finding(placeOf('back/none'), 'mat', 2, false) }], '2'],
    ['a mat, nobody said how deep', [{ type: 'found', finding: finding(placeOf('back/none'), 'mat', 1) }], '3'],
  ])('a coat that is looked over and %s', (_, found, grade) => {
    expect(outcomes([...ALL_CLEAR, ...found, done('brush-out')])['brush-out']).toBe(`done ${grade}`);
  });

  test('a coat of which a part was not looked at has no grade; a soiled rear is plain', () => {
    expect(outcomes([...BOTH_EARS_CLEAR, done('brush-out')])['brush-out']).toBe('done –');
    const soiled: Happening = { type: 'found', finding: finding(placeOf('rear/none'), 'soiled rear', 1) };
    expect(outcomes([...ALL_CLEAR, soiled])).toEqual({ 'brush-out': 'seen 0', rear: 'seen 2' });
    expect(outcomes(ALL_CLEAR)).toEqual({ 'brush-out': 'seen 0', rear: 'seen 0' });
  });

  test('face, feet and rear piece by piece: a flap that was left is not done, one that needed nothing is looked at', () => {
    const settled = (piece: string, how: 'not needed' | 'left' | 'done'): Happening => ({
      type: 'piece settled',
      step: 'first clip',
      piece,
      how,
      because: how === 'left' ? typed('would not hold still') : null,
    });
    const clip = [
      settled('flap inside ear/left', 'left'),
      settled('flap inside ear/right', 'not needed'),
      settled('rear', 'left'),
      settled('rear', 'done'),
      done('first clip'),
    ];
    const seen = outcomes(clip);
    expect(seen).not.toHaveProperty('ear flaps@ear/left');
    expect(seen).toMatchObject({ 'ear flaps@ear/right': 'not needed –', rear: 'done –', pads: 'done –' });
  });

  test('a step that is skipped for another reason, and washing that was not needed, say nothing', () => {
    expect(outcomes([{ type: 'step skipped', step: 'nails', because: tapped('would not have it') }])).toEqual({});
    expect(outcomes([notNeeded('wash 2'), notNeeded('conditioner')])).toEqual({});
  });

  test('an ear that needed nothing is no care; a wipe after the bath is', () => {
    const left: Place = { site: 'ear', side: 'left' };
    const both = [notNeeded('ears, first pass left'), notNeeded('ears, second pass left')];
    expect([wasCaredFor(visitOf(both), left), placeNeededNothing(visitOf(both), left)]).toEqual([false, true]);
    expect(placeNeededNothing(visitOf(both), mirror(left))).toBe(false);
    const wiped = visitOf([notNeeded('ears, first pass left'), done('ears, second pass left')]);
    expect([wasCaredFor(wiped, left), placeNeededNothing(wiped, left)]).toEqual([true, false]);
  });

  test('an ear under a stop cannot come to "nothing needed"', () => {
    const musty: Happening = { type: 'found', finding: finding(placeOf('ear/left'), 'ear musty smell', 1) };
    const visit = visitOf([musty, notNeeded('ears, first pass left'), notNeeded('ears, second pass left')]);
    expect(placeNeededNothing(visit, placeOf('ear/left'))).toBe(false);
  });
});
