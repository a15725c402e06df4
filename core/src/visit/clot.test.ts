import { expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { aDog } from '../careplan/tests/randomDogs';
import type { Happening } from '../events';
import { finding } from '../findings';
import { placeOf } from '../places';
import { CLOT, CLOT_SECONDS, cautionsNow, readVisit } from '.';
import { logged, stepsFor } from './tests/randomVisits';

const facts = aDog();
const nicked: Happening = { type: 'timer started', timer: CLOT, step: 'nails', seconds: CLOT_SECONDS };

/** What speaks against wetting the coat so many seconds after the nick. */
function atTheTub(seconds: number, happened: readonly Happening[], device = 'tablet'): string[] {
  const events = logged([{ type: 'opened' }, ...happened]).map((event) => ({ ...event, at: 0, offset: null }));
  const { state, steps } = readVisit(
    { kind: 'full visit', facts, plan: makePlan(facts), contactMinutes: 0, lastFindings: [] },
    events,
  );
  const wet = steps.find(({ id }) => id === 'wet');
  if (!wet) throw new Error('no wet');
  return cautionsNow(state, wet, { device, at: seconds * 1000, offset: null }).map(({ words }) => words);
}

test('water waits until a clot has held its time; on another clock it is not known, and said so', () => {
  expect(atTheTub(120, [nicked])).toEqual([expect.stringMatching(/held 2:00 of 5:00 min/)]);
  expect(atTheTub(301, [nicked])).toEqual([]);
  expect(atTheTub(301, [nicked], 'phone')).toEqual([expect.stringMatching(/not known/)]);
  expect(atTheTub(5, [])).toEqual([]);
});

test('disinfectant has a clock: the business’s time, and at least ten minutes after what may spread', () => {
  const seconds = (ways: Partial<typeof facts.ways>, ...signs: Parameters<typeof finding>[]) =>
    stepsFor({ ...facts, ways: { ...facts.ways, ...ways } }, { findings: signs.map((each) => finding(...each)) }).find(
      ({ stage }) => stage === 'clean-down',
    )?.dwell?.seconds;
  const bald: Parameters<typeof finding> = [placeOf('side/left'), 'round patch', 2];
  expect([seconds({}), seconds({ disinfect: '15 min' })]).toEqual([300, 900]);
  expect([seconds({ disinfect: '1 min' }, bald), seconds({ disinfect: '15 min' }, bald)]).toEqual([600, 900]);
});
