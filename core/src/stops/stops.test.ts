import { describe, expect, test } from 'vitest';
import { barsOf } from '../careplan';
import { plainDog } from '../dog';
import { aDog, instruct } from '../careplan/tests/randomDogs';
import {
  ALL_SIGNS,
  CONDITIONS,
  DONE_AT,
  PROCEDURES,
  finding,
  signWords,
  triage,
  type Condition,
  type Finding,
  type Procedure,
  type SignArea,
} from '../findings';
import { placeOf, type PlaceKey } from '../places';
import { day } from '../units';
import {
  INSTEAD,
  NO_SOURCES,
  STOP_TABLE,
  barsAt,
  barsFrom,
  endings,
  liftRefused,
  mayDo,
  standsAt,
  stopAt,
  takenAt,
  type Bar,
  type BarSources,
  type VetLift,
} from '.';

const TODAY = day('2026-11-25');
const NOTHING: BarSources = { ...NO_SOURCES, lifts: [], today: TODAY };
const barsWith = (findings: readonly Finding[], more: Partial<BarSources> = {}): readonly Bar[] =>
  barsFrom({
    ...NOTHING,
    judged: findings.map((found) => ({
      triage: triage({
        place: found.place,
        findings,
        lastTime: [],
        known: [],
        dog: { flatFaceOrProminentEyes: false, grassSeedMonth: false },
        today: TODAY,
      }),
      since: null,
    })),
    ...more,
  });
const found = (key: PlaceKey, sign: Finding['sign'], grade: 1 | 2 | 3 = 1, answer: boolean | null = null) =>
  finding(placeOf(key), sign, grade, answer);
const may = (
  bars: readonly Bar[],
  key: PlaceKey,
  procedure: Procedure,
  product: 'cleansing' | 'prescribed' | null = null,
) => stopAt(bars, { place: placeOf(key), procedure, product });

/**
 * Written by hand from docs/trade.md, under stops, and held against the table of the code: what a stop
 * leaves at each kind of place. Everything else that is done there is taken away.
 */
const LEFT_BY_HAND: Readonly<Record<'S1' | 'S2' | 'S3', Readonly<Record<SignArea, string>>>> = {
  S1: {
    ear: 'look clip comb towel blow',
    eye: 'look towel',
    fold: 'look towel',
    nose: 'look rinse towel',
    skin: 'look rinse towel blow',
    paw: 'look rinse towel blow',
    nail: 'look',
    mouth: 'look rinse towel',
    rear: 'look rinse towel blow',
    body: 'look',
  },
  S2: {
    ear: 'look',
    eye: 'look',
    fold: 'look',
    nose: 'look',
    skin: 'look',
    paw: 'look',
    nail: 'look',
    mouth: 'look',
    rear: 'look',
    body: 'look',
  },
  S3: {
    ear: 'look',
    eye: 'look',
    fold: 'look',
    nose: 'look',
    skin: 'look',
    paw: 'look',
    nail: 'look',
    mouth: 'look',
    rear: 'look',
    body: 'look',
  },
};

describe('the table of stops', () => {
  for (const stop of ['S1', 'S2', 'S3'] as const)
    test.each(Object.keys(DONE_AT) as SignArea[])(`${stop} at %s leaves what the trade leaves`, (area) => {
      const left = DONE_AT[area].filter((procedure) => !STOP_TABLE[stop][area].includes(procedure));
      expect(left.join(' ')).toBe(LEFT_BY_HAND[stop][area]);
      for (const procedure of STOP_TABLE[stop][area]) expect(PROCEDURES).toContain(procedure);
    });

  test('what stands in for what is taken away is gentler and never taken away itself, at last looking', () => {
    for (const [area, list] of Object.entries(INSTEAD)) {
      expect([area, list.at(-1)?.does]).toEqual([area, ['look']]);
      const [first] = list;
      for (const procedure of first?.does ?? [])
        expect([area, STOP_TABLE.S1[area as SignArea].includes(procedure)]).toEqual([area, false]);
    }
  });
});

describe('one question, one answer', () => {
  test('looking is always allowed; an open place has no bar and nothing instead', () => {
    const bars = barsWith([found('ear/left', 'ear pus')]);
    expect(may(bars, 'ear/left', 'look')).toEqual({ isOpen: true, productOff: false, bars: [], instead: null });
    expect(may(bars, 'ear/right', 'clean').isOpen).toBe(true);
    expect(may([], 'ear/left', 'fill').isOpen).toBe(true);
  });

  test('all bars in force, the worst first; equal ones once', () => {
    const bars = barsWith([found('ear/left', 'ear redness'), found('ear/left', 'ear blood')]);
    const answer = may(bars, 'ear/left', 'fill');
    expect(answer.bars.map(({ level }) => level)).toEqual(['vet soon', 'tell']);
    expect(answer.instead?.words).toBe('Outer flap by damp pad only.');
    const both = barsWith([found('ear/left', 'ear redness'), found('ear/left', 'ear hot')]);
    expect(may(both, 'ear/left', 'fill').instead?.words).toBe('Look only.');
  });

  test('water above the neck on the side of an ear under a stop; on both where an eye was operated on', () => {
    const bars = barsWith([found('ear/left', 'ear yellow wax')]);
    expect(may(bars, 'eye/left', 'rinse').isOpen).toBe(false);
    expect(may(bars, 'eye/left', 'clean').isOpen).toBe(true);
    expect(may(bars, 'eye/right', 'rinse').isOpen).toBe(true);
    expect(may(bars, 'side/left', 'rinse').isOpen).toBe(true);
    const eye = barsFrom({ ...NOTHING, conditions: [{ place: placeOf('eye/left'), condition: 'eye operation' }] });
    for (const key of ['ear/left', 'ear/right', 'eye/right', 'head/none'] as const)
      expect([key, may(eye, key, 'wash').isOpen]).toEqual([key, false]);
    expect(may(eye, 'back/none', 'wash').isOpen).toBe(true);
  });

  test.each(Object.keys(CONDITIONS) as Condition[])('%s bars its own place, and says so', (condition) => {
    const place = placeOf(`${CONDITIONS[condition].at}/left`);
    const bars = barsFrom({ ...NOTHING, conditions: [{ place, condition }] });
    expect(may(bars, `${place.site}/left` as PlaceKey, 'clean').bars).toMatchObject([
      { reason: { kind: 'condition', condition }, stop: CONDITIONS[condition].stop },
    ]);
    expect(may(bars, `${place.site}/right` as PlaceKey, 'clean').isOpen).toBe(true);
  });

  test('nothing else on the skin: products are off everywhere, the prescribed one and plain water stay', () => {
    const bars = barsOf(
      aDog({
        instructions: [instruct({ kind: 'bath product', productId: 'p', contactMinutes: 10, nothingElse: true })],
      }),
    );
    for (const key of ['side/left', 'eye/left', 'ear/left', 'fold lip/left'] as const)
      expect(may(bars, key, 'wash', 'cleansing')).toMatchObject({ isOpen: true, productOff: true });
    expect(may(bars, 'side/left', 'wash', 'prescribed').productOff).toBe(false);
    expect(may(bars, 'side/left', 'rinse').productOff).toBe(false);
  });

  test('S3 ends the visit: nothing is open anywhere, and every ending is told', () => {
    const bars = barsWith([found('ear/left', 'head tilt'), found('body/none', 'collapse')]);
    expect(endings(bars).map(({ level }) => level)).toEqual(['emergency', 'vet today']);
    for (const key of ['ear/right', 'side/left', 'eye/left'] as const)
      expect(mayDo(bars, key && placeOf(key), ['towel'])).toBe(false);
  });
});

describe('lifts', () => {
  const lift = (more: Partial<VetLift> = {}): VetLift => ({
    id: 'l',
    who: 'Dr Oyelaran',
    place: placeOf('ear/left'),
    lifts: 'ear yellow wax',
    upToGrade: 1,
    procedure: 'clean',
    from: day('2026-11-01'),
    until: day('2026-12-31'),
    ...more,
  });
  const lifted = (given: readonly VetLift[], procedure: Procedure = 'clean', grade: 1 | 2 | 3 = 1): boolean =>
    may(barsWith([found('ear/left', 'ear yellow wax', grade)], { lifts: given }), 'ear/left', procedure).isOpen;

  test.each<[string, VetLift[], Procedure, 1 | 2 | 3, boolean]>([
    ['what it names', [lift()], 'clean', 1, true],
    ['no other procedure: pads are no filling', [lift()], 'fill', 1, false],
    ['no worse grade', [lift()], 'clean', 2, false],
    ['up to the grade it says', [lift({ upToGrade: 2 })], 'clean', 2, true],
    ['not the other ear', [lift({ place: placeOf('ear/right') })], 'clean', 1, false],
    ['no other sign', [lift({ lifts: 'ear redness' })], 'clean', 1, false],
    ['not before its first day', [lift({ from: day('2026-11-26') })], 'clean', 1, false],
    ['on its last day', [lift({ until: TODAY })], 'clean', 1, true],
    ['not after it', [lift({ until: day('2026-11-24') })], 'clean', 1, false],
    ['a lift of washing lifts the rinsing of it', [lift({ procedure: 'wash' })], 'rinse', 1, true],
    ['a lift of rinsing is none of washing', [lift({ procedure: 'rinse' })], 'wash', 1, false],
  ])('%s', (_, given, procedure, grade, open) => {
    expect(lifted(given, procedure, grade)).toBe(open);
  });

  test('never vet soon or above, and a torn drum or gel only where it is named', () => {
    const blood = barsWith([found('ear/left', 'ear blood')], { lifts: [lift({ lifts: 'ear blood', upToGrade: 3 })] });
    expect(may(blood, 'ear/left', 'clean').isOpen).toBe(false);
    const gel = (what: Condition, named: VetLift['lifts']) =>
      may(
        barsFrom({
          ...NOTHING,
          conditions: [{ place: placeOf('ear/left'), condition: what }],
          lifts: [lift({ lifts: named, upToGrade: 3 })],
        }),
        'ear/left',
        'clean',
      ).isOpen;
    expect(gel('long-acting gel in place', 'long-acting gel in place')).toBe(true);
    expect(gel('long-acting gel in place', 'ear yellow wax')).toBe(false);
    expect(gel('drum torn or suspected', 'long-acting gel in place')).toBe(false);
  });

  test('a new sign beside a lifted one bars all the same, and stands before it', () => {
    const bars = barsWith([found('ear/left', 'ear yellow wax'), found('ear/left', 'ear pus')], {
      lifts: [lift({ upToGrade: 3 })],
    });
    const answer = may(bars, 'ear/left', 'clean');
    expect(answer.isOpen).toBe(false);
    expect(answer.bars.at(0)).toMatchObject({ level: 'vet soon', lifted: null });
  });

  test.each([
    ['a procedure each', lift({ procedure: 'fill' }), lift({ id: 'm', who: 'Dr Kealoha' }), 1],
    ['a grade each', lift(), lift({ id: 'm', who: 'Dr Kealoha', upToGrade: 2 }), 2],
    ['the first run out', lift({ until: day('2026-11-24') }), lift({ id: 'm', who: 'Dr Kealoha' }), 1],
  ] as const)('two vets lift one sign, %s: both count, whichever was written first', (_, first, second, grade) => {
    expect([lifted([first, second], 'clean', grade), lifted([second, first], 'clean', grade)]).toEqual([true, true]);
  });

  test('of several words the one that holds longest is shown', () => {
    const { bars } = may(
      barsWith([found('ear/left', 'ear yellow wax')], {
        lifts: [lift(), lift({ id: 'm', who: 'Dr Kealoha', until: day('2027-02-01') })],
      }),
      'ear/left',
      'clean',
    );
    expect(bars).toMatchObject([{ lifted: { by: ['Dr Kealoha'], until: '2027-02-01' } }]);
  });

  test('what cannot be lifted is told to whoever writes it down', () => {
    const why = (more: Partial<VetLift>) => liftRefused(lift({ upToGrade: 3, ...more }));
    expect(why({})).toBeNull();
    expect(why({ procedure: 'look' })).toMatch(/never forbidden/);
    expect(why({ place: placeOf('nail front 1/left'), procedure: 'fill' })).toMatch(/Nobody does “fill”/);
    expect(why({ lifts: 'eye squinting' })).toMatch(/not found at that place/);
    expect(why({ lifts: 'eye operation' })).toMatch(/not found at that place/);
    expect(why({ lifts: 'ear blood' })).toMatch(/for a vet’s eyes first/);
    expect(why({ lifts: 'ear pale wax' })).toMatch(/nothing to lift/);
    expect(why({ procedure: 'comb' })).toMatch(/takes no “comb” away/);
    expect(why({ place: placeOf('side/left'), lifts: 'wet sore', procedure: 'wash' })).toBeNull();
    expect(why({ lifts: 'long-acting gel in place', procedure: 'fill' })).toBeNull();
  });

  test('whether there is anything to lift today', () => {
    const bars = barsWith([found('ear/left', 'ear yellow wax')]);
    expect(standsAt(bars, placeOf('ear/left'), 'ear yellow wax')).toBe(true);
    expect(standsAt(bars, placeOf('ear/left'), 'ear redness')).toBe(false);
    expect(standsAt(bars, placeOf('ear/right'), 'ear yellow wax')).toBe(false);
  });
});

describe('by place', () => {
  test('all that bars a place, and what it takes away there', () => {
    const bars = barsWith([found('fold lip/left', 'fold raw')]);
    expect(barsAt(bars, placeOf('fold lip/left'))).toMatchObject([{ stop: 'S2' }]);
    expect(barsAt(bars, placeOf('fold lip/right'))).toEqual([]);
    expect(takenAt(bars, placeOf('fold lip/left'), DONE_AT.fold)).toEqual(
      DONE_AT.fold.filter((procedure) => procedure !== 'look'),
    );
  });

  test('every sign that has a stop at any grade bars something where it is seen', () => {
    const dog = plainDog(['beagle'], { today: TODAY });
    for (const sign of ALL_SIGNS) {
      const [area] = signWords(sign).areas;
      if (area !== 'ear' && area !== 'eye') continue;
      const place = placeOf(`${area}/left`);
      const seen = triage({
        place,
        findings: [finding(place, sign, 3)],
        lastTime: [],
        known: [],
        dog: { flatFaceOrProminentEyes: false, grassSeedMonth: false },
        today: dog.today,
      });
      const hasStop = seen.matched.some(({ row }) => row.stop !== 'S0');
      const bars = barsFrom({ ...NOTHING, judged: [{ triage: seen, since: null }] });
      expect([sign, barsAt(bars, place).some(({ stop }) => stop !== 'S0')]).toEqual([sign, hasStop]);
    }
  });
});
