import { getVtimezoneComponent } from '@touch4it/ical-timezones';
import { TZDate } from '@date-fns/tz';
import { nextHomeDay } from '@dewpond/core/homecare';
import type { Day } from '@dewpond/core/units';
import { fillIn, type HomeTaskTold, type PageWords } from '@dewpond/core/wording';
import ical, { ICalAlarmType, ICalEventRepeatingFreq, type ICalCalendar } from 'ical-generator';
import { onTheWall } from '../../platform/time/zone';

/** When an owner is reminded, by the clock on the wall [house value]. */
const AT = { hours: 18, minutes: 30 } as const;

/** The rules of a zone as calendars want them; without the address of where they were taken from. */
const zoneRules = (zone: string): string | null =>
  getVtimezoneComponent(zone)?.replaceAll(/^(TZURL|X-LIC-LOCATION):.*\r?\n/gm, '') ?? null;

/** A calendar of a business in its own zone (RFC 5545). */
function openCalendar(called: string, zone: string, language: string): ICalCalendar {
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

export interface HomeCalendar {
  readonly dog: string;
  readonly business: string;
  readonly zone: string;
  readonly today: Day;
  readonly now: number;
  /** The visit that days are counted from. */
  readonly since: Day;
  readonly tasks: readonly HomeTaskTold[];
  /** The owner's language and its words. */
  readonly language: string;
  readonly words: PageWords;
  readonly bookings: readonly CalendarEntry[];
  /** Makes ids that stay when the calendar is made again. */
  readonly id: string;
}

export interface CalendarEntry {
  readonly id: string;
  readonly startsAt: string;
  readonly endsAt: string;
  readonly words: string;
}

/** Home care as repeating entries with a reminder, and the visits that are booked. */
export function homeCalendar(given: HomeCalendar): string {
  const { dog, business, zone, today, now, since, tasks, language, words, id } = given;
  const calendar = openCalendar(fillIn(words.calendarName, { dog, business }), zone, language);
  for (const task of tasks) {
    const first = nextHomeDay(task, since, today);
    const start = onTheWall(zone, first, AT.hours * 60 + AT.minutes);
    const event = calendar.createEvent({
      id: `${id}-${task.key.replaceAll(/[^a-z0-9]+/gi, '-')}@dewpond`,
      start,
      end: new TZDate(start.getTime() + task.minutes * 60_000, zone),
      stamp: new TZDate(now, 'UTC'),
      timezone: zone,
      summary: fillIn(words.calendarTask, { dog, task: task.name }),
      description: fillIn(words.calendarHow, { how: task.words, minutes: task.takes }),
    });
    event.repeating({ freq: ICalEventRepeatingFreq.DAILY, interval: task.everyDays });
    event.createAlarm({ type: ICalAlarmType.display, trigger: 0 });
  }
  addBookings(calendar, given.bookings, zone, now);
  return inUtcStamps(calendar.toString());
}

/** What one person of the salon has booked. */
export function groomersCalendar(name: string, zone: string, now: number, bookings: readonly CalendarEntry[]): string {
  const calendar = openCalendar(name, zone, 'en');
  addBookings(calendar, bookings, zone, now);
  return inUtcStamps(calendar.toString());
}

function addBookings(calendar: ICalCalendar, bookings: readonly CalendarEntry[], zone: string, now: number): void {
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
const inUtcStamps = (text: string): string => text.replaceAll(/^(DTSTAMP:\d{8}T\d{6})(?=\r?$)/gm, '$1Z');
