import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { COMMON_PRACTICE } from '../provenance';
import { SIDES, mirror, type Place } from '../places';
import { day } from '../units';
import {
  ALL_SIGNS,
  LEVELS,
  SIGNS,
  finding,
  gradeOfPads,
  keepsWaterBelowNeck,
  mirrorFinding,
  signWords,
  signsAt,
  stopFor,
  triage,
  worsePad,
  type Finding,
  type Look,
  type Sign,
  type SignArea,
  type VetLift,
} from '.';

const LEFT_EAR: Place = { site: 'ear', side: 'left' };
const LEFT_EYE: Place = { site: 'eye', side: 'left' };
const NOSE: Place = { site: 'fold nose', side: 'none' };
const BODY: Place = { site: 'body', side: 'none' };
const PLACE: Readonly<Record<SignArea, Place>> = {
  ear: LEFT_EAR,
  eye: LEFT_EYE,
  fold: NOSE,
  skin: { site: 'side', side: 'left' },
  paw: { site: 'paw hind', side: 'left' },
  nail: { site: 'nail front 1', side: 'left' },
  mouth: { site: 'mouth', side: 'none' },
  rear: { site: 'rear', side: 'none' },
  body: BODY,
};
const placeFor = (sign: Sign): Place => PLACE[signWords(sign).areas[0] ?? 'body'];
const TODAY = day('2026-11-25');
const calm = { flatFaceOrProminentEyes: false, grassSeedMonth: false };

const at = (sign: Sign, grade: 1 | 2 | 3 = 1, answer: boolean | null = null) =>
  finding(placeFor(sign), sign, grade, answer);
const look = (findings: Finding[], more: Partial<Look> = {}): Look => ({
  place: findings[0]?.place ?? LEFT_EAR,
  findings,
  lastTime: [],
  conditions: [],
  lifts: [],
  dog: calm,
  today: TODAY,
  ...more,
});
const verdict = (asked: Look) => {
  const result = triage(asked);
  return `${result.level} ${stopFor(result)}`;
};

// Source of the cases: the trade handbook's ear, eye and fold tables (common practice, no published source).
describe('the ear table', () => {
  test('nothing seen is clear', () => {
    expect(verdict(look([], { place: LEFT_EAR }))).toBe('none S0');
  });

  test.each<[string, Finding[], string]>([
    ['a little pale wax', [at('ear pale wax', 1)], 'note S0'],
    ['plain pale wax', [at('ear pale wax', 2)], 'watch S0'],
    ['bad pale wax', [at('ear pale wax', 3)], 'watch S0'],
    ['dark wax', [at('ear dark wax', 1)], 'watch S0'],
    ['damp', [at('ear damp')], 'watch S0'],
    ['one A-sign, slight', [at('ear musty smell', 1)], 'tell S1'],
    ['one A-sign, plain', [at('ear redness', 2)], 'vet S1'],
    ['two A-signs, slight', [at('ear redness', 1), at('ear scaly flap', 1)], 'vet S1'],
    ['dark crumbs', [at('ear dark crumbs')], 'vet S1'],
    ['blood', [at('ear blood')], 'vet soon S1'],
    ['pus', [at('ear pus')], 'vet soon S1'],
    ['foul smell', [at('ear foul smell')], 'vet soon S1'],
    ...(
      ['ear hot', 'ear swollen', 'ear narrowed', 'ear sores', 'ear pain', 'ear drooping', 'ear puffed flap'] as const
    ).map((sign): [string, Finding[], string] => [SIGNS[sign].name, [at(sign)], 'vet soon S2']),
    ['a seed', [at('ear seed')], 'vet today S2'],
    ['head tilt', [at('head tilt')], 'vet today S3'],
    ['known shaking', [at('ear shaking known')], 'note S0'],
    ['sudden shaking', [at('ear shaking sudden')], 'vet S1'],
    ['whining after cleaning', [at('after cleaning, whining')], 'tell S1'],
    ['whining past a day', [at('after cleaning, whining', 1, true)], 'vet S1'],
    ['crying after cleaning', [at('after cleaning, crying')], 'vet today S3'],
    [
      'the highest level and the union of stops',
      [at('ear pale wax', 1), at('ear blood'), at('ear seed')],
      'vet today S2',
    ],
  ])('%s', (_, findings, expected) => {
    expect(verdict(look(findings))).toBe(expected);
  });

  test('an A-sign that has not gone down since last time is a matter for the vet; one that has is not', () => {
    expect(verdict(look([at('ear musty smell', 1)], { lastTime: [at('ear musty smell', 1)] }))).toBe('vet S1');
    expect(verdict(look([at('ear musty smell', 1)], { lastTime: [at('ear musty smell', 2)] }))).toBe('tell S1');
    expect(verdict(look([at('ear musty smell', 1)], { lastTime: [mirrorFinding(at('ear musty smell', 1))] }))).toBe(
      'tell S1',
    );
  });

  test('sudden shaking in the grass-seed months is for today; with no side known it bars both ears', () => {
    const shaking = finding({ site: 'ear', side: 'none' }, 'ear shaking sudden', 1);
    for (const side of SIDES) {
      const asked = look([shaking], { place: { site: 'ear', side }, dog: { ...calm, grassSeedMonth: true } });
      expect(verdict(asked)).toBe('vet today S1');
    }
  });

  test('drum, operation, gel and drops bar the ear without any sign, and keep water below the neck', () => {
    const result = triage(look([], { conditions: ['drops given today'] }));
    expect([result.level, stopFor(result), keepsWaterBelowNeck(result)]).toEqual(['none', 'S1', true]);
  });
});

describe('the eye table', () => {
  test.each<[string, Finding[], string]>([
    ['tear stain, no vet yet', [at('eye stain')], 'tell S0'],
    ['tear stain, seen by a vet', [at('eye stain', 1, true)], 'note S0'],
    ['wet hair', [at('eye wet', 1, false)], 'note S0'],
    ['newly wet on one side', [at('eye wet', 1, true)], 'vet S1'],
    ['wet, question not answered: the careful way', [at('eye wet', 1)], 'vet S1'],
    ['musty smell', [at('eye musty smell')], 'tell S0'],
    ['crust that lifts', [at('eye crust', 1, true)], 'note S0'],
    ['crust that does not', [at('eye crust', 1, false)], 'tell S0'],
    ['skin redness, slight', [at('eye skin redness', 1)], 'tell S0'],
    ['skin redness, plain', [at('eye skin redness', 2)], 'vet S0'],
    ...(['eye coloured discharge', 'eye swollen lids', 'eye lid rolled in', 'eye lashes touching'] as const).map(
      (sign): [string, Finding[], string] => [SIGNS[sign].name, [at(sign)], 'vet S1'],
    ),
    ['known haze', [at('eye known haze')], 'note S0'],
    ...(['eye squinting', 'eye pawing', 'eye blood', 'eye new cloudiness', 'eye red white'] as const).map(
      (sign): [string, Finding[], string] => [SIGNS[sign].name, [at(sign)], 'vet today S2'],
    ),
    ['bulging', [at('eye bulging')], 'emergency S3'],
    ['blindness', [at('eye sudden blindness')], 'emergency S3'],
  ])('%s', (_, findings, expected) => {
    expect(verdict(look(findings))).toBe(expected);
  });

  test('discharge in a flat face or prominent eye is for today', () => {
    const dog = { ...calm, flatFaceOrProminentEyes: true };
    expect(verdict(look([at('eye coloured discharge')], { dog }))).toBe('vet today S1');
  });

  test('skin redness that stays is for the vet', () => {
    expect(verdict(look([at('eye skin redness', 1)], { lastTime: [at('eye skin redness', 1)] }))).toBe('vet S0');
  });
});

describe('the fold table', () => {
  test.each<[string, Finding[], string]>([
    ['pink alone', [at('fold redness', 1)], 'watch S0'],
    ['redness alone, plain', [at('fold redness', 2)], 'tell S0'],
    ['moisture, slight', [at('fold moisture', 1)], 'tell S0'],
    ['smell, plain', [at('fold smell', 2)], 'tell S0'],
    ['two, all slight', [at('fold redness', 1), at('fold smell', 1)], 'tell S0'],
    ['two, one plain', [at('fold redness', 2), at('fold smell', 1)], 'vet S0'],
    ['any bad', [at('fold moisture', 3)], 'vet S0'],
    ['flinching', [at('fold flinching')], 'vet S1'],
    ['swelling', [at('fold swelling')], 'vet S1'],
    ['discharge', [at('fold discharge')], 'vet S1'],
    ['raw', [at('fold raw')], 'vet soon S2'],
    ['bleeding', [at('fold bleeding')], 'vet soon S2'],
    ['pain', [at('fold pain')], 'vet soon S2'],
  ])('%s', (_, findings, expected) => {
    expect(verdict(look(findings))).toBe(expected);
  });

  test('pink that stays pink is for the vet', () => {
    expect(verdict(look([at('fold redness', 1)], { lastTime: [at('fold redness', 1)] }))).toBe('vet S0');
  });
});

// Source of the cases: the trade handbook's table of skin, coat, feet, mouth, rear and manner (common practice).
describe('the table of skin, coat, feet, mouth and rear', () => {
  const told = (sign: Sign, grade: 1 | 2 | 3 = 1, answer: boolean | null = null) =>
    verdict(look([at(sign, grade, answer)]));
  const cases: readonly (readonly [Sign, string, (1 | 2 | 3)?, (boolean | null)?])[] = [
    ['tangles', 'note S0'],
    ['burrs', 'note S0'],
    ['dandruff', 'note S0', 3],
    ['greasy coat', 'note S0'],
    ['licking stains', 'note S0'],
    ['tartar', 'note S0', 3],
    ['soiled rear', 'note S0', 2],
    ['stress signs', 'note S0', 3],
    ['mat', 'note S0', 1, false],
    ['mat', 'tell S0', 1, true],
    ['mat', 'tell S0', 1, null],
    ['thin patch', 'tell S0'],
    ['round patch', 'vet S2'],
    ['oozing skin', 'vet S2'],
    ['fleas', 'tell S0'],
    ['flea dirt', 'tell S0'],
    ['lice', 'tell S0'],
    ['tick', 'tell S0'],
    ['bumps', 'tell S0', 1, false],
    ['bumps', 'vet S0', 1, true],
    ['scab', 'tell S0', 1, false],
    ['scab', 'vet S0', 1, null],
    ['wet sore', 'vet S2'],
    ['lump known', 'note S0'],
    ['lump new', 'vet S0'],
    ['lump growing', 'vet soon S0'],
    ['stitches left', 'vet S2'],
    ['toe redness', 'watch S0', 1],
    ['toe redness', 'tell S0', 2],
    ['toe redness', 'tell S0', 3],
    ['toe broken skin', 'vet S0'],
    ['cracked pad', 'tell S0', 1, false],
    ['cracked pad', 'vet S0', 1, true],
    ['nail broken', 'tell S0'],
    ['dewclaw curled', 'tell S0'],
    ['nail quick', 'vet S0'],
    ['dewclaw grown in', 'vet S0'],
    ['nail bled', 'note S0'],
    ['nail bleeding on', 'vet today S0'],
    ['broken tooth', 'vet S0'],
    ['sore mouth', 'vet S0'],
    ['bad breath', 'tell S0'],
    ['anal swelling', 'vet S2', 1, false],
    ['anal swelling', 'vet soon S2', 1, true],
    ['vulva discharge', 'vet today S0'],
    ['lameness', 'tell S0', 1, true],
    ['lameness', 'vet today S0', 1, false],
    ['sore after bath', 'vet today S0'],
  ];

  const whole = cases.map(([sign, wanted, grade = 1, answer = null]) => [sign, wanted, grade, answer] as const);
  test.each(whole)('%s: %s (grade %s, answer %s)', (sign, wanted, grade, answer) => {
    expect(told(sign, grade, answer)).toBe(wanted);
  });

  test('every sign of these places is in the table', () => {
    const tried = new Set(cases.map(([sign]) => sign));
    const areas = ['skin', 'paw', 'nail', 'mouth', 'rear'] as const;
    expect(
      ALL_SIGNS.filter((sign) => signWords(sign).areas.some((area) => areas.some((each) => each === area))),
    ).toEqual(ALL_SIGNS.filter((sign) => tried.has(sign) && !signWords(sign).areas.includes('body')));
  });

  test('a wet sore bars its own place only, and skin signs are seen on paws and under the tail, too', () => {
    const sore = finding({ site: 'side', side: 'left' }, 'wet sore', 1);
    expect(stopFor(triage(look([sore], { place: { site: 'side', side: 'right' } })))).toBe('S0');
    expect(verdict(look([finding({ site: 'paw front', side: 'right' }, 'wet sore', 1)]))).toBe('vet S2');
    expect(verdict(look([finding({ site: 'rear', side: 'none' }, 'round patch', 1)]))).toBe('vet S2');
    expect(() => finding({ site: 'mouth', side: 'none' }, 'wet sore', 1)).toThrow('not something seen at the mouth');
  });
});

test('signs that end a visit', () => {
  const onlyTold: readonly Sign[] = ['stress signs', 'lameness', 'sore after bath'];
  for (const sign of signsAt('body'))
    expect(stopFor(triage(look([at(sign)])))).toBe(onlyTold.includes(sign) ? 'S0' : 'S3');
  expect(triage(look([at('fall unhurt')])).level).toBe('tell');
  expect(triage(look([at('collapse')])).level).toBe('emergency');
});

describe("a vet's lift", () => {
  const lift: VetLift = {
    id: 'l',
    who: 'Dr Oyelaran',
    place: LEFT_EAR,
    lifts: 'ear musty smell',
    upToGrade: 1,
    procedure: 'clean',
    from: day('2026-11-01'),
    until: day('2026-12-01'),
  };
  const stopWith = (findings: Finding[], lifts: VetLift[], more: Partial<Look> = {}) =>
    stopFor(triage(look(findings, { lifts, place: LEFT_EAR, ...more })), 'clean');

  test.each<[string, Finding[], VetLift, string]>([
    ['lifts its sign, for its procedure', [at('ear musty smell', 1)], lift, 'S0'],
    ['not a higher grade', [at('ear musty smell', 2)], lift, 'S1'],
    ['not another sign', [at('ear redness', 1)], lift, 'S1'],
    ['not a new sign beside it', [at('ear musty smell', 1), at('ear redness', 1)], lift, 'S1'],
    ['not the other ear', [at('ear musty smell', 1)], { ...lift, place: mirror(LEFT_EAR) }, 'S1'],
    ['not before its day', [at('ear musty smell', 1)], { ...lift, from: day('2026-11-26') }, 'S1'],
    ['not after its day', [at('ear musty smell', 1)], { ...lift, until: day('2026-11-24') }, 'S1'],
    ['never vet soon or above', [at('ear blood')], { ...lift, lifts: 'ear blood', upToGrade: 3 }, 'S1'],
    ['another procedure stays barred', [at('ear musty smell', 1)], { ...lift, procedure: 'pluck' }, 'S1'],
  ])('%s', (_, findings, given, stop) => {
    expect(stopWith(findings, [given])).toBe(stop);
  });

  test('the bar stays in the result as lifted', () => {
    const { bars } = triage(look([at('ear musty smell', 1)], { lifts: [lift] }));
    expect(bars).toEqual([
      {
        stop: 'S1',
        because: SIGNS['ear musty smell'].name,
        source: COMMON_PRACTICE,
        lifted: { by: 'Dr Oyelaran', procedure: 'clean' },
      },
    ]);
  });

  test('gel is lifted only by a lift that names it', () => {
    const gel = { conditions: ['long-acting gel in place'] as const };
    expect(stopWith([], [lift], gel)).toBe('S1');
    expect(stopWith([], [{ ...lift, lifts: 'long-acting gel in place' }], gel)).toBe('S0');
  });
});

describe('whatever is found', () => {
  const grade = fc.constantFrom<1 | 2 | 3>(1, 2, 3);
  const anyFinding = fc
    .tuple(fc.constantFrom(...ALL_SIGNS), grade, fc.constantFrom(null, true, false), fc.constantFrom(...SIDES))
    .map(([sign, g, answer, side]) => {
      const place = placeFor(sign);
      return finding(place.side === 'none' ? place : { ...place, side }, sign, g, answer);
    });
  const findings = fc.array(anyFinding, { maxLength: 6 });
  const places = Object.values(PLACE);

  test('mirrored findings give the mirrored verdict', () => {
    fc.assert(
      fc.property(findings, findings, fc.constantFrom(...places), (now, then, place) => {
        const seen = triage(look(now, { place, lastTime: then }));
        const mirrored = triage(
          look(now.map(mirrorFinding), { place: mirror(place), lastTime: then.map(mirrorFinding) }),
        );
        expect({ ...mirrored, place }).toEqual({ ...seen });
      }),
    );
  });

  test('one more finding never lowers the level', () => {
    fc.assert(
      fc.property(findings, anyFinding, fc.constantFrom(...places), (now, more, place) => {
        const level = (list: Finding[]) => LEVELS.indexOf(triage(look(list, { place })).level);
        // A second, milder fold sign can turn "one" into "two or more", never below.
        expect(level([...now, more])).toBeGreaterThanOrEqual(level(now));
      }),
    );
  });

  test('a sign belongs to its place', () => {
    expect(() => finding(LEFT_EYE, 'ear blood', 1)).toThrow('not something seen at the eye');
  });
});

test('pads: the worst colour is kept, and dirty ones become a grade', () => {
  expect(worsePad('brown', 'pale')).toBe('brown');
  expect(worsePad('yellow', 'blood')).toBe('blood');
  expect([0, 1, 2, 3, 4, 9].map(gradeOfPads)).toEqual([0, 1, 2, 2, 3, 3]);
});

test('no sign is named with a word that could be taken for a side of the dog', () => {
  for (const { name, owner } of Object.values(SIGNS)) expect(`${name} ${owner}`).not.toMatch(/\b(left|right)\b/i);
});
