import { TZDate } from '@date-fns/tz';
import { nextHomeDay } from '@dewpond/core/homecare';
import { daysApart, type Day } from '@dewpond/core/units';
import { fillIn, type HomeTaskTold, type PageWords } from '@dewpond/core/wording';
import { ICalAlarmType, ICalEventRepeatingFreq } from 'ical-generator';
import { onTheWall } from '../../platform/time/zone';
import { addBookings, inUtcStamps, openCalendar, type CalendarEntry } from '../../records/appointments/calendar';

/** When an owner is reminded, by the clock on the wall [house value]. */
const AT = { hours: 18, minutes: 30 } as const;

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
    event.repeating({ freq: ICalEventRepeatingFreq.DAILY, interval: daysApart(task.everyDays) });
    event.createAlarm({ type: ICalAlarmType.display, trigger: 0 });
  }
  addBookings(calendar, given.bookings, zone, now);
  return inUtcStamps(calendar.toString());
}
