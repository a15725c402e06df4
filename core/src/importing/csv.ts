import Papa from 'papaparse';

/** A table as read: a line of headings, then rows of as many cells. */
export interface CsvTable {
  readonly headings: readonly string[];
  /** `row` is the row's number as a spreadsheet shows it: the headings are row 1. */
  readonly rows: readonly { readonly row: number; readonly cells: readonly string[] }[];
  readonly delimiter: string;
}

export type ReadTable =
  { readonly kind: 'table'; readonly table: CsvTable } | { readonly kind: 'refused'; readonly words: string };

/** A spreadsheet would take such a cell for a formula. */
const FORMULA = /^[=+\-@\t\r]/;
const GUARD = "'";

/**
 * Reads a CSV text by any of the usual separators; quotes may hold line breaks. Rows without any word are passed over.
 * @example
 * readCsv('Dog;Owner\nTeasel;Folake').table.rows[0].cells // ['Teasel', 'Folake']
 */
export function readCsv(text: string): ReadTable {
  const delimiter = delimiterOf(text);
  const { data, errors } = Papa.parse<string[]>(text, { delimiter });
  const broken = errors.find(({ type }) => type === 'Quotes');
  if (broken) return refused(`Row ${(broken.row ?? 0) + 1} opens a quote and does not close it.`);
  const [first, ...rest] = data;
  const headings = (first ?? []).map(unguarded);
  if (headings.every((heading) => heading === '')) return refused('The first row has no headings.');
  const rows = rest
    .map((cells, i) => ({ row: i + 2, cells: headings.map((_, at) => unguarded(cells[at] ?? '')) }))
    .filter(({ cells }) => cells.some((cell) => cell !== ''));
  if (rows.length === 0) return refused('There are headings, and no row below them.');
  return { kind: 'table', table: { headings, rows, delimiter } };
}

const DELIMITERS = [',', ';', '\t', '|'];

/** What parts the headings: rows below may be full of commas, headings seldom are. */
function delimiterOf(text: string): string {
  const headings = text.replaceAll(/"[^"]*"/g, '').split(/\r?\n|\r/)[0] ?? '';
  const counted = DELIMITERS.map((each) => ({ each, times: headings.split(each).length - 1 }));
  return counted.reduce((best, one) => (one.times > best.times ? one : best)).each;
}

const refused = (words: string): ReadTable => ({ kind: 'refused', words });

const unguarded = (cell: string): string => {
  const trimmed = cell.trim();
  return trimmed.startsWith(GUARD) && FORMULA.test(trimmed.slice(1)) ? trimmed.slice(1) : trimmed;
};

type Cell = string | number | null;

/**
 * Writes a CSV that any spreadsheet reads and none runs: UTF-8 with BOM, CRLF (RFC 4180), cells that look like a
 * formula are guarded by an apostrophe, which {@link readCsv} takes off again.
 */
export const writeCsv = (headings: readonly string[], rows: readonly (readonly Cell[])[]): string =>
  `\u{feff}${writeRows([headings])}${writeRows(rows)}`;

/** More rows of the same table. */
export const writeRows = (rows: readonly (readonly Cell[])[]): string =>
  rows.length === 0 ? '' : `${Papa.unparse(rows.map(guardedRow), { newline: '\r\n' })}\r\n`;

const guardedRow = (row: readonly Cell[]): string[] => row.map((cell) => (cell === null ? '' : guarded(String(cell))));

/** A negative number is no formula. */
const guarded = (cell: string): string =>
  FORMULA.test(cell) && !/^-?\d+([.,]\d+)?$/.test(cell) ? `${GUARD}${cell}` : cell;
