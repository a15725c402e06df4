import { describe, expect, test } from 'vitest';
import { aDog } from '../careplan/tests/randomDogs';
import { finding, type Sign } from '../findings';
import { BODY_PLACES, NOSE_PAD, type Place } from '../places';
import { asksForFloor, judgeLookOver, placesToLookAt } from '.';
import { stepsFor } from './tests/randomVisits';

// docs/trade.md, folds. Common practice, no source; levels of the nose pad are house values.
describe('the nose pad', () => {
  const pug = aDog({}, 'pug');
  const balm = (...signs: Sign[]) =>
    stepsFor(pug, { findings: signs.map((sign) => finding(NOSE_PAD, sign, 1)) }).find(({ id }) => id === 'nose balm');

  test('is looked at on a flat face, and on no other', () => {
    expect(placesToLookAt(pug)).toContainEqual(NOSE_PAD);
    expect(placesToLookAt(aDog())).not.toContainEqual(NOSE_PAD);
  });

  test('dry: balm is a step; cracked or sore: it is barred and says so; clear: there is none', () => {
    expect(balm()).toBeUndefined();
    expect(balm('nose dry')).toMatchObject({ barred: null, pieces: [{ id: 'nose balm' }] });
    expect(balm('nose dry', 'nose cracked')?.barred).not.toBeNull();
    expect(balm('nose dry', 'nose sore')?.barred).not.toBeNull();
  });

  test('a sore one goes to a vet, cracks to the owner, scales are noted', () => {
    const level = (sign: Sign) => judgeLookOver(pug, [finding(NOSE_PAD, sign, 1)], [])['nose pad/none']?.level;
    expect([level('nose sore'), level('nose cracked'), level('nose dry')]).toEqual(['vet', 'tell', 'note']);
  });
});

test('a deep fold is asked to its floor; a light one, and all else of the dog, is not', () => {
  const at = (site: Place['site']): Place => ({ site, side: 'none' });
  const dog = aDog({}, 'pug');
  expect(dog.traits.folds).toMatchObject({ nose: 'deep', tail: 'light' });
  expect([at('fold nose'), at('fold tail'), ...BODY_PLACES].filter((place) => asksForFloor(dog, place))).toEqual([
    at('fold nose'),
  ]);
});
