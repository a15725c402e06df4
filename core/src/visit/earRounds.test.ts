import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { aDog } from '../careplan/tests/randomDogs';
import type { DogFacts } from '../dog';
import type { Happening } from '../events';
import { finding, type Sign } from '../findings';
import { lineAmounts } from '../needs';
import type { Place } from '../places';
import { titleWords } from '../steps';
import { earDepth } from '../work';
import { afterBrownPads, earSoaks, earWorkOf, readVisit } from '.';
import { logged } from './tests/randomVisits';

const LEFT: Place = { site: 'ear', side: 'left' };
const FIRST = 'ears, first pass left';
const dogWith = (school: DogFacts['ways']['earCleaning'], more: Partial<DogFacts> = {}, breed = 'beagle') => {
  const dog = aDog(more, breed);
  return { ...dog, ways: { ...dog.ways, earCleaning: school } };
};
const visitOf = (happened: readonly Happening[], dog: DogFacts) =>
  readVisit(
    { kind: 'full visit', facts: dog, plan: makePlan(dog), contactMinutes: 0, lastFindings: [] },
    logged(happened),
  );
const stepOf = (happened: readonly Happening[], dog: DogFacts, id = FIRST) => {
  const step = visitOf(happened, dog).steps.find((each) => each.id === id);
  if (!step) throw new Error(`no ${id}`);
  return { step, pieces: step.pieces.map((piece) => piece.id.replace(' ear/left', '')) };
};
const wax = (grade: 1 | 2 | 3, sign: Sign = 'ear dark wax'): Happening => ({
  type: 'found',
  finding: finding(LEFT, sign, grade),
});
const clear: Happening = { type: 'looked clear', place: LEFT };

// docs/trade.md, ears: the look decides how much. Common practice, no source.
describe('the look decides how deep an ear is cleaned', () => {
  test.each([
    ['fill', 0, true, 'wipe'],
    ['fill', 0, false, 'damp pad only'],
    ['fill', 1, true, 'damp pad only'],
    ['fill', 2, true, 'few drops'],
    ['fill', 3, true, 'fill'],
    ['few drops', 3, true, 'few drops'],
    ['soaked cotton', 3, false, 'soaked cotton'],
    ['damp pad only', 3, false, 'damp pad only'],
    ['damp pad only', 0, true, 'wipe'],
  ] as const)('a business that does %s at most, wax %s, hairless %s: %s', (most, grade, hairless, depth) => {
    expect(earDepth(most, { wax: grade, hairless })).toBe(depth);
    expect(earDepth(most, null)).toBe(most);
  });

  test('before anyone looked it is planned as the business does; a healthy hairless ear is then wiped, not filled', () => {
    const beagle = dogWith('fill');
    expect(stepOf([], beagle).pieces).toEqual(['dry debris', 'ear cleaner', 'ear pads']);
    const { step, pieces } = stepOf([clear], beagle);
    expect([pieces, titleWords(step.title)]).toEqual([['ear pads'], 'Wipe the left ear, nothing poured']);
    expect(step.how.map(({ words }) => words)).toContain(
      'Clear and hairless: a dry wipe of what the eye sees, nothing poured.',
    );
    expect(step.dwell).toBeNull();
    expect(stepOf([clear], beagle, 'ears, first pass right').pieces).toHaveLength(3);
  });

  test('an ear that is not poured is not told to pour, shake or massage; one that is says once how much', () => {
    const said = (happened: readonly Happening[]) =>
      stepOf(happened, dogWith('fill'))
        .step.how.map(({ words }) => words)
        .join(' ');
    for (const look of [clear, wax(1)]) expect(said([look])).not.toMatch(/spill|then cleaner|shake|[Nn]ozzle|massage/);
    expect(said([wax(3)])).toMatch(/Much wax: filled, massage.*then cleaner.*shake/);
    expect(said([wax(3)])).not.toMatch(/begins to spill.*begins to spill/);
    // Not looked at yet: as the business does.
    expect(said([])).toMatch(/Filled until it just begins to spill/);
  });

  test('more wax than the business goes for is said; a pup is never filled; hair seen today counts', () => {
    const said = (happened: readonly Happening[], dog: DogFacts) =>
      stepOf(happened, dog).step.how.map(({ words }) => words);
    expect(said([wax(3)], dogWith('few drops'))).toContain(
      'Much wax: a few drops and massage, the most this business does.',
    );
    expect(stepOf([wax(3)], dogWith('fill')).step.dwell).not.toBeNull();
    expect(said([wax(3)], dogWith('fill', { lifeStage: 'puppy' }))).toContain(
      'Much wax: a few drops and massage, the most this business does.',
    );
    expect(said([clear, { type: 'ear hair seen', side: 'left', hair: 'dense' }], dogWith('fill'))).toContain(
      'Clear: a damp pad, nothing poured.',
    );
  });

  test('what was not poured does not soak, and takes no cleaner', () => {
    const done = { type: 'step done', step: FIRST } as const;
    const beagle = dogWith('fill');
    const soaks = (...happened: Happening[]) => {
      const { state, steps } = visitOf(happened, beagle);
      return earSoaks(state, steps).length;
    };
    expect([soaks(wax(3), done), soaks(clear, done)]).toEqual([1, 0]);
    const line = makePlan(beagle).lines.find(({ task, place }) => task === 'ear cleaning' && place?.side === 'left');
    const ml = (...happened: Happening[]) => {
      const work = earWorkOf(visitOf(happened, beagle), 'left');
      const amounts = line && work ? lineAmounts(line, beagle, 1, undefined, work) : [];
      return amounts.reduce((sum, { amount }) => sum + ('ml' in amount ? amount.ml : 0), 0);
    };
    // docs/trade.md, how much: a middle dog is filled with 4 ml, drops are 1, a pad is 2.
    expect([ml(clear), ml(wax(1)), ml(wax(2)), ml(wax(3))]).toEqual([0, 2, 1, 4]);
    expect(ml(wax(3), { type: 'ear filled again', side: 'left' })).toBe(8);
  });
});

describe('pads that stay brown', () => {
  const brown: Happening = { type: 'pad dirty', side: 'left', colour: 'brown' };
  const again: Happening = { type: 'ear filled again', side: 'left' };
  const next = (...happened: Happening[]) => {
    const dog = dogWith('fill');
    const { step } = stepOf([wax(3), ...happened], dog);
    return afterBrownPads(visitOf([wax(3), ...happened], dog), step, 'left');
  };

  test('a second filling, then it is left and told; a clean pad ends it, a colour that is a sign, too', () => {
    expect(next()).toBeNull();
    expect(next(brown)).toBe('fill again');
    expect(next(brown, again)).toBeNull();
    expect(next(brown, again, brown)).toBe('leave and tell');
    expect(next(brown, { type: 'pad clean', side: 'left' })).toBeNull();
    expect(next(brown, { type: 'pad dirty', side: 'left', colour: 'black' })).toBeNull();
  });

  test('an ear that looked clean and gives two brown pads is cleaned deeper, where the business goes deeper', () => {
    const after = (dog: DogFacts, ...pads: Happening[]) => {
      const happened = [clear, ...pads];
      return afterBrownPads(visitOf(happened, dog), stepOf(happened, dog).step, 'left');
    };
    expect([after(dogWith('fill'), brown), after(dogWith('fill'), brown, brown)]).toEqual([null, 'go deeper']);
    expect(after(dogWith('damp pad only'), brown, brown)).toBeNull();
    // Nothing has been poured yet: pads of the wipe say nothing of the filling.
    expect(after(dogWith('fill'), brown, brown, wax(2))).toBeNull();
    expect(after(dogWith('fill'), brown, brown, wax(2), brown)).toBe('fill again');
  });

  test('still brown is a finding: nothing more goes in, the owner is told', () => {
    const { judged, steps } = visitOf(
      [wax(3), brown, again, brown, { type: 'found', finding: finding(LEFT, 'ear still brown', 1) }],
      dogWith('fill'),
    );
    expect(judged['ear/left']).toMatchObject({ level: 'tell' });
    expect(steps.find(({ id }) => id === FIRST)?.barred).not.toBeNull();
  });

  test('a business that cleans twice fills again after the bath only where no pad came out clean', () => {
    const dog = dogWith('fill');
    const both = { ...dog, ways: { ...dog.ways, earsWhen: 'both' as const } };
    const second = (...happened: Happening[]) => stepOf(happened, both, 'ears, second pass left').pieces;
    expect(second(wax(3), brown)).toContain('ear cleaner again');
    expect(second(wax(3), brown, { type: 'pad clean', side: 'left' })).not.toContain('ear cleaner again');
    expect(second(clear)).not.toContain('ear cleaner again');
  });
});
