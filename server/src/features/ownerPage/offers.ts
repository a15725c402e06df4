import { and, gt, inArray } from 'drizzle-orm';
import { appointment, visitOffer } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { isTaken, spanFrom } from '../../records/appointments/makeBooking';

type OfferRow = typeof visitOffer.$inferSelect;
export type BookingRow = typeof appointment.$inferSelect;

/** A time that can be said yes to: one visit, or those of a house, taken together. */
interface OpenOffer {
  readonly setId: string;
  /** The first first. */
  readonly visits: readonly [OfferRow, ...OfferRow[]];
  /** Bookings that end when it is taken: another time of the same message, and what it was offered for. */
  readonly givesUp: readonly BookingRow[];
}

/**
 * Times that were offered and can still be had, the next first. An offer ends when its time has come or somebody has it, when
 * the dog is booked otherwise (by another message, by telephone), and when the business cancelled what was booked of it.
 */
export async function openOffers(tx: Tenant, dogIds: readonly string[], now: number): Promise<OpenOffer[]> {
  const rows = await tx
    .select()
    .from(visitOffer)
    .where(and(inArray(visitOffer.dogId, [...dogIds]), gt(visitOffer.startsAt, new Date(now))));
  if (rows.length === 0) return [];
  const bookings = await tx
    .select()
    .from(appointment)
    .where(and(inArray(appointment.dogId, [...dogIds]), gt(appointment.startsAt, new Date(now))));
  const open: OpenOffer[] = [];
  for (const setId of new Set(rows.map((row) => row.setId))) {
    const [first, ...others] = rows
      .filter((row) => row.setId === setId)
      .toSorted((a, b) => Number(a.startsAt) - Number(b.startsAt));
    if (!first) continue;
    const visits = [first, ...others] as const;
    if (visits.some((each) => isOver(each, rows, bookings))) continue;
    const givesUp = givenUp(visits, rows, bookings);
    let isFree = true;
    for (const each of visits) isFree &&= await isFreeBut(tx, each, givesUp);
    if (isFree) open.push({ setId, visits, givesUp });
  }
  return open.toSorted((a, b) => Number(a.visits[0].startsAt) - Number(b.visits[0].startsAt));
}

/** It is taken, the business cancelled what was booked of it, or the dog is booked otherwise. */
function isOver(offer: OfferRow, rows: readonly OfferRow[], bookings: readonly BookingRow[]): boolean {
  const its = bookings.find(({ id }) => id === offer.id);
  // Cancelled by the owner it may be taken again.
  if (its && !(its.state === 'cancelled' && its.cancelledBy === 'owner')) return true;
  return bookings.some(
    ({ id, dogId, state }) =>
      state === 'booked' && dogId === offer.dogId && id !== offer.insteadOf && !isOfMessage(id, offer, rows),
  );
}

/** Whether a booking is another time of the same message. */
const isOfMessage = (bookingId: string, { messageId }: OfferRow, rows: readonly OfferRow[]): boolean =>
  rows.some((row) => row.id === bookingId && row.messageId === messageId);

const givenUp = (
  visits: readonly OfferRow[],
  rows: readonly OfferRow[],
  bookings: readonly BookingRow[],
): BookingRow[] =>
  bookings.filter(
    ({ id, dogId, state }) =>
      state === 'booked' &&
      visits.some((each) => id === each.insteadOf || (dogId === each.dogId && isOfMessage(id, each, rows))),
  );

/** Whether a person is free, but for what is given up for it. */
async function isFreeBut(tx: Tenant, offer: OfferRow, givesUp: readonly BookingRow[]): Promise<boolean> {
  const time = { memberId: offer.memberId, ...spanFrom(offer.startsAt.toISOString(), offer.minutes) };
  const own = givesUp.find(
    (each) => each.memberId === time.memberId && each.startsAt < time.endsAt && time.startsAt < each.endsAt,
  );
  return !(await isTaken(tx, time, own?.id ?? null));
}
