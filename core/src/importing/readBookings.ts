import { VISIT_KINDS, type VisitKind } from '../steps';
import { readDay, readTime, type DateOrder, type Day } from '../units';
import { readCsv, type CsvTable } from './csv';

/** Whom a file of bookings may name. */
export interface KnownHere {
  readonly dogs: readonly { readonly id: string; readonly name: string; readonly owner: string }[];
  readonly people: readonly { readonly id: string; readonly name: string }[];
  readonly today: Day;
  readonly order: DateOrder;
}

/** A booking as a file has it. */
export interface FileBooking {
  /** In the file, the headings being the first. */
  readonly row: number;
  readonly dog: { readonly id: string; readonly name: string };
  /** Null: the file names nobody. */
  readonly person: string | null;
  /** An instant, where the file says the zone; else a day and minutes from midnight on the business's own clock. */
  readonly starts: { readonly instant: string } | { readonly day: Day; readonly minute: number };
  readonly minutes: number;
  readonly kind: VisitKind;
  readonly note: string;
}

/** A row that is no booking to come, and why. */
export interface RowLeft {
  readonly row: number;
  readonly why: string;
}

export type BookingsRead =
  | { readonly kind: 'read'; readonly bookings: readonly FileBooking[]; readonly left: readonly RowLeft[] }
  | { readonly kind: 'refused'; readonly words: string };

/** What a column may be called. The first of each is how our own export calls it. */
const HEADINGS = {
  starts: ['starts', 'start', 'begins', 'from', 'date and time', 'datetime', 'when'],
  day: ['day', 'date', 'start date'],
  time: ['time', 'start time', 'at'],
  ends: ['ends', 'end', 'until', 'to', 'end time'],
  minutes: ['minutes', 'duration', 'length', 'min', 'mins'],
  dog: ['dog', 'dog name', 'pet', 'pet name', 'animal', 'name'],
  owner: ['owner', 'client', 'customer', 'owner name', 'client name'],
  person: ['with', 'groomer', 'person', 'staff', 'by'],
  kind: ['kind', 'service', 'visit', 'type'],
  state: ['state', 'status'],
  note: ['note', 'notes', 'comment', 'remarks'],
} as const;
type Column = keyof typeof HEADINGS;

/** Where a file says nothing of how long it takes, min [house value]. */
const USUAL_MINUTES = 90;
const LONGEST = 480;
/** Other words for a booking that stands. */
const STANDS = ['', 'booked', 'confirmed', 'open', 'planned', 'scheduled'];

/**
 * Bookings of a CSV file, row by row: the dog by its name and, where two have one, its owner; the person by name. What is over,
 * cancelled, unclear or unknown is left, with the reason. Own exports are read whole.
 * @example
 * readBookings('Owner\nFolake', { dogs: [], people: [], today: '2026-11-25', order: 'day first' }).kind // 'refused'
 */
export function readBookings(text: string, known: KnownHere): BookingsRead {
  const read = readCsv(text);
  if (read.kind === 'refused') return read;
  const cell = cellsOf(read.table);
  if (!cell.has('dog')) return { kind: 'refused', words: 'No column says which dog comes: call it “Dog”.' };
  if (!cell.has('starts') && !(cell.has('day') && cell.has('time')))
    return { kind: 'refused', words: 'No column says when: call it “Starts”, or have “Day” and “Time”.' };
  const bookings: FileBooking[] = [];
  const left: RowLeft[] = [];
  for (const { row, cells } of read.table.rows) {
    const found = bookingOf((column) => cell.of(column, cells), known);
    if (typeof found === 'string') left.push({ row, why: found });
    else bookings.push({ row, ...found });
  }
  return { kind: 'read', bookings, left };
}

function cellsOf({ headings }: CsvTable) {
  const plain = headings.map((heading) => heading.trim().toLowerCase());
  const at = new Map<Column, number>();
  for (const column of Object.keys(HEADINGS) as Column[])
    for (const name of HEADINGS[column])
      if (!at.has(column) && plain.includes(name)) at.set(column, plain.indexOf(name));
  return {
    has: (column: Column) => at.has(column),
    of: (column: Column, cells: readonly string[]) => (cells[at.get(column) ?? -1] ?? '').trim(),
  };
}

type ColumnText = (column: Column) => string;

function bookingOf(cell: ColumnText, known: KnownHere): Omit<FileBooking, 'row'> | string {
  const state = cell('state').toLowerCase();
  if (!STANDS.includes(state)) return `It is ${state}.`;
  const dog = dogOf(cell, known);
  if (typeof dog === 'string') return dog;
  const named = cell('person');
  const person = named === '' ? null : (known.people.find(({ name }) => isNamed(name, named)) ?? undefined);
  if (person === undefined) return `Nobody called ${named} works here.`;
  const starts = startOf(cell, known);
  if (starts === null) return `“${cell('starts') || `${cell('day')} ${cell('time')}`.trim()}” is no day and time.`;
  if ('day' in starts && starts.day < known.today) return 'It is over.';
  const minutes = lengthOf(cell, starts, known);
  if (minutes === null) return 'It ends before it begins, or takes more than eight hours.';
  const [kind, more] = kindOf(cell('kind'));
  const note = [more, cell('note')].filter((each) => each !== '').join('; ');
  return { dog: { id: dog.id, name: dog.name }, person: person?.id ?? null, starts, minutes, kind, note };
}

/** "Ines" is Ines Castellan, and so is "castellan"; capitals do not count. */
const isNamed = (name: string, asked: string): boolean => {
  const [whole, part] = [name.toLowerCase(), asked.toLowerCase()];
  return whole === part || whole.split(/\s+/).includes(part);
};

function dogOf(cell: ColumnText, { dogs }: KnownHere): KnownHere['dogs'][number] | string {
  const [name, owner] = [cell('dog'), cell('owner')];
  if (name === '') return 'It names no dog.';
  const called = dogs.filter((each) => each.name.toLowerCase() === name.toLowerCase());
  const theirs = owner === '' ? called : called.filter((each) => isNamed(each.owner, owner));
  const [first, another] = theirs;
  if (called.length === 0) return `No dog is called ${name}.`;
  if (!first) return `No ${name} belongs to ${owner}.`;
  return another ? `There are ${theirs.length} dogs called ${name}: name the owner.` : first;
}

const INSTANT = /^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d+)?)?(Z|[+-]\d\d:?\d\d)$/;

function startOf(cell: ColumnText, { today, order }: KnownHere): FileBooking['starts'] | null {
  const whole = cell('starts');
  if (INSTANT.test(whole)) return Number.isNaN(Date.parse(whole)) ? null : { instant: new Date(whole).toISOString() };
  const [on, at] = whole === '' ? [cell('day'), cell('time')] : parted(whole);
  const day = readDay(on, { today, order, near: 'ahead' });
  const minute = readTime(at);
  return day === null || minute === null ? null : { day, minute };
}

/** "2026-12-01 09:30", "1/12/2026, 9:30 am", "2026-12-01T09:30:00": a day, then a time. */
function parted(text: string): [string, string] {
  const [, on = '', at = ''] = /^(.*?)[\sT,]+(\d{1,2}(?:[:.h]\d{2})?(?::\d{2})?\s*(?:[ap]\.?m\.?)?)$/i.exec(text) ?? [];
  return [on, at.replace(/^(\d{1,2}[:.h]\d{2}):\d{2}/, '$1')];
}

function lengthOf(cell: ColumnText, starts: FileBooking['starts'], known: KnownHere): number | null {
  const told = cell('minutes').replace(/\s*(min|mins|minutes)$/i, '');
  if (/^\d+$/.test(told)) return within(Number(told));
  const until = cell('ends');
  if (until === '') return USUAL_MINUTES;
  if ('instant' in starts)
    return INSTANT.test(until) ? within((Date.parse(until) - Date.parse(starts.instant)) / 60_000) : null;
  const time = readTime(until) ?? readTime(parted(until)[1]);
  const sameDay = readTime(until) !== null || readDay(parted(until)[0], { ...known, near: 'ahead' }) === starts.day;
  return time === null || !sameDay ? null : within(time - starts.minute);
}

const within = (minutes: number): number | null => (minutes >= 15 && minutes <= LONGEST ? Math.round(minutes) : null);

/** A kind of ours; what a file calls otherwise is a full visit, and its word stays in the note. */
function kindOf(word: string): [VisitKind, string] {
  const known = VISIT_KINDS.find((kind) => kind === word.toLowerCase() && kind !== 'as agreed');
  return known ? [known, ''] : ['full visit', word];
}
