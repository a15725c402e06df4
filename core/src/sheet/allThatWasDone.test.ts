import fc from 'fast-check';
import { expect, test } from 'vitest';
import { anyDog } from '../careplan/tests/randomDogs';
import type { Happening } from '../events';
import { anyFinding } from '../visit/tests/randomVisits';
import type { Place } from '../places';
import type { Stage, Step } from '../steps';
import { ENGLISH, placeWords } from '../wording';
import { sheetOf } from './tests/sheetOf';

/** The line that tells what was done at a stage; null: part of another line, or no news to an owner. */
const TOLD_BY: Readonly<Record<Stage, RegExp | null>> = {
  'first clip': /^(first clip|ear hair|mat)/,
  'ears, first pass': /^(cleaned|wipedOutside|ears, first pass|ear hair)/,
  'eyes, on the table': /^(cleaned|wipedAround)/,
  nails: /^nails/,
  'brush-out': /^(brush-out|mat)/,
  'wash 1': /^bath/,
  folds: /^(cleaned|pattedDry|nose)/,
  'comb and tidy': /^tidied/,
  teeth: /^teeth/,
  ...{ prepare: null, handover: null, 'look-over': null, decide: null, record: null, 'clean-down': null },
  ...{ wet: null, plugs: null, contact: null, face: null, 'rinse 1': null, 'wash 2': null, 'contact 2': null },
  ...{ 'last rinse': null, conditioner: null, 'plugs out': null, 'water off': null, dry: null },
  'ears, second pass': null,
};

/** A step as the table does it: what becomes of a mat is said with it. */
const doneAs = ({ id, place }: Step): Happening[] => [
  ...(id.startsWith('mat ') && place
    ? [{ type: 'mat settled', place, way: 'shaved', word: 'the owner', beneath: null, minutes: 5 } as const]
    : []),
  { type: 'step done', step: id },
];

/** Whether a line speaks of a place: by its name, or of both sides as one. */
function names(words: string, place: Place | null): boolean {
  if (place === null) return true;
  return [placeWords(ENGLISH, place), ENGLISH.both[place.site]].some(
    (name) => name !== undefined && words.toLowerCase().includes(name.toLowerCase()),
  );
}

test('each thing that was done is told, whatever the dog and whatever was found', () => {
  fc.assert(
    fc.property(anyDog, fc.array(anyFinding, { maxLength: 3 }), (dog, findings) => {
      let steps: readonly Step[] = [];
      const { did } = sheetOf(
        findings.map((each): Happening => ({ type: 'found', finding: each })),
        [],
        {
          dog,
          then: (all) => {
            steps = all;
            return all.flatMap(doneAs);
          },
        },
      );
      const keys = did.map(({ key }) => key);
      for (const step of steps.filter(({ barred, pieces }) => barred === null && pieces.length > 0)) {
        const line = TOLD_BY[step.stage];
        const told = did.filter(({ key, words }) => line?.test(key) && names(words, step.place));
        if (line) expect([step.id, step.title.id, told.length > 0]).toEqual([step.id, step.title.id, true]);
      }
      expect(new Set(keys).size).toBe(keys.length);
    }),
  );
});
