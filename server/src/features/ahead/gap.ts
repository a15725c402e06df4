import {
  USUAL_WEEK,
  bookOf,
  visitChoice,
  whereAt,
  whoGains,
  type KeptPrices,
  type PlanCosts,
  type Weeks,
} from '@dewpond/core/bookings';
import type { GapView } from '@dewpond/contract';
import { daysBetween } from '@dewpond/core/units';
import { eq, inArray } from 'drizzle-orm';
import { appointment, client, dog, member } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { dayIn, minuteIn } from '../../platform/time/zone';
import { isTaken } from '../../records/appointments/makeBooking';

/** So many are worth a call. */
const MOST = 12;
/** A booking is not given up for less than this, in days of lateness of an ordinary task. */
const WORTH_MOVING = 1;

interface GapAsked {
  readonly weeks: Weeks;
  readonly zone: string;
  readonly costs: PlanCosts;
  readonly kept: KeptPrices;
}

/** Who gains from the time of a booking, were it free; null where there is no such booking. */
export async function gapOf(tx: Tenant, appointmentId: string, asked: GapAsked): Promise<GapView | null> {
  const [its] = await tx
    .select({ booking: appointment, memberName: member.name })
    .from(appointment)
    .innerJoin(member, eq(member.id, appointment.memberId))
    .where(eq(appointment.id, appointmentId));
  if (!its) return null;
  const { booking, memberName } = its;
  const { weeks, zone, costs, kept } = asked;
  const day = dayIn(zone, booking.startsAt);
  const from = minuteIn(zone, booking.startsAt);
  const minutes = (Number(booking.endsAt) - Number(booking.startsAt)) / 60_000;
  const booked = weeks.booked.filter(({ id }) => id !== appointmentId).map((each) => ({ ...each, mayMove: false }));
  const book = bookOf({ ...weeks, booked, dogs: weeks.dogs.filter(({ id }) => id !== booking.dogId) });
  const slot = {
    person: booking.memberId,
    day: daysBetween(weeks.first, day),
    from,
    to: from + minutes,
    where: whereAt(weeks.people.find(({ id }) => id === booking.memberId)?.week ?? USUAL_WEEK, day, from),
    isFirst: false,
    isLast: false,
  };
  const gains = whoGains(book, slot, costs, kept)
    .filter(({ gain, insteadOf }) => insteadOf === null || gain >= WORTH_MOVING)
    .slice(0, MOST);
  const names = await namesOf(
    tx,
    gains.map((each) => each.dog),
  );
  const starts = new Map(weeks.booked.map((each) => [each.id, each]));
  const isFree = !(await isTaken(tx, booking, booking.id)) && booking.state !== 'booked';
  return {
    memberId: booking.memberId,
    memberName,
    day,
    startsAt: booking.startsAt.toISOString(),
    minutes,
    isFree,
    gains: gains.flatMap(({ dog: dogId, choice, gain, lateBy, insteadOf }) => {
      const known = names.get(dogId);
      const its = weeks.dogs.find(({ id }) => id === dogId)?.its;
      if (!known || !its) return [];
      const kind = visitChoice(its, choice);
      const next = insteadOf === null ? undefined : starts.get(insteadOf);
      return [
        {
          ...known,
          kind: kind.name as GapView['gains'][number]['kind'],
          minutes: kind.minutes,
          gain,
          lateBy,
          insteadOf: next ? { id: next.id, day: next.day } : null,
        },
      ];
    }),
  };
}

async function namesOf(tx: Tenant, dogIds: readonly string[]) {
  const rows =
    dogIds.length === 0
      ? []
      : await tx
          .select({ dogId: dog.id, dog: dog.name, clientId: client.id, owner: client.name, card: client.card })
          .from(dog)
          .innerJoin(client, eq(client.id, dog.clientId))
          .where(inArray(dog.id, [...dogIds]));
  return new Map(rows.map(({ card, ...row }) => [row.dogId, { ...row, phone: card.phones[0]?.number ?? '' }]));
}
