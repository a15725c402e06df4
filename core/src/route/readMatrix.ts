import { readCsv } from '../importing';

/** A table of driving times read from a file, or what is wrong with it. */
export type MatrixRead =
  | { readonly names: readonly string[]; readonly minutes: readonly (readonly number[])[] }
  | { readonly trouble: string };

/** No drive of a round takes longer, min. */
const LONGEST = 24 * 60;
const MOST_PLACES = 200;
const NO_NAMES =
  'The first row holds the names of the places, from the second column on; a row for each place follows.';

/**
 * Reads driving times in minutes: a row and a column for each place, its name first in both; commas, semicolons or tabs.
 * The way there may take another time than the way back. From a place to itself stands 0 or nothing.
 */
export function readMatrix(text: string): MatrixRead {
  const read = readCsv(text.replace(/^\uFEFF/u, ''));
  if (read.kind === 'refused') return { trouble: NO_NAMES };
  const { headings, rows } = read.table;
  const names = headings.slice(1);
  if (names.length === 0) return { trouble: NO_NAMES };
  if (names.length > MOST_PLACES) return { trouble: `At most ${MOST_PLACES} places.` };
  const twice = names.find((name, i) => names.indexOf(name) !== i);
  if (twice !== undefined) return { trouble: `“${twice}” stands there twice.` };
  if (names.includes('')) return { trouble: 'A place has no name.' };
  if (rows.length !== names.length)
    return { trouble: `There are ${names.length} columns of places and ${rows.length} rows: as many of both, please.` };
  const minutes: number[][] = [];
  for (const [
    i,
    {
      cells: [name = '', ...cells],
    },
  ] of rows.entries()) {
    if (name !== names[i])
      return { trouble: `Row ${i + 2} is “${name}”, and column ${i + 2} is “${names[i]!}”: the same order, please.` };
    const row = names.map((to, j) => readCell(cells[j] ?? '', name, to));
    const wrong = row.find((cell) => typeof cell === 'string');
    if (typeof wrong === 'string') return { trouble: wrong };
    minutes.push(row as number[]);
  }
  return { names, minutes };
}

function readCell(cell: string, from: string, to: string): number | string {
  if (cell === '') return from === to ? 0 : `From “${from}” to “${to}” is not filled in.`;
  // "7,5" is written in half of Europe.
  const minutes = Number(cell.replace(',', '.'));
  if (!Number.isFinite(minutes)) return `From “${from}” to “${to}” stands “${cell}”: minutes, please.`;
  if (minutes < 0) return `From “${from}” to “${to}” takes less than no time.`;
  if (minutes > LONGEST) return `From “${from}” to “${to}” takes longer than a day.`;
  return minutes;
}
