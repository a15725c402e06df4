import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Level } from '../findings';
import type { Day } from '../units';
import { ALL_SECTIONS, NO_EDITS, editLine, pageOf, readSheet, type OwnerSheet, type PageLine, type Section } from '.';

const saw = (key: string, words: string, grade: 0 | 1 | 2 = 1) => ({
  key,
  words,
  grade,
  place: { site: 'ear', side: 'left' } as const,
  level: 'note' as Level,
});
const made = (more: Partial<OwnerSheet> = {}): OwnerSheet => ({
  dog: 'Teasel',
  day: '2026-11-26' as Day,
  language: 'en-GB',
  frame: {
    title: 'Teasel, Thu 26 Nov',
    forOwner: 'For {owner}',
    headings: { saw: 'Saw', suggest: 'Suggest', care: 'Care', did: 'Did', home: 'Home' },
    presses: null,
    foot: 'Foot.',
    sides: { left: 'left', right: 'right' },
  },
  saw: [saw('saw ear/left', 'Left ear: dark-brown wax (slight).')],
  clear: { key: 'clear', words: 'Right ear: clear.' },
  did: [
    { key: 'bath', words: 'Bathed and dried.' },
    { key: 'nails', words: 'Nails and dewclaws done.' },
  ],
  suggest: [{ key: 'next', words: 'We suggest the next visit around Wed 16 Dec.' }],
  care: [],
  homeCare: [],
  together: [],
  level: 'note',
  lookAgain: false,
  ...more,
});
const line = (page: ReturnType<typeof pageOf>, section: Section, key: string): PageLine => {
  const found = page[section].find((each) => each.key === key);
  if (!found) throw new Error(`no ${key}`);
  return found;
};
const sheet = made();
const bath = line(pageOf(sheet, NO_EDITS), 'did', 'bath');

test('without a hand on it the page says what was made, and leaves out the part that says nothing', () => {
  const read = readSheet(sheet, NO_EDITS).parts;
  expect(read.map(({ section }) => section)).toEqual(['saw', 'suggest', 'did']);
  expect(read.flatMap(({ lines }) => lines.map(({ words }) => words))).toEqual([
    'Left ear: dark-brown wax (slight).',
    'Right ear: clear.',
    'We suggest the next visit around Wed 16 Dec.',
    'Bathed and dried.',
    'Nails and dewclaws done.',
  ]);
});

describe('a hand on the sheet', () => {
  const edits = editLine(NO_EDITS, 'did', bath, ' Bathed twice, he rolled in the reeds. ');

  test('changes one sentence and keeps what was made beside it', () => {
    const changed = line(pageOf(sheet, edits), 'did', 'bath');
    expect(changed).toMatchObject({
      by: 'changed',
      words: 'Bathed twice, he rolled in the reeds.',
      made: 'Bathed and dried.',
      stale: false,
    });
  });

  test('is not eaten when the sheet is made again, and says that the visit speaks otherwise now', () => {
    const again = pageOf(made({ did: [{ key: 'bath', words: 'Bathed with Oat gentle wash.' }] }), edits);
    expect(line(again, 'did', 'bath')).toMatchObject({
      words: 'Bathed twice, he rolled in the reeds.',
      made: 'Bathed with Oat gentle wash.',
      stale: true,
    });
    const gone = pageOf(made({ did: [] }), edits);
    expect(line(gone, 'did', 'bath')).toMatchObject({
      words: 'Bathed twice, he rolled in the reeds.',
      made: null,
      stale: true,
    });
    expect(readSheet(made({ did: [] }), edits).parts.find(({ section }) => section === 'did')?.lines).toHaveLength(1);
  });

  test('leaves a sentence out, and takes it in again as it was made', () => {
    const without = editLine(NO_EDITS, 'did', bath, null);
    const out = line(pageOf(sheet, without), 'did', 'bath');
    expect(out.by).toBe('left out');
    expect(readSheet(sheet, without).parts.flatMap(({ lines }) => lines.map(({ key }) => key))).not.toContain('bath');
    expect(editLine(without, 'did', out, out.made)).toEqual(NO_EDITS);
  });

  test('adds a sentence, says it otherwise, and takes it away', () => {
    const added = { ...NO_EDITS, added: [{ id: 'a1', section: 'suggest' as const, words: 'Bring the harness.' }] };
    const own = line(pageOf(sheet, added), 'suggest', 'a1');
    expect(own).toMatchObject({ by: 'added', made: null, stale: false });
    expect(editLine(added, 'suggest', own, 'Bring the red harness.').added[0]?.words).toBe('Bring the red harness.');
    expect(editLine(added, 'suggest', own, '  ').added).toEqual([]);
  });
});

test('a place that is left out is not marked in the drawing either', () => {
  expect(readSheet(sheet, NO_EDITS).grades).toEqual({ 'ear/left': 1 });
  const ear = line(pageOf(sheet, NO_EDITS), 'saw', 'saw ear/left');
  expect(readSheet(sheet, editLine(NO_EDITS, 'saw', ear, null)).grades).toEqual({});
});

test('whatever is made again, every word a hand wrote is still on the page', () => {
  const keys = ['bath', 'nails', 'saw ear/left', 'next', 'clear'];
  const words = fc.constantFrom('one', 'two', 'three');
  const some = fc.array(fc.record({ key: fc.constantFrom(...keys), words }), { maxLength: 5 });
  fc.assert(
    fc.property(some, fc.subarray(keys), (hands, remains) => {
      const first = pageOf(sheet, NO_EDITS);
      let edits = NO_EDITS;
      for (const hand of hands) {
        const section = ALL_SECTIONS.find((each) => first[each].some(({ key }) => key === hand.key)) ?? 'did';
        edits = editLine(edits, section, line(pageOf(sheet, edits), section, hand.key), hand.words);
      }
      const again = made({
        saw: sheet.saw.filter(({ key }) => remains.includes(key)),
        clear: remains.includes('clear') ? sheet.clear : null,
        did: sheet.did.filter(({ key }) => remains.includes(key)),
        suggest: sheet.suggest.filter(({ key }) => remains.includes(key)),
      });
      const read = readSheet(again, edits).parts.flatMap(({ lines }) => lines);
      for (const [key, edit] of Object.entries(edits.lines))
        expect(read.find((each) => each.key === key)?.words).toBe(edit.words);
    }),
  );
});
