import { ownerAnswering, type OwnerAnswering, type OwnerPage } from '@dewpond/contract';
import type { OwnerSays } from '@dewpond/core/messages';
import { and, eq, gt, inArray, sql } from 'drizzle-orm';
import { v5 } from 'uuid';
import { appointment, dog, ownerAnswer, visitOffer } from '../../platform/db/schema';
import { inTenant, type BusinessId, type Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { Refusal, badInput, notFound } from '../../platform/http/problem';
import { contentHash } from '../../platform/http/sameContent';
import { dayIn } from '../../platform/time/zone';
import { appointmentsOfDogs } from '../../records/appointments/appointments';
import { isTaken, lockPerson, spanFrom, writeBooking } from '../../records/appointments/makeBooking';
import { openOffers, type BookingRow } from './offers';

const TAKEN = 'Somebody was quicker: that time is taken.';
const OVER = 'That visit has begun, or is over. Please ring the salon.';

/** Dogs of the owner whose page it is, this one first. */
async function dogsOfOwner(tx: Tenant, dogId: string): Promise<{ id: string; name: string }[]> {
  const owner = tx.select({ id: dog.clientId }).from(dog).where(eq(dog.id, dogId));
  const rows = await tx
    .select({ id: dog.id, name: dog.name, archivedOn: dog.archivedOn })
    .from(dog)
    .where(inArray(dog.clientId, owner));
  return rows
    .filter(({ archivedOn }) => archivedOn === null)
    .toSorted((a, b) => Number(b.id === dogId) - Number(a.id === dogId) || a.name.localeCompare(b.name));
}

/** Its next visits with those of the owner's other dogs on the same days, and the times that were offered and are free. */
export async function visitsToAnswer(
  tx: Tenant,
  dogId: string,
  zone: string,
  now: number,
): Promise<Pick<OwnerPage, 'booked' | 'offers'>> {
  const dogs = await dogsOfOwner(tx, dogId);
  const ids = dogs.map(({ id }) => id);
  const all = (await appointmentsOfDogs(tx, ids)).filter(({ startsAt }) => Date.parse(startsAt) > now);
  const cancelled = await cancelledByOwner(tx, ids, now);
  const shown = all.filter(({ id, state }) => state === 'booked' || cancelled.has(id));
  const days = new Set(
    shown.filter((each) => each.dogId === dogId).map(({ startsAt }) => dayIn(zone, new Date(startsAt))),
  );
  const offers = await openOffers(tx, ids, now);
  return {
    booked: shown
      .filter(({ startsAt }) => days.has(dayIn(zone, new Date(startsAt))))
      .toSorted(
        (a, b) =>
          Date.parse(a.startsAt) - Date.parse(b.startsAt) || Number(b.dogId === dogId) - Number(a.dogId === dogId),
      )
      .map((each) => ({
        id: each.id,
        dog: each.dogName,
        isOwn: each.dogId === dogId,
        startsAt: each.startsAt,
        kind: each.kind,
        saidYes: each.saidYes,
        isCancelled: each.state === 'cancelled',
      })),
    offers: offers
      .filter(({ visits }) => visits.some((each) => each.dogId === dogId))
      .map(({ setId, visits: [first, ...others] }) => ({
        set: setId,
        startsAt: first.startsAt.toISOString(),
        dogs: dogs.filter(({ id }) => [first, ...others].some((each) => each.dogId === id)).map(({ name }) => name),
      })),
  };
}

/** What an owner cancelled on the page and could take back: nobody has that time. */
async function cancelledByOwner(tx: Tenant, dogIds: readonly string[], now: number): Promise<ReadonlySet<string>> {
  const rows = await tx
    .select()
    .from(appointment)
    .where(
      and(
        inArray(appointment.dogId, [...dogIds]),
        eq(appointment.state, 'cancelled'),
        eq(appointment.cancelledBy, 'owner'),
        gt(appointment.startsAt, new Date(now)),
        // Not what was given up for another of the offered times.
        inArray(
          appointment.id,
          tx.select({ id: ownerAnswer.appointmentId }).from(ownerAnswer).where(eq(ownerAnswer.says, 'cannot come')),
        ),
      ),
    );
  const free = new Set<string>();
  for (const row of rows) if (!(await isTaken(tx, row, row.id))) free.add(row.id);
  return free;
}

/** Keeps what an owner answered and does it, once. Throws 409 where the time is taken, or over. */
export async function keepAnswer(
  services: Services,
  { businessId, dogId }: { readonly businessId: BusinessId; readonly dogId: string },
  sent: unknown,
): Promise<void> {
  const parsed = ownerAnswering.safeParse(sent);
  if (!parsed.success) throw badInput(parsed.error);
  const answer = parsed.data;
  await inTenant(services.databases, businessId, async (tx) => {
    const [known] = await tx
      .select({ id: ownerAnswer.id })
      .from(ownerAnswer)
      .where(eq(ownerAnswer.id, rowId(answer, 0)));
    if (known) return;
    const now = services.now();
    const told = await doWhatIsSaid(tx, dogId, answer, now);
    await tx
      .insert(ownerAnswer)
      .values(
        told.map((each, i) => ({
          id: rowId(answer, i),
          says: answer.says,
          note: 'note' in answer ? answer.note : '',
          toldAt: new Date(now),
          ...each,
        })),
      )
      .onConflictDoNothing();
  });
}

const rowId = ({ id }: OwnerAnswering, i: number): string => v5(String(i), id);

/** Whom and which booking it is about. */
type ToldAbout = Pick<typeof ownerAnswer.$inferSelect, 'dogId' | 'appointmentId'>;

async function doWhatIsSaid(tx: Tenant, dogId: string, answer: OwnerAnswering, now: number): Promise<ToldAbout[]> {
  if ('note' in answer) return [{ dogId, appointmentId: null }];
  const dogs = (await dogsOfOwner(tx, dogId)).map(({ id }) => id);
  if (answer.says === 'takes') return takeSet(tx, dogs, answer.set, now);
  const asked = and(inArray(appointment.id, answer.bookings), inArray(appointment.dogId, dogs));
  await lockAll(tx, await tx.select({ memberId: appointment.memberId }).from(appointment).where(asked));
  // Read with the people locked: the desk may have changed it meanwhile.
  const rows = await tx.select().from(appointment).where(asked);
  if (rows.length < new Set(answer.bookings).size) throw notFound('booking');
  for (const row of rows) await changeBooking(tx, row, answer.says, now);
  return rows.map((row) => ({ dogId: row.dogId, appointmentId: row.id }));
}

/**
 * Agrees to a booking, cancels it, or takes that back; throws 409 where that cannot be. What the business cancelled is the
 * business's: an owner neither brings it back nor is charged with it.
 */
async function changeBooking(
  tx: Tenant,
  row: BookingRow,
  says: Exclude<OwnerSays, 'takes' | 'none suits'>,
  now: number,
): Promise<void> {
  const isCancelled = row.state === 'cancelled' && row.cancelledBy === 'owner' && says !== 'comes';
  if (Number(row.startsAt) <= now || !(row.state === 'booked' || isCancelled)) throw new Refusal('conflict', OVER);
  if (isCancelled && says === 'cannot come') return;
  if (isCancelled && (await isTaken(tx, row, row.id))) throw new Refusal('conflict', TAKEN);
  const set: Partial<typeof appointment.$inferInsert> =
    says === 'cannot come'
      ? { state: 'cancelled', cancelledAt: new Date(now), cancelledBy: 'owner', confirmedAt: null }
      : { state: 'booked', cancelledAt: null, cancelledBy: null, confirmedAt: new Date(now) };
  await tx
    .update(appointment)
    .set({ ...set, version: sql`${appointment.version} + 1` })
    .where(eq(appointment.id, row.id));
}

/** Books all visits of a set; a time that was taken before from the same message is given up for it. */
async function takeSet(tx: Tenant, dogs: readonly string[], setId: string, now: number): Promise<ToldAbout[]> {
  const asked = await tx
    .select({ memberId: visitOffer.memberId })
    .from(visitOffer)
    .where(and(eq(visitOffer.setId, setId), inArray(visitOffer.dogId, [...dogs])));
  if (asked.length === 0) throw notFound('offer');
  await lockAll(tx, asked);
  const set = (await openOffers(tx, dogs, now)).find((each) => each.setId === setId);
  if (!set) throw new Refusal('conflict', TAKEN);
  for (const row of set.givesUp) await changeBooking(tx, row, 'cannot come', now);
  for (const { id, dogId, memberId, kind, startsAt, minutes } of set.visits) {
    const [before] = await tx.select().from(appointment).where(eq(appointment.id, id));
    // Taken, given up for another time, and taken again.
    if (before) await changeBooking(tx, before, 'comes after all', now);
    else {
      const booking = { id, dogId, memberId, kind, ...spanFrom(startsAt.toISOString(), minutes) };
      await writeBooking(tx, { ...booking, confirmedAt: new Date(now), madeFrom: contentHash(booking) });
    }
  }
  return set.visits.map(({ id, dogId }) => ({ dogId, appointmentId: id }));
}

/** In one order, so that two who answer at once wait for each other and never for a ring. */
async function lockAll(tx: Tenant, rows: readonly { readonly memberId: string }[]): Promise<void> {
  for (const id of [...new Set(rows.map(({ memberId }) => memberId))].toSorted()) await lockPerson(tx, id);
}
