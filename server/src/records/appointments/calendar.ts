import { getVtimezoneComponent } from '@touch4it/ical-timezones';
import { TZDate } from '@date-fns/tz';
import ical, { type ICalCalendar } from 'ical-generator';

/** The rules of a zone as calendars want them; without the address of where they were taken from. */
const zoneRules = (zone: string): string | null =>
  getVtimezoneComponent(zone)?.replaceAll(/^(TZURL|X-LIC-LOCATION):.*\r?\n/gm, '') ?? null;

/** A calendar of a business in its own zone (RFC 5545). */
export function openCalendar(called: string, zone: string, language: string): ICalCalendar {
  // A break in a name would begin a line of its own.
  const name = called.replaceAll(/\p{Cc}+/gu, ' ');
  const calendar = ical({
    name,
    prodId: { company: 'Dewpond', product: 'Dewpond', language: language.slice(0, 2).toUpperCase() },
    ttl: 6 * 3600,
  });
  calendar.timezone({ name: zone, generator: zoneRules });
  return calendar;
}

export interface CalendarEntry {
  readonly id: string;
  readonly startsAt: string;
  readonly endsAt: string;
  readonly words: string;
}

/** Bookings as a calendar. */
export function bookingsCalendar(name: string, zone: string, now: number, bookings: readonly CalendarEntry[]): string {
  const calendar = openCalendar(name, zone, 'en');
  addBookings(calendar, bookings, zone, now);
  return inUtcStamps(calendar.toString());
}

export function addBookings(
  calendar: ICalCalendar,
  bookings: readonly CalendarEntry[],
  zone: string,
  now: number,
): void {
  for (const { id, startsAt, endsAt, words } of bookings)
    calendar.createEvent({
      id: `${id}@dewpond`,
      start: new TZDate(startsAt, zone),
      end: new TZDate(endsAt, zone),
      stamp: new TZDate(now, 'UTC'),
      timezone: zone,
      summary: words,
    });
}

/** RFC 5545 §3.8.7.2: DTSTAMP is in UTC. The generator writes it without the Z where a calendar has a zone. */
export const inUtcStamps = (text: string): string => text.replaceAll(/^(DTSTAMP:\d{8}T\d{6})(?=\r?$)/gm, '$1Z');

const BEGIN = 'BEGIN:VEVENT';
const END = 'END:VEVENT';

/** The same, of so many bookings that they are written piece by piece. */
export async function* longCalendar(
  name: string,
  zone: string,
  now: number,
  pieces: AsyncIterable<readonly CalendarEntry[]>,
): AsyncGenerator<string> {
  const empty = bookingsCalendar(name, zone, now, []);
  const end = empty.lastIndexOf('END:VCALENDAR');
  yield empty.slice(0, end);
  for await (const bookings of pieces) {
    if (bookings.length === 0) continue;
    const text = bookingsCalendar(name, zone, now, bookings);
    yield `${text.slice(text.indexOf(BEGIN), text.lastIndexOf(END) + END.length)}\r\n`;
  }
  yield empty.slice(end);
}
