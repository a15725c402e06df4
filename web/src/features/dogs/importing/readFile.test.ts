import { importRow } from '@dewpond/contract';
import { EMPTY_CARD } from '@dewpond/core/clients';
import { day } from '@dewpond/core/units';
import { describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { openFile, previewRows, rowsToSend, tooLarge, type OpenedFile, type PreviewAsked } from './readFile';

const bytes = (text: string) => new TextEncoder().encode(text);
const open = (text: string) => {
  const opened = openFile(bytes(text));
  if (opened.kind === 'refused') throw new Error(opened.words);
  return opened;
};
const preview = (opened: Exclude<OpenedFile, { kind: 'refused' }>, more: Partial<PreviewAsked> = {}) =>
  previewRows(opened, {
    mapping: opened.kind === 'table' ? opened.mapping : [],
    weightUnit: 'kg',
    dayOrder: 'day first',
    today: day('2026-11-25'),
    ownBreeds: [],
    book: [],
    ...more,
  });
const wrongOf = (line: string) =>
  preview(open(`Owner,Phone,E-mail,Dog,Weight,Born,Chip,Latitude,Longitude\n${line}\n`))[0]?.wrong.join(' ');

describe('what the server would refuse is said before it is sent', () => {
  test.each([
    ['Wen,ring me,,Plover,12,,,,', /^Phone: Digits, spaces/],
    ['Wen,,nobody,Plover,12,,,,', /^E-mail: That is no e-mail address/],
    ['Wen,,,Plover,0.1,,,,', /^Weight: A dog weighs at least 0.3 kg/],
    ['Wen,,,Plover,12,2027-01-01,,,', /^Born: that birthday is still to come/],
    ['Wen,,,Plover,12,,12345,,', /^Chip: A chip has fifteen digits/],
    ['Wen,,,Plover,12,,,95,0', /^Coordinates: Latitude lies between/],
    [`${'x'.repeat(121)},,,Plover,12,,,,`, /^Owner’s name: .*longer than 120/],
  ])('%s', (line, words) => {
    expect(wrongOf(line)).toMatch(words);
  });

  test('a row that is right has nothing against it, and what is sent fits the contract', () => {
    const opened = open(
      'Owner,Phone,Dog,Breed,Weight,Chip,To mind\nWen Halloran,01632 960168,Plover,Whippet,12.1,999 000 000 000 001,Own towel\nWen Halloran,01632 960168,Otter,,17,,\n',
    );
    const rows = preview(opened);
    expect(rows.map(({ verdict, wrong }) => [verdict, wrong])).toEqual([
      ['new', []],
      ['new', []],
    ]);
    const sent = rowsToSend(rows, () => v7());
    expect(sent).toHaveLength(1);
    for (const row of sent) expect(importRow.safeParse(row).success).toBe(true);
    expect(sent[0]?.dogs.map(({ profile }) => profile.chip)).toEqual(['999000000000001', '']);
  });

  test('a breed of the business is known', () => {
    const opened = open('Owner,Dog,Breed,Weight\nWen,Plover,Quay dog,12\n');
    expect(preview(opened)[0]?.notes.join()).toMatch(/Not in the catalogue/);
    const own = {
      id: 'own-quay-dog',
      name: 'Quay dog',
      alsoCalled: [],
      weightKg: [5, 9],
      handling: [],
      parents: [],
      why: null,
      earOdds: null,
    } as const;
    const traits = {
      coat: 'wire',
      coatLength: 'short',
      coatDensity: 'ordinary',
      shedding: 'hardly',
      ears: 'folded',
      canalHair: 'none',
      muzzle: 'long',
      eyeSet: 'ordinary',
      tearing: 'none',
      folds: {},
    } as const;
    expect(preview(opened, { ownBreeds: [{ ...own, traits }] })[0]?.dog?.breeds).toEqual(['own-quay-dog']);
  });

  test('weights are read in the unit that is said, days in the order that is said', () => {
    const opened = open('Owner,Dog,Weight,Born\nWen,Plover,20,3/4/2021\n');
    expect(preview(opened)[0]?.dog).toMatchObject({ weightKg: 20, born: '2021-04-03' });
    expect(preview(opened, { weightUnit: 'lb', dayOrder: 'month first' })[0]?.dog).toMatchObject({
      weightKg: 9.07,
      born: '2021-03-04',
    });
  });
});

describe('files', () => {
  test('of vCards bring owners only', () => {
    const opened = openFile(bytes('BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Wen\r\nEND:VCARD\r\n'));
    expect(opened.kind).toBe('people');
    if (opened.kind === 'people')
      expect(preview(opened)[0]).toMatchObject({ verdict: 'new', dog: null, owner: { name: 'Wen', card: EMPTY_CARD } });
  });

  test('that are too long or too large are refused with what to do', () => {
    expect(tooLarge(24 * 1024 * 1024)).toBeNull();
    expect(tooLarge(200 * 1024 * 1024)).toMatch(/200 MB; at most 24 MB/);
    const long = openFile(bytes(`Owner\n${'Wen\n'.repeat(20_001)}`));
    expect(long.kind === 'refused' && long.words).toMatch(/20,001 rows; at most 20,000.*Split it in two/);
  });
});
