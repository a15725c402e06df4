import type { Handover, leaving } from '@dewpond/contract';
import { GIVEN_UP } from '@dewpond/core/bookings';
import { and, asc, eq, gt, inArray, isNull, notInArray, sql } from 'drizzle-orm';
import type { z } from 'zod';
import { appointment, dog, member } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { Refusal, badField } from '../../platform/http/problem';
import { lockPerson, takenTimes, writeTimes } from '../../records/appointments/makeBooking';

/** Bookings of a person that are still to come, the next first. */
const ahead = (tx: Tenant, memberId: string, now: number) =>
  tx
    .select({ id: appointment.id, dog: dog.name, startsAt: appointment.startsAt, endsAt: appointment.endsAt })
    .from(appointment)
    .innerJoin(dog, eq(dog.id, appointment.dogId))
    .where(
      and(
        eq(appointment.memberId, memberId),
        gt(appointment.startsAt, new Date(now)),
        notInArray(appointment.state, [...GIVEN_UP]),
      ),
    )
    .orderBy(asc(appointment.startsAt), asc(appointment.id));

const othersHere = async (tx: Tenant, memberId: string): Promise<string[]> =>
  (await tx.select({ id: member.id }).from(member).where(isNull(member.leftAt)).orderBy(asc(member.name)))
    .map(({ id }) => id)
    .filter((id) => id !== memberId);

/** What somebody who leaves has before them, and who is free then. */
export async function handoverOf(tx: Tenant, memberId: string, now: number): Promise<Handover[]> {
  const theirs = await ahead(tx, memberId, now);
  const others = await othersHere(tx, memberId);
  const taken = await takenTimes(
    tx,
    theirs.flatMap(({ startsAt, endsAt }) => others.map((each) => ({ memberId: each, startsAt, endsAt }))),
  );
  return theirs.map(({ id, dog: name, startsAt, endsAt }) => ({
    appointmentId: id,
    dog: name,
    startsAt: startsAt.toISOString(),
    minutes: (endsAt.getTime() - startsAt.getTime()) / 60_000,
    free: others.filter(
      (each) => !taken.some((time) => time.memberId === each && time.startsAt < endsAt && time.endsAt > startsAt),
    ),
  }));
}

/**
 * Gives the bookings of somebody who leaves to others, and cancels those that nobody takes. Throws where one is left out
 * (it was made since), and where whoever should take it has another dog then.
 */
export async function handOver(
  tx: Tenant,
  memberId: string,
  { bookings }: z.output<typeof leaving>,
  now: number,
): Promise<void> {
  const to = new Map(bookings.map((each) => [each.id, each.to]));
  const takers = [...new Set(bookings.flatMap((each) => each.to ?? []))];
  if (takers.includes(memberId)) throw badField('bookings', 'Whoever leaves takes no booking.');
  for (const id of [memberId, ...takers].toSorted()) await lockPerson(tx, id);
  const theirs = await ahead(tx, memberId, now);
  if (theirs.some(({ id }) => !to.has(id)))
    throw new Refusal('conflict', 'Something was booked with this person meanwhile. Look again.');
  const handed = theirs.flatMap(({ id, startsAt, endsAt }) => {
    const taker = to.get(id) ?? null;
    return taker === null ? [] : [{ id, memberId: taker, startsAt, endsAt }];
  });
  await writeTimes(tx, handed);
  const cancelled = theirs.filter(({ id }) => to.get(id) === null).map(({ id }) => id);
  if (cancelled.length > 0)
    await tx
      .update(appointment)
      .set({
        ...{ state: 'cancelled', cancelledAt: new Date(now), cancelledBy: 'business' },
        version: sql`${appointment.version} + 1`,
      })
      .where(inArray(appointment.id, cancelled));
}
