import { IMPORT_FILE_LIMIT, IMPORT_ROWS, importRow, type ImportRowInput } from '@dewpond/contract';
import { SHIPPED, withOwnBreeds, type Breed } from '@dewpond/core/catalogue';
import {
  decodeText,
  gather,
  matchBook,
  readCsv,
  readRows,
  readVcards,
  suggestMapping,
  type BookClient,
  type DayOrder,
  type Mapping,
  type MatchedRow,
  type ReadRow,
  type CsvTable,
} from '@dewpond/core/importing';
import type { Day } from '@dewpond/core/units';
import { locale } from '../../../browser/locale';

/** A file as far as it can be read before anyone says what its columns hold. */
export type OpenedFile =
  | { readonly kind: 'table'; readonly table: CsvTable; readonly mapping: Mapping; readonly encoding: string }
  /** vCards say themselves what they hold. */
  | { readonly kind: 'people'; readonly rows: readonly ReadRow[] }
  | { readonly kind: 'refused'; readonly words: string };

const refused = (words: string): OpenedFile => ({ kind: 'refused', words });

/** What is too large is not even read. */
export const tooLarge = (size: number): string | null =>
  size > IMPORT_FILE_LIMIT
    ? `The file has ${Math.round(size / 1024 / 1024)} MB; at most ${IMPORT_FILE_LIMIT / 1024 / 1024} MB are taken, some 100,000 rows. Nothing was imported.`
    : null;

/** Opens a CSV or a vCard file. */
export function openFile(bytes: Uint8Array): OpenedFile {
  const decoded = decodeText(bytes);
  if (decoded.kind === 'refused') return decoded;
  if (/^\s*BEGIN:VCARD/i.test(decoded.text)) {
    const read = readVcards(decoded.text);
    return read.kind === 'refused' ? read : { kind: 'people', rows: read.rows };
  }
  const read = readCsv(decoded.text);
  if (read.kind === 'refused') return read;
  const { table } = read;
  if (table.rows.length > IMPORT_ROWS)
    return refused(
      `The file has ${table.rows.length.toLocaleString(locale())} rows; at most ${IMPORT_ROWS.toLocaleString(locale())} go in at once. Split it in two.`,
    );
  return { kind: 'table', table, mapping: suggestMapping(table.headings), encoding: decoded.encoding };
}

export interface PreviewAsked {
  readonly mapping: Mapping;
  readonly weightUnit: 'kg' | 'lb';
  readonly dayOrder: DayOrder;
  readonly today: Day;
  readonly ownBreeds: readonly Breed[];
  readonly book: readonly BookClient[];
}

/** Every row with what would become of it; what the server would refuse is said here already. */
export function previewRows(opened: Exclude<OpenedFile, { kind: 'refused' }>, asked: PreviewAsked): MatchedRow[] {
  const { mapping, weightUnit, dayOrder, today, ownBreeds, book } = asked;
  const catalogue = ownBreeds.length > 0 ? withOwnBreeds(ownBreeds) : SHIPPED;
  const rows =
    opened.kind === 'people'
      ? opened.rows
      : readRows(opened.table, mapping, { catalogue, weightUnit, dayOrder, today });
  const checked = rows.map((row) => ({ ...row, wrong: [...row.wrong, ...refusals(row, today)] }));
  return matchBook(checked, book);
}

/** An id that is one, for a row that is only tried. */
const TRIED = '01890000-0000-7000-8000-000000000000';

const FIELD_WORDS: readonly (readonly [RegExp, string])[] = [
  [/phones/, 'Phone'],
  [/emails/, 'E-mail'],
  [/latitude|longitude/, 'Coordinates'],
  [/weightKg/, 'Weight'],
  [/chip/, 'Chip'],
  [/born/, 'Born'],
  [/handling/, 'To mind'],
  [/profile\.name/, 'Dog’s name'],
  [/client\.name/, 'Owner’s name'],
];

/** What the contract has against a row, in words; nothing that was said already. */
function refusals(row: ReadRow, today: Day): string[] {
  if (row.wrong.length > 0) return [];
  const parsed = importRow.safeParse(
    toRow({ line: row.row, client: { kind: 'new', ...row.owner }, dogs: row.dog ? [row.dog] : [] }, () => TRIED),
  );
  const ahead = row.dog?.born && row.dog.born > today ? ['Born: that birthday is still to come.'] : [];
  if (parsed.success) return ahead;
  const words = parsed.error.issues.map(({ path, message }) => {
    const where = path.join('.');
    const field = FIELD_WORDS.find(([pattern]) => pattern.test(where))?.[1];
    return field ? `${field}: ${message}` : message;
  });
  return [...words, ...ahead];
}

type Gathered = ReturnType<typeof gather>[number];

/** A gathered client as the contract wants it sent. */
function toRow({ line, client, dogs }: Gathered, makeId: () => string): ImportRowInput {
  return {
    line,
    client:
      client.kind === 'known'
        ? client
        : {
            kind: 'new',
            id: makeId(),
            name: client.name,
            card: {
              ...client.card,
              phones: client.card.phones.map((phone) => ({ ...phone })),
              emails: [...client.card.emails],
            },
          },
    dogs: dogs.map(({ marks, breeds, ...profile }) => ({
      id: makeId(),
      profile: { ...profile, breeds: [...breeds], handling: { marks: [...marks] } },
    })),
  };
}

/** Chosen rows, ready to be sent. */
export const rowsToSend = (rows: readonly MatchedRow[], makeId: () => string): ImportRowInput[] =>
  gather(rows).map((each) => toRow(each, makeId));

/** A file that was chosen and could be opened. */
export interface ChosenFile {
  readonly name: string;
  readonly opened: Exclude<OpenedFile, { kind: 'refused' }>;
}
