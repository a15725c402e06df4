import { GIVEN_UP, USUAL_PLACES, bookOf, dayOfWeeks, nextFree } from '@dewpond/core/bookings';
import { addDays, daysBetween, type Day } from '@dewpond/core/units';
import { and, eq, gt, inArray, isNull, lt, ne, notInArray, sql } from 'drizzle-orm';
import { appointment, dog, member } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { Refusal, badField } from '../../platform/http/problem';
import { insertOnce } from '../../platform/http/writes';
import { atMinute, dayIn, minuteIn } from '../../platform/time/zone';
import { loadTime } from '../weeks/loadWeeks';

/** When, to whom. */
export interface BookedTime {
  readonly memberId: string;
  readonly startsAt: Date;
  readonly endsAt: Date;
}

export interface Moment {
  readonly zone: string;
  readonly now: number;
}

/** No booking takes longer, so that what may overlap is found by when it began. */
const LONGEST_MS = 8 * 3_600_000;
/** So many free times are named beside a refusal, and they are looked for so far ahead. */
const NAMED = 3;
const DAYS = 21;

/** Throws where there is no such person. Bookings of one person wait for each other, so that a rush on one hour ends in refusals and not in a deadlock. */
export async function lockPerson(tx: Tenant, memberId: string, { mayHaveLeft = false } = {}): Promise<void> {
  const [known] = await tx
    .select({ id: member.id })
    .from(member)
    .where(and(eq(member.id, memberId), mayHaveLeft ? undefined : isNull(member.leftAt)));
  if (!known) throw badField('memberId', 'There is no such person here.');
  await tx.execute(
    sql`select pg_advisory_xact_lock(hashtextextended(current_setting('dewpond.business_id') || ${memberId}, 0))`,
  );
}

/** What of their people's time is taken around these times. Ask with the people locked. */
export async function takenTimes(
  tx: Tenant,
  times: readonly BookedTime[],
  but: string | null = null,
): Promise<(BookedTime & { readonly id: string })[]> {
  if (times.length === 0) return [];
  const first = Math.min(...times.map(({ startsAt }) => Number(startsAt)));
  const last = Math.max(...times.map(({ endsAt }) => Number(endsAt)));
  return tx
    .select({
      id: appointment.id,
      memberId: appointment.memberId,
      startsAt: appointment.startsAt,
      endsAt: appointment.endsAt,
    })
    .from(appointment)
    .where(
      and(
        inArray(appointment.memberId, [...new Set(times.map(({ memberId }) => memberId))]),
        notInArray(appointment.state, [...GIVEN_UP]),
        gt(appointment.startsAt, new Date(first - LONGEST_MS)),
        lt(appointment.startsAt, new Date(last)),
        gt(appointment.endsAt, new Date(first)),
        but === null ? undefined : ne(appointment.id, but),
      ),
    );
}

/** Whether a person has another dog then. Ask with the person locked. */
export const isTaken = async (tx: Tenant, time: BookedTime, but: string | null): Promise<boolean> =>
  (await takenTimes(tx, [time], but)).length > 0;

/** Throws 409 with the next three free times where the person has another dog then. */
export async function assertFree(tx: Tenant, time: BookedTime, at: Moment, but: string | null = null): Promise<void> {
  if (await isTaken(tx, time, but))
    throw new Refusal('conflict', 'That person already has a dog at that time.', {
      free: await nextFreeTimes(tx, time, at),
    });
}

/** The next times of that length at which anybody is free. */
async function nextFreeTimes(tx: Tenant, { startsAt, endsAt }: BookedTime, { zone, now }: Moment) {
  const today = dayIn(zone, now);
  const day = dayIn(zone, startsAt);
  const first = day > today ? day : today;
  const time = await loadTime(tx, { zone, now, first, days: DAYS, places: USUAL_PLACES });
  const weeks = { ...time, dogs: [], drive: {} };
  const minutes = (Number(endsAt) - Number(startsAt)) / 60_000;
  const after = { day: daysBetween(first, day), from: minuteIn(zone, startsAt) };
  return nextFree(bookOf(weeks).blocks, minutes, after, NAMED).map(({ person, day: on, from }) => ({
    memberId: person,
    startsAt: atMinute(zone, dayOfWeeks(weeks, on), from).toISOString(),
    minutes,
  }));
}

/** Throws where that dog cannot be booked. From then on it is about the branch of the dog: free times are named there. */
export async function assertBookable(tx: Tenant, dogId: string): Promise<void> {
  const [known] = await tx
    .select({ archivedOn: dog.archivedOn, stands: sql`set_config('dewpond.branch_id', ${dog.branchId}::text, true)` })
    .from(dog)
    .where(eq(dog.id, dogId));
  if (!known) throw badField('dogId', 'There is no such dog here.');
  if (known.archivedOn) throw badField('dogId', 'That dog is archived. Bring it back first.');
}

type NewBooking = Omit<typeof appointment.$inferInsert, 'startsAt' | 'endsAt'> &
  BookedTime & { readonly id: string; readonly madeFrom: string };

/** Writes a booking whose person is locked; the database refuses what slipped through. */
export const writeBooking = (tx: Tenant, booking: NewBooking): Promise<void> =>
  refusingClash(() => insertOnce(tx, appointment, booking));

/** The same for several that are known to be new, in one statement. */
export async function writeBookings(tx: Tenant, bookings: readonly NewBooking[]): Promise<void> {
  if (bookings.length > 0) await refusingClash(() => tx.insert(appointment).values([...bookings]));
}

/** So far ahead nobody is booked, and bookings that change places do not meet. */
const OUT_OF_THE_WAY = sql`interval '1000 years'`;

/** Gives bookings other times and people, all of them at once; the people are locked. They stand in their day wherever they fit best. */
export async function writeTimes(tx: Tenant, moved: readonly (BookedTime & { readonly id: string })[]): Promise<void> {
  if (moved.length === 0) return;
  const ids = moved.map(({ id }) => id);
  const people = moved.map(({ memberId }) => memberId);
  const { startsAt, endsAt } = appointment;
  await tx
    .update(appointment)
    .set({ startsAt: sql`${startsAt} + ${OUT_OF_THE_WAY}`, endsAt: sql`${endsAt} + ${OUT_OF_THE_WAY}` })
    .where(inArray(appointment.id, ids));
  const times = (of: (each: BookedTime) => Date) => moved.map((each) => of(each).toISOString());
  const fresh = sql`unnest(${sql.param(ids)}::uuid[], ${sql.param(people)}::uuid[], ${sql.param(times((each) => each.startsAt))}::timestamptz[], ${sql.param(times((each) => each.endsAt))}::timestamptz[]) as fresh(id, person, starts, ends)`;
  await refusingClash(() =>
    tx
      .update(appointment)
      .set({
        memberId: sql`fresh.person`,
        startsAt: sql`fresh.starts`,
        endsAt: sql`fresh.ends`,
        byHand: null,
        confirmedAt: null,
        version: sql`${appointment.version} + 1`,
      })
      .from(fresh)
      .where(sql`${appointment.id} = fresh.id`),
  );
}

async function refusingClash(write: () => PromiseLike<unknown>): Promise<void> {
  try {
    await write();
  } catch (error) {
    const { cause } = error as { cause?: { code?: string } };
    if (cause?.code === '23P01') throw new Refusal('conflict', 'That person already has a dog at that time.');
    throw error;
  }
}

export const spanFrom = (startsAt: string, minutes: number): Pick<BookedTime, 'startsAt' | 'endsAt'> => {
  const start = new Date(startsAt);
  return { startsAt: start, endsAt: new Date(start.getTime() + minutes * 60_000) };
};

/** The last day that may be asked for when a series is booked. */
export const lastOfSeries = (today: Day): Day => addDays(today, 730);
