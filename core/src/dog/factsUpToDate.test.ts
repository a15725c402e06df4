import { expect, test } from 'vitest';
import { placeOf } from '../places';
import { decideEarHair, makePlan } from '../careplan';
import { factsUpToDate, type OlderFacts } from '.';
import { aDog } from '../careplan/tests/randomDogs';

/** As the version before wrote a dog down on a device. */
const older = (): OlderFacts => {
  const { eyes: _, known: __, ways, ...dog } = aDog({}, 'lagotto');
  const { brushOut: ___, ...then } = ways;
  return {
    ...dog,
    ways: { ...then, earHair: 'routine' },
    ears: {
      left: { conditions: [], plucked: { weeksAgo: 5 }, ownerForbidsPlucking: false },
      right: { conditions: [], plucked: { weeksAgo: null }, ownerForbidsPlucking: false },
    },
    suspended: { 'ear/left': 'musty or yeasty smell', 'fold lip/left': 'raw skin' },
    earUnsettled: { left: 'musty or yeasty smell', right: null },
  };
};

test('a dog of the version before is read: its stops stand, weeks become days, its eyes have no history', () => {
  const facts = factsUpToDate(older());
  expect(facts).toMatchObject({
    eyes: { left: [], right: [] },
    known: [],
    ears: { left: { plucked: { daysAgo: 35 } }, right: { plucked: { daysAgo: null } } },
    suspended: { 'ear/left': { words: 'musty or yeasty smell' } },
  });
  const line = makePlan(facts).lines.find(({ task, place }) => task === 'ear cleaning' && place?.side === 'left');
  expect(line?.bars[0]?.reason).toEqual({ kind: 'newer', words: 'musty or yeasty smell' });
  expect(decideEarHair(factsUpToDate({ ...older(), suspended: {} }), 'left').way).toBe('leave');
  expect(facts.ways.brushOut).toBe(aDog().ways.brushOut);
});

test('a dog of today is the same dog', () => {
  const today = aDog({
    suspended: {
      'ear/left': {
        findings: [{ place: placeOf('ear/left'), sign: 'ear pus', grade: 1, answer: null }],
        on: aDog().today,
      },
    },
  });
  expect(factsUpToDate(today)).toEqual(today);
});
