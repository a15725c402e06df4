import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { BREEDS, SHIPPED } from '../catalogue';
import { EMPTY_CARD } from '../clients';
import { day } from '../units';
import {
  breedNames,
  decodeText,
  gather,
  lacking,
  matchBook,
  readBreeds,
  readCsv,
  readDay,
  readRows,
  readVcards,
  readWeight,
  suggestMapping,
  writeBreeds,
  writeCsv,
  writeVcards,
  type BookClient,
  type CsvTable,
} from '.';

const TODAY = day('2026-11-25');
const OPTIONS = { catalogue: SHIPPED, weightUnit: 'kg', dayOrder: 'day first', today: TODAY } as const;
const tableOf = (text: string): CsvTable => {
  const read = readCsv(text);
  if (read.kind === 'refused') throw new Error(read.words);
  return read.table;
};
const rowsOf = (text: string) => {
  const table = tableOf(text);
  return readRows(table, suggestMapping(table.headings), OPTIONS);
};
const bytes = (...list: number[]) => Uint8Array.from(list);

describe('a file as text', () => {
  test.each<[string, Uint8Array, string, string]>([
    ['UTF-8', new TextEncoder().encode('Söhne,Łucja'), 'Söhne,Łucja', 'UTF-8'],
    ['UTF-8 with BOM', new TextEncoder().encode('\u{feff}Owner'), 'Owner', 'UTF-8'],
    ['Latin-1', bytes(0x53, 0xf6, 0x68, 0x6e, 0x65), 'Söhne', 'Windows-1252'],
    ['UTF-16 with BOM', bytes(0xff, 0xfe, 0x53, 0x00, 0xf6, 0x00), 'Sö', 'UTF-16'],
  ])('%s is read', (_, given, text, encoding) => {
    expect(decodeText(given)).toEqual({ kind: 'text', text, encoding });
  });

  test.each<[string, Uint8Array, RegExp]>([
    ['a picture renamed to .csv', bytes(0x89, 0x50, 0x4e, 0x47, 1, 2), /picture \(PNG\)/],
    ['a photo', bytes(0xff, 0xd8, 0xff, 0xe0), /photo/],
    ['a workbook', bytes(0x50, 0x4b, 0x03, 0x04), /save it as CSV/],
    ['noise with empty bytes', bytes(0x41, 0x00, 0x42), /no text/],
    ['nothing', bytes(), /empty/],
  ])('%s is refused by name', (_, given, words) => {
    const read = decodeText(given);
    expect(read.kind === 'refused' && read.words).toMatch(words);
  });
});

describe('CSV, RFC 4180', () => {
  // The examples of RFC 4180, section 2: quoted fields, line breaks and doubled quotes inside them. Value from memory.
  test('quotes, line breaks and doubled quotes inside a field', () => {
    const { headings, rows } = tableOf('aaa,bbb,ccc\r\n"a, b","b\r\nb","c""c"\r\nzzz,yyy,xxx\r\n');
    expect(headings).toEqual(['aaa', 'bbb', 'ccc']);
    expect(rows.map(({ cells }) => cells)).toEqual([
      ['a, b', 'b\r\nb', 'c"c'],
      ['zzz', 'yyy', 'xxx'],
    ]);
  });

  test.each([
    ['semicolons', 'a;b\n1,5;2\n', ['1,5', '2']],
    ['tabs', 'a\tb\n1\t2\n', ['1', '2']],
    ['short rows', 'a,b\n1\n', ['1', '']],
  ])('%s', (_, text, cells) => {
    expect(tableOf(text).rows[0]?.cells).toEqual(cells);
  });

  test('empty rows are passed over and numbers stay those of the spreadsheet', () => {
    expect(tableOf('a,b\n,\n1,2\n').rows.map(({ row }) => row)).toEqual([3]);
  });

  test.each([
    ['a,b\n"1,2\n3,4\n', /opens a quote/],
    ['a,b\n', /no row below/],
    [',\n1,2\n', /no headings/],
  ])('%j is refused in words', (text, words) => {
    const read = readCsv(text);
    expect(read.kind === 'refused' && read.words).toMatch(words);
  });

  test('no cell of what is written runs in a spreadsheet, and all is read back', () => {
    expect(writeCsv(['x'], [['=1+1'], ['+44 1632'], ['@a'], ['-cmd'], ['-4.5']])).toBe(
      "\u{feff}x\r\n'=1+1\r\n'+44 1632\r\n'@a\r\n'-cmd\r\n-4.5\r\n",
    );
    const cell = fc.string({ unit: fc.constantFrom(...'ab=+-@"\',; \n\tö0') }).map((text) => text.trim());
    fc.assert(
      fc.property(fc.array(fc.tuple(cell, cell), { minLength: 1 }), (rows) => {
        const full = rows.map(([a, b]) => [`x${a}`, b]);
        const text = writeCsv(['one', 'two'], full);
        const read = tableOf(text.slice(1)).rows.map(({ cells }) => cells);
        // A cell that came in with an apostrophe before a sign has it taken off, as one of ours.
        expect(read).toEqual(full.map(([a, b]) => [a, b?.replace(/^'(?=[=+\-@\t\r])/, '')]));
      }),
    );
  });
});

describe('what a column holds', () => {
  test('is guessed from headings in any order and of several habits', () => {
    expect(
      suggestMapping(['Pet Name', 'Breed', 'First Name', 'Surname', 'Mobile', 'E-Mail', 'D.O.B.', 'Weight (kg)']),
    ).toEqual(['dog', 'breed', 'first name', 'last name', 'phone', 'email', 'born', 'weight']);
    expect(suggestMapping(['Besitzer', 'Hund', 'Rasse', 'Gewicht'])).toEqual(['owner', 'dog', 'breed', 'weight']);
    expect(suggestMapping(['Phone', 'Phone'])).toEqual(['phone', null]);
  });

  test('what is lacking is said', () => {
    expect(lacking(['dog', 'breed'])).toMatch(/owner’s name/);
    expect(lacking(['owner', 'latitude'])).toMatch(/come together/);
    expect(lacking(['last name', 'dog'])).toBeNull();
  });
});

describe('cells', () => {
  test.each([
    ['2021-04-03', 'day first', '2021-04-03'],
    ['3.4.2021', 'day first', '2021-04-03'],
    ['03/04/2021', 'day first', '2021-04-03'],
    ['03/04/2021', 'month first', '2021-03-04'],
    ['3/4/19', 'day first', '2019-04-03'],
    ['3/4/95', 'day first', '1995-04-03'],
    ['', 'day first', null],
  ] as const)('"%s", %s: %s', (cell, order, wanted) => {
    expect(readDay(cell, order, TODAY)).toEqual({ value: wanted });
  });

  test.each(['31.2.2021', 'last spring', '13/13/2021'])('"%s" is no day, and says so', (cell) => {
    expect(readDay(cell, 'day first', TODAY)).toHaveProperty('wrong');
  });

  test.each([
    ['14.2', 14.2],
    ['14,2 kg', 14.2],
    ['31 lb', 14.06],
    ['31 lbs', 14.06],
    ['', null],
  ] as const)('a weight of "%s" is %s kg', (cell, wanted) => {
    expect(readWeight(cell, 'kg')).toEqual({ value: wanted });
  });

  test('every breed and cross of the catalogue is read back from its name and its other names', () => {
    const names = breedNames(SHIPPED);
    for (const { id, name } of BREEDS) expect(readBreeds(name, names)).toEqual({ ids: [id], unknown: [] });
    for (const pair of [
      ['pug', 'beagle'],
      ['lagotto', 'poodle-miniature'],
      ['pug', 'pug', 'beagle'],
    ])
      expect(readBreeds(writeBreeds(pair, SHIPPED), names).ids).toEqual(pair);
    expect(readBreeds('Pug cross', names)).toEqual({ ids: ['pug'], unknown: [] });
    expect(readBreeds('mongrel', names)).toEqual({ ids: [], unknown: [] });
    expect(readBreeds('Moon hound x Pug', names)).toEqual({ ids: ['pug'], unknown: ['Moon hound'] });
  });
});

describe('rows', () => {
  test('are owners and dogs; what is wrong is said at its row, what was assumed as a note', () => {
    const rows = rowsOf(
      'Owner,Phone,Dog,Breed,Weight,Born,Latitude,Longitude\nFolake Adeyemi,01632 960114,Teasel,Lagotto,14.2,18.4.2020,,\n,01632 960115,Quill,Pug,8,,,\nWen Halloran,,Plover,Whippet,,,50.1,-4.2\nAmara Nwosu,,,Pug,8,,,\nPriya Raman,,Barley,Moon hound,,,,\nTove Lind,,Bramble,Pug,heavy,31.2.2020,north,west\n',
    );
    expect(rows.map(({ row, wrong }) => [row, wrong.length])).toEqual([
      [2, 0],
      [3, 1],
      [4, 0],
      [5, 1],
      [6, 1],
      [7, 3],
    ]);
    expect(rows[0]?.dog).toMatchObject({ name: 'Teasel', weightKg: 14.2, born: '2020-04-18' });
    expect(rows[2]?.notes.join()).toMatch(/Weight assumed/);
    expect(rows[2]?.owner.card.address.coordinates).toEqual({ latitude: 50.1, longitude: -4.2 });
    expect(rows[4]?.dog?.note).toMatch(/Moon hound/);
  });
});

describe('against the book', () => {
  const book: BookClient[] = [
    {
      id: 'folake',
      name: 'Folake Adeyemi',
      card: { ...EMPTY_CARD, phones: [{ number: '01632 960114', whose: '' }] },
      dogs: [{ name: 'Teasel', chip: '999000000000001' }],
    },
  ];
  const matched = (text: string) => matchBook(rowsOf(`Owner,Phone,Dog,Weight,Chip\n${text}`), book);

  test('a known owner’s known dog is there already; a new dog joins them; a stranger is new', () => {
    const rows = matched(
      'F. Adeyemi,+441632960114,teasel,14,\nFolake A.,01632960114,Quill,8,\nWen,01632 960168,Plover,12,\n',
    );
    expect(rows.map(({ verdict }) => verdict)).toEqual(['in the book', 'new dog', 'new']);
    expect(rows[1]?.known?.id).toBe('folake');
  });

  test('two chips with one number are told, in the file and against the book', () => {
    const rows = matched(
      'Wen,1632960168,Plover,12,999000000000001\nWen,1632960168,Otter,12,999000000000002\nTove,1632960199,Rook,9,999 000 000 000 002\n',
    );
    expect(rows.map(({ wrong }) => wrong.join())).toEqual([
      'That chip is Teasel, of Folake Adeyemi’s.',
      '',
      'That chip is Otter, in row 3’s.',
    ]);
  });

  test('the same row twice is taken once', () => {
    expect(matched('Wen,1632960168,Plover,12,\nWen,1632960168,Plover,12,\n')[1]?.wrong).toEqual(['The same as row 2.']);
  });

  test('rows of one owner become one client with several dogs, and no dog is lost', () => {
    const rows = matched(
      'Wen,01632 960168,Plover,12,\nTove,01632 960184,Bramble,7,\nWen H.,01632 960168,Otter,17,\nFolake,01632 960114,Quill,8,\n',
    );
    const gathered = gather(rows);
    expect(gathered.map(({ client, dogs }) => [client.kind, dogs.map(({ name }) => name)])).toEqual([
      ['new', ['Plover', 'Otter']],
      ['new', ['Bramble']],
      ['known', ['Quill']],
    ]);
  });
});

describe('vCards', () => {
  // After the examples of RFC 6350 (4.0) and RFC 2426 (3.0), with invented people; value from memory.
  const V4 =
    'BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Wen Halloran\r\nN:Halloran;Wen;;;\r\nTEL;VALUE=uri;TYPE="voice,home":tel:+44-1632-960168\r\nEMAIL;TYPE=work:wen@thornmere.example\r\nADR;TYPE=home:;;4 Slip Row;Thornmere;;TM1 2AB;\r\nGEO:geo:50.1234,-4.5\r\nNOTE:Side gate\\, ring twice\\nDog barks\r\nEND:VCARD\r\n';
  const V3 =
    'BEGIN:VCARD\r\nVERSION:3.0\r\nN:Søndergaard;Łucja\r\nFN:Łucja Søndergaard\r\nTEL;TYPE=CELL:01632 960155\r\nEMAIL;TYPE=INTERNET:lucja@thornmere.exam\r\n ple\r\nEND:VCARD\r\n';

  test('of version 4.0 and 3.0 are read, several in a file, folded lines and escapes undone', () => {
    const read = readVcards(V4 + V3);
    if (read.kind === 'refused') throw new Error(read.words);
    const [wen, lucja] = read.rows.map(({ owner }) => owner);
    expect(wen?.name).toBe('Wen Halloran');
    expect(wen?.card).toMatchObject({
      phones: [{ number: '+44 1632 960168' }],
      emails: ['wen@thornmere.example'],
      address: {
        street: '4 Slip Row',
        town: 'Thornmere',
        postcode: 'TM1 2AB',
        coordinates: { latitude: 50.1234, longitude: -4.5 },
      },
      note: 'Side gate, ring twice\nDog barks',
    });
    expect(lucja?.name).toBe('Łucja Søndergaard');
    expect(lucja?.card.emails).toEqual(['lucja@thornmere.example']);
  });

  test('what is written is 4.0 and is read back the same, whatever the signs in it', () => {
    const word = fc
      .string({ unit: fc.constantFrom(...'aÖł,;: \\"'), minLength: 1, maxLength: 90 })
      .map((text) => `x${text.trim()}y`);
    fc.assert(
      fc.property(
        fc.array(fc.record({ name: word, street: word, note: word }), { minLength: 1, maxLength: 4 }),
        (people) => {
          const cards = people.map(({ name, street, note }, i) => ({
            name,
            card: {
              ...EMPTY_CARD,
              phones: [{ number: `01632 96000${i}`, whose: '' }],
              emails: [`p${i}@thornmere.example`],
              address: {
                street,
                town: 'Thornmere',
                postcode: 'TM1',
                coordinates: { latitude: 50.5, longitude: -4.25 },
              },
              note,
            },
          }));
          const text = writeVcards(cards);
          expect(text.match(/VERSION:4\.0/g)).toHaveLength(cards.length);
          const read = readVcards(text);
          expect(read.kind === 'rows' && read.rows.map(({ owner }) => owner)).toEqual(cards);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('what is no vCard is refused, a card without a name is told', () => {
    expect(readVcards('Owner,Dog\nWen,Plover').kind).toBe('refused');
    const read = readVcards('BEGIN:VCARD\r\nVERSION:4.0\r\nTEL:01632 960168\r\nEND:VCARD\r\n');
    expect(read.kind === 'rows' && read.rows[0]?.wrong).toEqual(['The card has no name.']);
  });
});
