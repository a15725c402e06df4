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
/**
 * An entry is looked through so far, and all of a file together so far: what comes often enough to reach the bound comes
 * too often for an absence. A thousand steps are thirty a year since thirty years; the file's bound keeps the window free.
 */
const MOST_STEPS = 1000;
const MOST_STEPS_OF_FILE = 20_000;
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
  const steps: Steps = { left: MOST_STEPS_OF_FILE };
  for (const entry of entries) {
    const read = readEntry(entry, today, steps);
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

/** Steps that may still be taken through entries of one file that come round. */
interface Steps {
  left: number;
}

function readEntry(
  component: ICAL.Component,
  today: Day,
  steps: Steps,
): { readonly absences: readonly ReadAbsence[] } | { readonly name: string; readonly why: string } {
  const event = new ICAL.Event(component);
  const name = (event.summary || 'Closed').replaceAll(/\s+/g, ' ').trim().slice(0, LONGEST_NAME);
  try {
    if (component.getFirstPropertyValue('status') === 'CANCELLED') return { absences: [] };
    if (!event.startDate?.isDate) return { name, why: 'It has an hour of the day: only whole days are taken.' };
    const length = daysOf(event);
    if (length < 1) return { name, why: 'It ends before it begins.' };
    const starts = event.isRecurring() ? startsOf(event, today, length, steps) : [dayOf(event.startDate)];
    if (starts === 'too often') return { name, why: `It comes more than ${MOST_TIMES} times in two years.` };
    if (starts === 'file too long')
      return { name, why: 'Too many entries of this file come round: export a shorter time.' };
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

/** Days on which an entry begins, from those that reach today on. */
function startsOf(event: ICAL.Event, today: Day, length: number, steps: Steps): Day[] | 'too often' | 'file too long' {
  const first = addDays(today, -length);
  const last = addDays(today, DAYS_AHEAD);
  if (endedBefore(event, first)) return [];
  const all = event.iterator();
  const starts: Day[] = [];
  for (let step = 0; step < MOST_STEPS; step++) {
    if (steps.left-- <= 0) return 'file too long';
    const next = all.next() as ICAL.Time | undefined;
    if (!next) return starts;
    // As text: a calendar may begin before any day that a business knows.
    const on = next.toString().slice(0, 10);
    if (on > last) return starts;
    if (on >= first) starts.push(asDay(on));
    if (starts.length > MOST_TIMES) return 'too often';
  }
  return 'too often';
}

/** An entry whose one rule ended before that day: nothing of it has to be looked through. */
function endedBefore({ component }: ICAL.Event, first: Day): boolean {
  const [rule, ...more] = component.getAllProperties('rrule');
  if (!rule || more.length > 0 || component.getFirstProperty('rdate')) return false;
  const { until } = rule.getFirstValue() as ICAL.Recur;
  return until instanceof ICAL.Time && until.toString().slice(0, 10) < first;
}
