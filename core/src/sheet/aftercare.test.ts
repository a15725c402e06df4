import { describe, expect, test } from 'vitest';
import { aDog } from '../careplan/tests/randomDogs';
import { INCIDENT_KINDS, type Happening, type Incident } from '../events';
import { finding, type Finding } from '../findings';
import type { Place } from '../places';
import type { Step } from '../steps';
import { ENGLISH, sentence, wordingIn } from '../wording';
import { AFTERCARE } from './aftercare';
import { sheetOf } from './tests/sheetOf';

const SPANISH = wordingIn('es');
const LEFT_EAR: Place = { site: 'ear', side: 'left' };
const BELLY: Place = { site: 'body', side: 'none' };
const PUPPY = aDog({ lifeStage: 'puppy' }, 'beagle');
const GROWN = aDog({}, 'beagle');

/** What the sheet of a visit says of the hours after it, by row. */
const after = (
  happenings: readonly Happening[],
  { lastTime = [], ...besides }: { lastTime?: Finding[] | null } & NonNullable<Parameters<typeof sheetOf>[2]> = {},
): string[] =>
  sheetOf(happenings, lastTime, { dog: GROWN, ...besides })
    .care.filter(({ key }) => key.startsWith('after '))
    .map(({ key }) => key.slice('after '.length));

const incident = (kind: Incident['kind']): Happening => ({
  type: 'incident',
  incident: { kind, place: null, done: 'Seen to.', told: '', words: '' },
});
const mat = (place: Place, way: 'shaved' | 'brushed out' | 'left'): Happening => ({
  type: 'mat settled',
  ...{ place, way, word: 'the owner', beneath: null, minutes: 5 },
});
const earsCleaned = (steps: readonly Step[]): Happening[] =>
  steps.filter(({ stage }) => stage === 'ears, first pass').map(({ id }) => ({ type: 'step done', step: id }));
const bathed = (ml: number): Happening => ({
  type: 'used',
  ...{ product: 'the wash', name: 'Vet wash', ml, planned: 40, how: 'as planned', tasks: ['bath'] },
});
const ASKED = {
  productId: 'the wash',
  who: 'Dr Oyelaran',
  source: { kind: 'vet instruction', who: 'Dr Oyelaran' },
} as const;

describe('what an owner is told of the hours after a visit', () => {
  test('nothing where nothing was done that is felt afterwards', () => {
    expect(after([])).toEqual([]);
    expect(after([mat(BELLY, 'brushed out'), mat(LEFT_EAR, 'left')])).toEqual([]);
  });

  test.each([
    ['a nail cut into the quick', [incident('quick')], ['quick']],
    ['a nick and a clipper burn, told once', [incident('nick'), incident('clipper burn')], ['nick']],
    ['product in an eye', [incident('product in the eye')], ['eye']],
    ['skin that reacts', [incident('skin reacts')], ['reaction']],
    ['a fall', [incident('fall')], ['fall']],
    ['a mat shaved off the body', [mat(BELLY, 'shaved')], ['mat']],
    ['a mat shaved off an ear: the flap is felt again', [mat(LEFT_EAR, 'shaved')], ['ear mat']],
    ['what presses most first', [mat(BELLY, 'shaved'), incident('quick'), incident('fall')], ['fall', 'quick', 'mat']],
  ] as const)('%s', (_, happenings, rows) => {
    expect(after(happenings)).toEqual(rows);
  });

  test('ears that were cleaned, not ears that were only looked at or that a stop kept us off', () => {
    expect(after([], { then: earsCleaned })).toEqual(['ears']);
    expect(after([], { then: () => [] })).toEqual([]);
    const sore = (side: 'left' | 'right'): Happening => ({
      type: 'found',
      finding: finding({ site: 'ear', side }, 'ear pus', 2),
    });
    expect(after([sore('left'), sore('right')], { then: earsCleaned })).toEqual([]);
  });

  test('where hair came out as well, it is told once', () => {
    const lagotto = aDog({ ways: { ...GROWN.ways, earHair: 'routine' } }, 'lagotto');
    const then = (steps: readonly Step[]): Happening[] => [
      ...earsCleaned(steps),
      ...steps
        .filter(({ id }) => id.startsWith('ear hair'))
        .map(({ id }): Happening => ({ type: 'step done', step: id })),
    ];
    expect(after([], { dog: lagotto, then })).toEqual(['ear hair']);
  });

  test('a bath that a vet asked for, once it was given; an owner’s own shampoo needs no vet', () => {
    expect(after([bathed(60)], { asked: ASKED })).toEqual(['vet’s bath']);
    expect(after([bathed(0)], { asked: ASKED })).toEqual([]);
    expect(after([bathed(60)], { asked: { ...ASKED, productId: 'another' } })).toEqual([]);
    expect(after([bathed(60)], { asked: { ...ASKED, source: { kind: 'owner instruction', who: 'Wen' } } })).toEqual([]);
    expect(sheetOf([bathed(60)], [], { dog: GROWN, asked: ASKED }).care.map(({ words }) => words)).toContain(
      sentence(ENGLISH, 'afterVetsBath', { who: 'Dr Oyelaran' }),
    );
  });

  test('the first visit of a puppy; not its second, not the first of a grown dog', () => {
    expect(after([], { dog: PUPPY, lastTime: null })).toEqual(['first visit']);
    expect(after([], { dog: PUPPY })).toEqual([]);
    expect(after([], { lastTime: null })).toEqual([]);
  });
});

describe('the table', () => {
  test('each line says until when it is normal, or when to look, and whom to ring', () => {
    const times = {
      [ENGLISH.language]: /\b(hours?|days?|minutes|tonight|tomorrow|today|at once)\b/,
      [SPANISH.language]: /\b(horas?|días?|minutos|noche|mañana|hoy|enseguida)\b/,
    };
    const whom = {
      [ENGLISH.language]: /call us|ring (your|a) vet|let a vet look|go to a vet/,
      [SPANISH.language]: /llámenos|veterinario/,
    };
    for (const wording of [ENGLISH, SPANISH])
      for (const { says } of AFTERCARE) {
        const words = sentence(wording, says, { who: 'Dr Oyelaran' });
        expect(words).toMatch(times[wording.language]!);
        expect(words).toMatch(whom[wording.language]!);
      }
  });

  test('each incident that a dog takes home has a line; bites are the groomer’s, an escape is looked over here', () => {
    const told = INCIDENT_KINDS.filter((kind) => after([incident(kind)]).length > 0);
    expect(INCIDENT_KINDS.filter((kind) => !told.includes(kind))).toEqual(['bite', 'escape']);
  });
});
