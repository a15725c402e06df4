import { makePlan } from '@dewpond/core/careplan';
import { planDue } from '@dewpond/core/due';
import type { DogFacts } from '@dewpond/core/dog';
import { day } from '@dewpond/core/units';
import { expect, test } from 'vitest';
import { TODAY, facts } from '../../../tests/demoDog';
import { bySides, sidesWords } from './sides';

const NOTHING = { places: {}, tasks: {}, homeCareChangedOn: null, schoolChangedOn: null };
const ears = (dog: DogFacts) =>
  bySides(planDue(makePlan(dog), NOTHING, TODAY))
    .filter(({ due }) => due.line.task === 'ear cleaning')
    .map(({ due, both }) => [due.line.place?.side, both]);

test('two sides that say the same are one line; a word for one side parts them', () => {
  const pug = facts('pug');
  expect(ears(pug)).toEqual([['left', true]]);
  const drops = {
    id: 'i',
    by: 'owner' as const,
    who: 'Noor Haddad',
    place: { site: 'ear', side: 'right' } as const,
    says: { kind: 'uses', what: 'ear drops', name: '' } as const,
    from: day('2026-11-01'),
    until: null,
  };
  expect(ears({ ...pug, instructions: [drops] })).toEqual([
    ['left', false],
    ['right', false],
  ]);
});

test('nothing is lost: every line of the plan is shown, or its twin is shown for both', () => {
  const due = planDue(makePlan(facts('pug')), NOTHING, TODAY);
  const shown = bySides(due);
  expect(shown.reduce((sum, { both }) => sum + (both ? 2 : 1), 0)).toBe(due.length);
});

test('is told with both sides named', () => {
  expect(sidesWords({ site: 'ear', side: 'left' }, true)).toBe('left and right ear');
  expect(sidesWords({ site: 'fold pocket', side: 'left' }, false)).toMatch(/^left pocket/);
});
