import { usualWeight, type Catalogue } from '../catalogue';
import { EMPTY_CARD, NO_ADDRESS, type ClientCard } from '../clients';
import type { Day } from '../units';
import { breedNames, readBreeds, readDay, readSex, readWeight, type CellRead, type DayOrder } from './cells';
import type { CsvTable } from './csv';
import type { ImportField, Mapping } from './fields';

export interface ReadOptions {
  readonly catalogue: Catalogue;
  readonly weightUnit: 'kg' | 'lb';
  readonly dayOrder: DayOrder;
  readonly today: Day;
}

export interface ReadDog {
  readonly name: string;
  readonly breeds: readonly string[];
  readonly weightKg: number;
  readonly born: Day | null;
  readonly sex: 'dog' | 'bitch' | 'not known';
  readonly chip: string;
  readonly marks: readonly string[];
  readonly note: string;
}

/** One row of the file: an owner, and a dog unless the row has none. */
export interface ReadRow {
  readonly row: number;
  readonly owner: { readonly name: string; readonly card: ClientCard };
  readonly dog: ReadDog | null;
  /** Why it cannot be taken, in words. */
  readonly wrong: readonly string[];
  /** What was assumed or left out. */
  readonly notes: readonly string[];
}

/** Rows of a table as owners and dogs. Every row comes back, those that cannot be taken with the reason. */
export function readRows(table: CsvTable, mapping: Mapping, options: ReadOptions): ReadRow[] {
  const names = breedNames(options.catalogue);
  const columns = new Map(mapping.flatMap((field, at): [ImportField, number][] => (field ? [[field, at]] : [])));
  return table.rows.map(({ row, cells }) => {
    const cell = (field: ImportField): string => cells[columns.get(field) ?? -1]?.trim() ?? '';
    const wrong: string[] = [];
    const notes: string[] = [];
    const read = <T>(result: CellRead<T>, otherwise: T): T => {
      if ('value' in result) return result.value;
      wrong.push(result.wrong);
      return otherwise;
    };
    const name = cell('owner') || [cell('first name'), cell('last name')].filter(Boolean).join(' ');
    if (name === '') wrong.push('The owner has no name.');
    const coordinates = read(readCoordinates(cell('latitude'), cell('longitude')), null);
    const { ids, unknown } = readBreeds(cell('breed'), names);
    if (unknown.length > 0) notes.push(`Not in the catalogue, kept as a note: ${unknown.join(', ')}.`);
    const weighed = read(readWeight(cell('weight'), options.weightUnit), null);
    const range = usualWeight(ids, options.catalogue);
    const assumed = weighed ?? (range ? Math.round((range[0] + range[1]) * 5) / 10 : null);
    const hasDog = cell('dog') !== '';
    if (!hasDog && ['breed', 'weight', 'born', 'chip'].some((field) => cell(field as ImportField) !== ''))
      wrong.push('The dog has no name.');
    if (hasDog && assumed === null) wrong.push('No weight, and no breed to assume one from.');
    if (hasDog && weighed === null && assumed !== null) notes.push(`Weight assumed from the breed: ${assumed} kg.`);
    const born = read(readDay(cell('born'), options.dayOrder, options.today), null);
    return {
      row,
      owner: {
        name,
        card: {
          ...EMPTY_CARD,
          phones: [cell('phone'), cell('second phone')].filter(Boolean).map((number) => ({ number, whose: '' })),
          emails: cell('email')
            .split(/[;,\s]+/)
            .filter(Boolean),
          address: {
            ...NO_ADDRESS,
            street: cell('street'),
            town: cell('town'),
            postcode: cell('postcode'),
            coordinates,
          },
          note: cell('owner note'),
        },
      },
      dog: hasDog
        ? {
            name: cell('dog'),
            breeds: ids,
            weightKg: assumed ?? 0,
            born,
            sex: readSex(cell('sex')),
            chip: cell('chip')
              .replaceAll(/[\s.-]/g, '')
              .toUpperCase(),
            marks: cell('mind')
              .split(/[;\n]/)
              .map((mark) => mark.trim())
              .filter(Boolean),
            note: [cell('dog note'), ...unknown.map((each) => `Breed as written: ${each}`)].filter(Boolean).join('\n'),
          }
        : null,
      wrong,
      notes,
    };
  });
}

function readCoordinates(latitude: string, longitude: string): CellRead<ClientCard['address']['coordinates']> {
  if (latitude === '' && longitude === '') return { value: null };
  const [north, east] = [latitude, longitude].map((each) =>
    each === '' ? Number.NaN : Number(each.replace(',', '.')),
  );
  if (north === undefined || east === undefined || Number.isNaN(north) || Number.isNaN(east))
    return { wrong: `"${latitude}, ${longitude}" are no coordinates: write 50.1234 and −4.5678.` };
  return { value: { latitude: north, longitude: east } };
}
