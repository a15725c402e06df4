import { nameBreeds, type Breed, type Catalogue } from '../catalogue';
import { plainWords } from '../clients';
import { isDay, type Day } from '../units';

/** A cell read, or what is wrong with it. */
export type CellRead<T> = { readonly value: T } | { readonly wrong: string };

/** Which number comes first in "3/4/2021". */
export type DayOrder = 'day first' | 'month first';

/** "2021-04-03", "3.4.2021", "03/04/21"; two-digit years are of this century unless they lie ahead of `today`. */
export function readDay(cell: string, order: DayOrder, today: Day): CellRead<Day | null> {
  const text = cell.trim();
  if (text === '') return { value: null };
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})(?:[T ].*)?$/.exec(text);
  const parts = iso ?? /^(\d{1,2})[./-](\d{1,2})[./-](\d{2}|\d{4})$/.exec(text);
  if (!parts) return { wrong: `"${text}" is no date: write 2021-04-03.` };
  const [a, b, c] = parts.slice(1) as [string, string, string];
  const [year, month, on] = iso
    ? [a, b, c]
    : order === 'day first'
      ? [fullYear(c, today), b, a]
      : [fullYear(c, today), a, b];
  const day = `${year}-${month.padStart(2, '0')}-${on.padStart(2, '0')}`;
  return isDay(day) ? { value: day } : { wrong: `"${text}" is no day of the calendar.` };
}

function fullYear(year: string, today: Day): string {
  if (year.length === 4) return year;
  const century = Number(today.slice(0, 2));
  return Number(`${century}${year}`) > Number(today.slice(0, 4)) ? `${century - 1}${year}` : `${century}${year}`;
}

const KG_PER_LB = 0.45359237;

/** "14.2", "14,2 kg", "31 lb"; without a unit `unit` is meant. Kilograms, two decimals. */
export function readWeight(cell: string, unit: 'kg' | 'lb'): CellRead<number | null> {
  const text = cell.trim().toLowerCase();
  if (text === '') return { value: null };
  const parts = /^(\d+(?:[.,]\d+)?)\s*(kg|kgs|kilo|kilos|lb|lbs|pound|pounds)?\.?$/.exec(text);
  if (!parts) return { wrong: `"${cell.trim()}" is no weight: write 14.2.` };
  const said = parts[2]?.startsWith('l') || parts[2]?.startsWith('p') ? 'lb' : parts[2] ? 'kg' : unit;
  const number = Number(parts[1]?.replace(',', '.'));
  return { value: Math.round(number * (said === 'lb' ? KG_PER_LB : 1) * 100) / 100 };
}

const SEXES: Readonly<Record<string, 'dog' | 'bitch'>> = {
  m: 'dog',
  male: 'dog',
  dog: 'dog',
  boy: 'dog',
  'male neutered': 'dog',
  mn: 'dog',
  rude: 'dog',
  f: 'bitch',
  female: 'bitch',
  bitch: 'bitch',
  girl: 'bitch',
  'female neutered': 'bitch',
  'female spayed': 'bitch',
  fs: 'bitch',
  fn: 'bitch',
};
export const readSex = (cell: string): 'dog' | 'bitch' | 'not known' => SEXES[plainWords(cell)] ?? 'not known';

const MIXED = new Set(['', 'mixed', 'mix', 'mixed breed', 'mongrel', 'crossbreed', 'cross', 'unknown', 'x']);

/** Every name of a breed, plain, to its id. */
export function breedNames({ breeds }: Catalogue): ReadonlyMap<string, string> {
  const names = (breed: Breed) => [breed.name, ...breed.alsoCalled, breed.id.replaceAll('-', ' ')];
  return new Map(breeds.flatMap((breed) => names(breed).map((name): [string, string] => [plainBreed(name), breed.id])));
}

const plainBreed = (name: string): string =>
  plainWords(name)
    .replaceAll(/[,.()’'-]/g, ' ')
    .replaceAll(/\s+/g, ' ')
    .trim();

/**
 * Breed or parents from words: "Cocker Spaniel x Poodle, miniature", "Labradoodle", "mixed". What the catalogue does not
 * know is told, and left out: that dog is described by its looks.
 */
export function readBreeds(cell: string, names: ReadonlyMap<string, string>): { ids: string[]; unknown: string[] } {
  if (MIXED.has(plainBreed(cell))) return { ids: [], unknown: [] };
  const whole = names.get(plainBreed(cell));
  if (whole) return { ids: [whole], unknown: [] };
  const parts = cell
    .split(/\s+[x×]\s+|[×/+&]|\s+cross(?:ed)?\s+(?:with\s+)?/i)
    .map((part) => part.replace(/\s+(cross|mix|x)$/i, '').trim())
    .filter((part) => !MIXED.has(plainBreed(part)));
  const read = parts.map((part) => ({ part, id: names.get(plainBreed(part)) }));
  return {
    ids: read.flatMap(({ id }) => id ?? []).slice(0, 8),
    unknown: read.filter(({ id }) => id === undefined).map(({ part }) => part),
  };
}

/** As {@link readBreeds} reads it back. */
export const writeBreeds = (ids: readonly string[], catalogue: Catalogue): string =>
  ids.length === 0
    ? ''
    : new Set(ids).size === ids.length
      ? nameBreeds(ids, catalogue)
      : ids.map((id) => catalogue.find(id)?.name ?? id).join(' × ');
