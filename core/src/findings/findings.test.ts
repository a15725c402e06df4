import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { SIDES, mirror, type Place } from '../places';
import { day } from '../units';
import {
  ALL_SIGNS,
  LEVELS,
  SIGNS,
  finding,
  gradeOfPads,
  higherStop,
  isKnownSign,
  mirrorFinding,
  signWords,
  signsAt,
  triage,
  worseAnswer,
  worsePad,
  type Finding,
  type Look,
  type Sign,
  type SignArea,
  type Stop,
  type Triage,
} from '.';

const LEFT_EAR: Place = { site: 'ear', side: 'left' };
const LEFT_EYE: Place = { site: 'eye', side: 'left' };
const NOSE: Place = { site: 'fold nose', side: 'none' };
const BODY: Place = { site: 'body', side: 'none' };
const PLACE: Readonly<Record<SignArea, Place>> = {
  ear: LEFT_EAR,
  eye: LEFT_EYE,
  fold: NOSE,
  nose: { site: 'nose pad', side: 'none' },
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
  known: [],
  dog: calm,
  today: TODAY,
  ...more,
});
const stopOf = ({ matched }: Triage): Stop => matched.reduce<Stop>((stop, { row }) => higherStop(stop, row.stop), 'S0');
const verdict = (asked: Look) => {
  const result = triage(asked);
  return `${result.level} ${stopOf(result)}`;
};

// Source of the cases: the trade's tables of ears, eyes and folds (common practice, no source).
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
    ['packed with hair or wax', [at('ear packed')], 'vet S1'],
    ['could not be seen into', [at('ear not seen into')], 'tell S1'],
    ['a mat at the ear', [at('ear mat')], 'tell S0'],
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
    ['haze a vet knows', [at('eye known haze')], 'note S0'],
    ['haze long there, no vet yet, eye quiet', [at('eye old haze')], 'vet S1'],
    ['pulls away when the lid is touched', [at('eye lid pain')], 'vet soon S2'],
    ['raw skin at the corner', [at('eye raw corner')], 'vet soon S2'],
    ['lid stuck down, opens when softened', [at('eye lid stuck', 1, true)], 'tell S0'],
    ['lid stuck down, not tried yet', [at('eye lid stuck')], 'tell S0'],
    ['lid stuck down, does not open', [at('eye lid stuck', 1, false)], 'vet today S2'],
    ['a mat at the eye corner', [at('eye mat')], 'tell S0'],
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

  test('a lid that hurts, in a flat face or prominent eye, is for today', () => {
    const dog = { ...calm, flatFaceOrProminentEyes: true };
    expect(verdict(look([at('eye lid pain')], { dog }))).toBe('vet today S2');
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

// Source of the cases: the trade's table of skin, coat, feet, mouth, rear and manner (common practice).
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
    expect(stopOf(triage(look([sore], { place: { site: 'side', side: 'right' } })))).toBe('S0');
    expect(verdict(look([finding({ site: 'paw front', side: 'right' }, 'wet sore', 1)]))).toBe('vet S2');
    expect(verdict(look([finding({ site: 'rear', side: 'none' }, 'round patch', 1)]))).toBe('vet S2');
    expect(() => finding({ site: 'mouth', side: 'none' }, 'wet sore', 1)).toThrow('not something seen at the mouth');
  });
});

test('signs that end a visit', () => {
  const onlyTold: readonly Sign[] = ['stress signs', 'lameness', 'sore after bath'];
  for (const sign of signsAt('body'))
    expect(stopOf(triage(look([at(sign)])))).toBe(onlyTold.includes(sign) ? 'S0' : 'S3');
  expect(triage(look([at('fall unhurt')])).level).toBe('tell');
  expect(triage(look([at('collapse')])).level).toBe('emergency');
});

describe('every sign has a row', () => {
  /** Signs of an area by hand: what the trade's tables of ears, eyes and folds name. */
  const tried = (area: SignArea) =>
    ALL_SIGNS.filter((sign) => signWords(sign).areas[0] === area && triage(look([at(sign)])).matched.length === 0);
  test.each(['ear', 'eye', 'fold', 'skin', 'paw', 'nail', 'mouth', 'rear', 'body'] as const)('%s', (area) => {
    expect(tried(area)).toEqual([]);
    expect(ALL_SIGNS.some((sign) => signWords(sign).areas[0] === area)).toBe(true);
  });
});

// docs/trade.md, grades and levels: grade 1, dated, rows at watch or tell; ended by a rise, a new sign beside it, 12 months (6 at flat eyes).
describe('a vet knows it, unchanged', () => {
  const known = (sign: Sign, on = '2026-03-01', place = placeFor(sign)) => [{ place, sign, on: day(on) }];
  const pink = at('fold redness', 1);
  test.each<[string, Finding[], Partial<Look>, string]>([
    ['a fold always a little pink stays at note', [pink], { known: known('fold redness') }, 'note S0'],
    ['also when it is not lower than last time', [pink], { known: known('fold redness'), lastTime: [pink] }, 'note S0'],
    ['without the vet it would rise', [pink], { lastTime: [pink] }, 'vet S0'],
    ['a red ear: the stop stays', [at('ear redness', 1)], { known: known('ear redness') }, 'note S1'],
    ['a rise ends it', [at('fold redness', 2)], { known: known('fold redness') }, 'tell S0'],
    ['a new sign beside it ends it', [pink, at('fold moisture', 1)], { known: known('fold redness') }, 'tell S0'],
    [
      'an old sign beside it does not',
      [pink, at('fold moisture', 1)],
      { known: [...known('fold redness'), ...known('fold moisture')] },
      'note S0',
    ],
    ['twelve months end it', [pink], { known: known('fold redness', '2025-11-24') }, 'watch S0'],
    ['to the day', [pink], { known: known('fold redness', '2025-11-25') }, 'note S0'],
    ['never smell', [at('ear musty smell', 1)], { known: known('ear musty smell') }, 'tell S1'],
    ['never black debris', [at('ear dark crumbs', 1)], { known: known('ear dark crumbs') }, 'vet S1'],
    [
      'never the other side',
      [at('ear redness', 1)],
      { known: known('ear redness', '2026-03-01', mirror(LEFT_EAR)) },
      'tell S1',
    ],
    ['nor a row at vet', [at('fold redness', 1), at('fold moisture', 2)], { known: known('fold redness') }, 'vet S0'],
    ['said at the table, with its day', [{ ...pink, more: { vetKnew: day('2026-10-01') } }], {}, 'note S0'],
    [
      'the eyes of flat faces: six months',
      [at('eye skin redness', 1)],
      { known: known('eye skin redness', '2026-05-24'), dog: { ...calm, flatFaceOrProminentEyes: true } },
      'tell S0',
    ],
    [
      'ordinary eyes: twelve',
      [at('eye skin redness', 1)],
      { known: known('eye skin redness', '2026-05-24') },
      'note S0',
    ],
  ])('%s', (_, findings, more, expected) => {
    expect(verdict(look(findings, more))).toBe(expected);
  });
});

test('of two answers the worse one, of two alike the one that was given', () => {
  expect(worseAnswer('bumps', true, false)).toBe(true);
  expect(worseAnswer('bumps', false, null)).toBe(null);
  expect(worseAnswer('eye stain', true, false)).toBe(false);
  expect(worseAnswer('eye stain', null, false)).toBe(false);
  expect(worseAnswer('lameness', false, true)).toBe(false);
});

test('a sign of a newer version is judged, named by its own words, and never thrown over', () => {
  const newer = { ...at('ear redness'), sign: 'ear sparkle' as Sign };
  expect(isKnownSign('ear sparkle')).toBe(false);
  const result = triage(look([newer]));
  expect([result.level, result.unknown.map(({ sign }) => signWords(sign).name)]).toEqual(['tell', ['ear sparkle']]);
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
        const essence = ({ level, matched }: Triage) => [level, matched.map(({ row }) => row.id)];
        expect(essence(mirrored)).toEqual(essence(seen));
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
