import ICAL from 'ical.js';
import { addDays, day as asDay, daysBetween, type Day } from '../units';

/** Whole days that a calendar closes, the last of them included. */
export interface ReadAbsence {
  readonly name: string;
  readonly from: Day;
  readonly to: Day;
}

/** What a calendar file says of days away, what of it is left out and why; or why it cannot be read. */
export type AbsencesRead =
  | {
      readonly found: readonly ReadAbsence[];
      readonly left: readonly { readonly name: string; readonly why: string }[];
    }
  | { readonly trouble: string };

/** So far ahead days are taken, and so often one entry may come round in that time [house values]. */
const DAYS_AHEAD = 730;
const MOST_TIMES = 60;
/** An entry is looked through so far: one that began long ago and comes daily is left out instead. */
const MOST_STEPS = 5000;
const MOST_ENTRIES = 2000;
const LONGEST_FILE = 2_000_000;
const LONGEST_NAME = 80;

/**
 * Reads closures, holidays and absences from an iCalendar file (RFC 5545): entries of whole days, also those that come
 * round, from today on. Entries with an hour of the day close nothing; what comes round too often to be an absence is told.
 */
export function readAbsences(text: string, today: Day): AbsencesRead {
  if (text.length > LONGEST_FILE) return { trouble: 'That file is larger than 2 MB.' };
  const entries = entriesOf(text);
  if (entries === null) return { trouble: 'That is no calendar file (.ics).' };
  if (entries.length === 0) return { trouble: 'No entries stand in that calendar.' };
  if (entries.length > MOST_ENTRIES)
    return { trouble: `More than ${MOST_ENTRIES} entries: export a shorter time, please.` };
  const found = new Map<string, ReadAbsence>();
  const left: { name: string; why: string }[] = [];
  for (const entry of entries) {
    const read = readEntry(entry, today);
    if ('why' in read) left.push(read);
    else for (const each of read.absences) found.set(`${each.from} ${each.to} ${each.name}`, each);
  }
  return {
    found: [...found.values()].toSorted((a, b) => a.from.localeCompare(b.from) || a.name.localeCompare(b.name)),
    left,
  };
}

function entriesOf(text: string): ICAL.Component[] | null {
  try {
    const calendar = new ICAL.Component(ICAL.parse(text.replace(/^\uFEFF/u, '')) as unknown[]);
    if (calendar.name !== 'vcalendar') return null;
    return calendar.getAllSubcomponents('vevent');
  } catch {
    return null;
  }
}

function readEntry(
  component: ICAL.Component,
  today: Day,
): { readonly absences: readonly ReadAbsence[] } | { readonly name: string; readonly why: string } {
  const event = new ICAL.Event(component);
  const name = (event.summary || 'Closed').replaceAll(/\s+/g, ' ').trim().slice(0, LONGEST_NAME);
  try {
    if (component.getFirstPropertyValue('status') === 'CANCELLED') return { absences: [] };
    if (!event.startDate?.isDate) return { name, why: 'It has an hour of the day: only whole days are taken.' };
    const length = daysOf(event);
    if (length < 1) return { name, why: 'It ends before it begins.' };
    const starts = event.isRecurring() ? startsOf(event, today, length) : [dayOf(event.startDate)];
    if (starts === null) return { name, why: `It comes more than ${MOST_TIMES} times in two years.` };
    const ahead = starts
      .map((from): ReadAbsence => ({ name, from, to: addDays(from, length - 1) }))
      .filter(({ from, to }) => to >= today && daysBetween(today, from) <= DAYS_AHEAD);
    return { absences: ahead };
  } catch {
    return { name, why: 'Its dates cannot be read.' };
  }
}

const dayOf = (time: ICAL.Time): Day => asDay(time.toString().slice(0, 10));

/** Whole days that an entry lasts: its end is the first day after it; without an end it lasts one. */
function daysOf({ component, startDate, endDate }: ICAL.Event): number {
  const hasEnd = component.getFirstProperty('dtend') !== null || component.getFirstProperty('duration') !== null;
  return hasEnd ? endDate.subtractDate(startDate).toSeconds() / 86_400 : 1;
}

/** Days on which an entry begins, from those that reach today on; null where they are too many. */
function startsOf(event: ICAL.Event, today: Day, length: number): Day[] | null {
  const first = addDays(today, -length);
  const last = addDays(today, DAYS_AHEAD);
  const all = event.iterator();
  const starts: Day[] = [];
  for (let step = 0; step < MOST_STEPS; step++) {
    const next = all.next() as ICAL.Time | undefined;
    if (!next) return starts;
    // As text: a calendar may begin before any day that a business knows.
    const on = next.toString().slice(0, 10);
    if (on > last) return starts;
    if (on >= first) starts.push(asDay(on));
    if (starts.length > MOST_TIMES) return null;
  }
  return null;
}
