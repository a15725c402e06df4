import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Happening } from '../events';
import {
  ALL_MEANWHILE,
  MEANWHILE,
  TRIAGE_TABLE,
  atLeast,
  finding,
  meanwhileAt,
  triage,
  type Finding,
  type Sign,
} from '../findings';
import type { Place } from '../places';
import { TODAY } from '../careplan/tests/randomDogs';
import { anyFinding } from '../visit/tests/randomVisits';
import { ENGLISH } from '../wording';
import { sheetOf } from './tests/sheetOf';

const LEFT_EAR: Place = { site: 'ear', side: 'left' };
const RIGHT_EAR: Place = { site: 'ear', side: 'right' };
const LEFT_EYE: Place = { site: 'eye', side: 'left' };
const NOSE_FOLD: Place = { site: 'fold nose', side: 'none' };
const found = (each: Finding): Happening => ({ type: 'found', finding: each });
const linesOf = (...findings: Finding[]) =>
  sheetOf(findings.map(found), [], {}).care.filter(({ key }) => key.startsWith('meanwhile '));
const idsOf = (...findings: Finding[]) => linesOf(...findings).map(({ key }) => key.slice('meanwhile '.length));

describe('what an owner does until it is clear, or a vet has looked', () => {
  test.each([
    ['nothing, where nothing was found', [], []],
    ['wax alone: what not to push in', [finding(LEFT_EAR, 'ear dark wax', 1)], ['no cotton buds']],
    [
      'a slight smell: left in peace, told once',
      [finding(LEFT_EAR, 'ear musty smell', 1), finding(LEFT_EAR, 'ear dark wax', 2)],
      ['ear in peace'],
    ],
    ['what a vet must see stays there', [finding(LEFT_EAR, 'ear musty smell', 2)], ['ear left alone']],
    ['wet hair at an eye that is well', [finding(LEFT_EYE, 'eye musty smell', 1)], ['face dried']],
    [
      'wet hair at an eye a vet must see: not wiped',
      [finding(LEFT_EYE, 'eye musty smell', 1), finding(LEFT_EYE, 'eye squinting', 1)],
      ['eye left alone'],
    ],
    ['a red fold is dried', [finding(NOSE_FOLD, 'fold redness', 2)], ['fold dried']],
    [
      'a raw fold is not',
      [finding(NOSE_FOLD, 'fold raw', 1), finding(NOSE_FOLD, 'fold redness', 2)],
      ['fold left alone'],
    ],
  ])('%s', (_, findings, ids) => {
    expect(idsOf(...findings)).toEqual(ids);
  });

  test('both sides are told as one; one ear may be left alone and the other only wiped', () => {
    const damp = (place: Place) => finding(place, 'ear damp', 1);
    expect(linesOf(damp(LEFT_EAR), damp(RIGHT_EAR)).map(({ words }) => words)).toEqual([
      'Both ears: dry it with a soft cloth after a swim or a bath. Damp ears get dirty soon.',
    ]);
    expect(linesOf(damp(LEFT_EAR), finding(RIGHT_EAR, 'ear pus', 1)).map(({ words }) => words.split(':')[0])).toEqual([
      'Right ear',
      'Left ear',
    ]);
  });

  test('whatever was found, one ear, eye or fold is told one thing', () => {
    const look = {
      lastTime: [],
      known: [],
      dog: { flatFaceOrProminentEyes: true, grassSeedMonth: false },
      today: TODAY,
    };
    fc.assert(
      fc.property(fc.array(anyFinding, { maxLength: 8 }), (findings) => {
        for (const place of [LEFT_EAR, LEFT_EYE, NOSE_FOLD]) {
          const kinds = meanwhileAt(triage({ ...look, place, findings }).matched).flatMap((id) => {
            const row = MEANWHILE[id];
            return 'kind' in row ? [row.kind] : [];
          });
          expect(kinds.length).toBeLessThan(2);
        }
      }),
    );
  });
});

describe('the table', () => {
  test('each sign that a vet must see has a row, but where nothing is done before', () => {
    const rows = ALL_MEANWHILE.map((id) => MEANWHILE[id]);
    const toVet = TRIAGE_TABLE.filter(
      ({ level, stop }) => atLeast(level, 'vet') && level !== 'emergency' && stop !== 'S3',
    );
    const without = [...new Set(toVet.flatMap(({ signs }) => signs))].filter(
      (sign) => !rows.some(({ signs }) => (signs as readonly Sign[]).includes(sign)),
    );
    // Both go to a vet today.
    expect(without).toEqual(['vulva discharge', 'sore after bath']);
  });

  test('each row is reached: the table gives one of its signs one of its levels', () => {
    for (const id of ALL_MEANWHILE) {
      const { signs, from, to } = MEANWHILE[id];
      const levels = TRIAGE_TABLE.filter((row) =>
        row.signs.some((sign) => (signs as readonly Sign[]).includes(sign)),
      ).map(({ level }) => level);
      expect([id, levels.some((level) => atLeast(level, from) && atLeast(to, level))]).toEqual([id, true]);
    }
  });

  test('it gives no medicine, and sends nobody to a vet whom the table does not send', () => {
    for (const id of ALL_MEANWHILE) {
      const words = ENGLISH.meanwhile[id];
      if (MEANWHILE[id].to === 'tell')
        expect([id, words]).toEqual([id, expect.not.stringMatching(/until a vet has looked/i)]);
      if (MEANWHILE[id].from === 'vet') expect([id, words]).toEqual([id, expect.not.stringMatching(/call us/)]);
    }
  });
});
