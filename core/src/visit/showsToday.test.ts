import { describe, expect, test } from 'vitest';
import { makePlan, restraintOf } from '../careplan';
import { aDog } from '../careplan/tests/randomDogs';
import { ALL_SHOWN, asShown, isKnown, shownRefused, type DogFacts, type ShownToday } from '../dog';
import type { Happening } from '../events';
import { handlingMarks } from '../handling';
import { readVisit, shownByClocks, tiredBy, tiringBudget, worthAMark } from '.';
import { logged } from './tests/randomVisits';

const visit = (facts: DogFacts, ...what: readonly Happening[]) =>
  readVisit(
    { kind: 'full visit', facts, plan: makePlan(facts), contactMinutes: 0, lastFindings: [] },
    logged([{ type: 'opened' }, ...what]),
  );
const shows = (what: ShownToday, yes = true): Happening => ({ type: 'shows today', what, yes });
const words = ({ steps }: ReturnType<typeof visit>): string =>
  steps.flatMap(({ how, title }) => [...how.map((said) => said.words), title.id]).join('\n');

const spaniel = aDog({}, 'springer');
const pug = aDog({}, 'pug');

describe('how it shows itself today', () => {
  test('it cannot stand: washed lying, from this tap on; taken back, as before', () => {
    expect(words(visit(spaniel))).not.toMatch(/Lying on a mat, in parts/);
    expect(words(visit(spaniel, shows('cannot stand')))).toMatch(/Lying on a mat, in parts/);
    expect(words(visit(spaniel, shows('cannot stand'), shows('cannot stand', false)))).toBe(words(visit(spaniel)));
  });

  test('no blower: towels only, and no piece of the drying blows', () => {
    const blows = (reading: ReturnType<typeof visit>) =>
      reading.steps
        .filter(({ stage }) => stage === 'dry')
        .some(({ pieces }) => pieces.some(({ touches }) => touches.some(({ procedure }) => procedure === 'blow')));
    expect([blows(visit(spaniel)), blows(visit(spaniel, shows('no blower')))]).toEqual([true, false]);
  });

  test('a muzzle is never put on a flat face, whoever taps it', () => {
    expect([shownRefused(spaniel, 'muzzle'), shownRefused(pug, 'muzzle')]).toEqual([
      null,
      expect.stringMatching(/Never/),
    ]);
    expect(visit(pug, shows('muzzle')).facts.handling.muzzle).toBe('no muzzle');
    const line = restraintOf(visit(spaniel, shows('muzzle')).facts).find(({ about }) => about === 'muzzle');
    expect(line?.words).toMatch(/never under a dryer or in heat.*owner has not been asked/);
  });

  test.each(ALL_SHOWN)('%s: known once it stands on the dog, and not before', (what) => {
    expect(isKnown(spaniel, what)).toBe(false);
    expect(isKnown(asShown(spaniel, [what]), what)).toBe(true);
  });
});

describe('a dog that tires has a budget', () => {
  test.each<[string, DogFacts, number | null]>([
    ['a young long-nosed dog', aDog({}, 'springer'), null],
    ['an old one', aDog({ lifeStage: 'senior' }, 'springer'), 45],
    ['a flat face', aDog({}, 'pug'), 45],
    ['a blind dog', aDog({ handling: { ...aDog().handling, sight: 'blind' } }, 'springer'), 45],
    ['one that cannot stand', aDog({ canStandThroughBath: false }, 'springer'), 45],
    ['a business that goes by eye', aDog({ ways: { ...aDog().ways, standingMinutes: 'no limit' } }, 'pug'), null],
    ['a business that stops sooner', aDog({ ways: { ...aDog().ways, standingMinutes: '30 min' } }, 'pug'), 30],
  ])('%s', (_, dog, standing) => {
    expect(tiringBudget(dog)?.standing ?? null).toBe(standing);
  });

  test('at the dryer, then in all; with towels alone there is no time at the dryer', () => {
    const events = logged([{ type: 'opened' }, { type: 'step done', step: 'water off' }]);
    const [, off] = events;
    if (!off) throw new Error('no event');
    const after = (minutes: number, more: Partial<DogFacts> = {}) => {
      const facts = aDog(more, 'pug');
      const before = { kind: 'full visit', facts, plan: makePlan(facts), contactMinutes: 0, lastFindings: [] } as const;
      const tired = tiredBy(readVisit(before, events), events, off.at + (off.offset ?? 0) + minutes * 60_000);
      return tired && [tired.at, tired.minutes, tired.because];
    };
    const towels = { handling: { ...aDog().handling, dryer: 'towels only' as const } };
    expect(after(14)).toBeNull();
    expect(after(20)).toEqual(['dryer', 20, 'flat-faced']);
    expect(after(20, towels)).toBeNull();
    expect(after(50, towels)?.[0]).toBe('here');
    expect(
      after(50, {
        lifeStage: 'adult',
        ways: { ...aDog().ways, dryerMinutes: 'no limit', standingMinutes: 'no limit' },
      }),
    ).toBeNull();
  });
});

describe('what is offered as a mark', () => {
  const nails = (...minutes: readonly number[]) =>
    minutes.map((each) => ({ stage: 'nails' as const, minutes: each, predicted: 6 }));

  test('what was so before and is so today, and does not stand on the dog', () => {
    const dog = { facts: spaniel, shownBefore: ['no blower', 'likes its chest scratched'] as const };
    expect(worthAMark(dog, ['likes its chest scratched', 'two people'])).toEqual(['likes its chest scratched']);
    const kept = asShown(spaniel, ['likes its chest scratched']);
    expect(kept.handling.likes).toEqual(['scratched at the chest']);
    expect(worthAMark({ ...dog, facts: kept }, ['likes its chest scratched'])).toEqual([]);
  });

  test.each<[string, readonly number[], boolean]>([
    ['twice twelve minutes', [12, 12], true],
    ['once', [12, 6, 6], false],
    ['a little longer each time', [7, 8, 8], false],
  ])('nails that took long, by the clock alone: %s', (_, minutes, isOffered) => {
    const shownBefore = shownByClocks(nails(...minutes));
    expect(worthAMark({ facts: spaniel, shownBefore }, [])).toEqual(isOffered ? ['long at the nails'] : []);
    expect(shownByClocks(nails(...minutes).map((each) => ({ ...each, stage: 'dry' as const })))).toEqual([]);
  });

  test('likes stand beside dislikes among the marks', () => {
    const { handling } = asShown(spaniel, ['likes its rump scratched', 'likes its chest scratched']);
    expect(handlingMarks({ ...handling, minds: ['ears'] })).toEqual([
      'Minds ears',
      'Likes scratched at the chest, scratched at the rump',
    ]);
  });
});
