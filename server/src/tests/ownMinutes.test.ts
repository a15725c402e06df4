import { plainDog } from '@dewpond/core/dog';
import { byCoat } from '@dewpond/core/steps';
import { day } from '@dewpond/core/units';
import { expect, test } from 'vitest';
import { BY_COAT, ownMinutes } from '../records/dog/ownMinutes';

const TODAY = day('2026-11-25');
const row = (minutes: number, predicted: number, basis: number) => ({
  visitId: 'v',
  day: TODAY,
  stage: 'dry' as const,
  minutes,
  predicted,
  basis,
});

test('what was learned before coats counted is not counted twice: a thick coat that took as long as it should is ordinary', () => {
  const husky = plainDog(['husky'], { today: TODAY });
  const coat = byCoat('dry', husky);
  expect(coat).toBeGreaterThan(1.2);
  // From size alone 20 minutes were predicted, and its coat took what coats like it take.
  const before = Array.from({ length: 5 }, () => row(20 * coat, 20, 1));
  expect(ownMinutes({ took: before }, husky).dry).toBeCloseTo(1, 9);
  const since = Array.from({ length: 5 }, () => row(20 * coat, 20 * coat, BY_COAT));
  expect(ownMinutes({ took: since }, husky).dry).toBeCloseTo(1, 9);
});
