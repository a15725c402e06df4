import { dayWithRoom } from '@dewpond/core/bookings';
import { closesBefore, nextVisit, type DueLine } from '@dewpond/core/due';
import { usualMinutes } from '@dewpond/core/steps';
import { addDays, daysBetween, type Day } from '@dewpond/core/units';
import type { Tenant } from '../../platform/db/tenant';
import { dayIn } from '../../platform/time/zone';
import { appointmentsOfDogs } from '../appointments/appointments';
import type { Business } from '../business/business';
import { loadTime } from '../weeks/loadWeeks';

/** When a dog comes next: what is booked, and what is suggested where nothing is, or only after what is due has closed. */
export interface NextDates {
  readonly booked: Day | null;
  readonly suggested: Day | null;
}

/** Days that are looked at around the day of the plan. */
const AROUND = 8;

/** The next dates of a dog after the day of a visit; a suggested day is one on which somebody here has time. */
export async function nextDates(
  tx: Tenant,
  business: Business,
  { dogId, due, after, now }: { dogId: string; due: readonly DueLine[]; after: Day; now: number },
): Promise<NextDates> {
  const today = dayIn(business.zone, now);
  const next = (await appointmentsOfDogs(tx, [dogId])).find(({ state, startsAt }) => {
    const starts = new Date(startsAt);
    // A booking of the visit's own day is that visit.
    return state === 'booked' && starts.getTime() > now && dayIn(business.zone, starts) > after;
  });
  const booked = next ? dayIn(business.zone, new Date(next.startsAt)) : null;
  const wanted = booked === null || closesBefore(due, booked) ? (nextVisit(due, today)?.day ?? null) : null;
  if (wanted === null) return { booked, suggested: null };
  const tomorrow = addDays(today, 1);
  const first = addDays(wanted, -AROUND) > tomorrow ? addDays(wanted, -AROUND) : tomorrow;
  const time = await loadTime(tx, {
    ...{ zone: business.zone, now, first, places: business.places },
    days: Math.max(1, daysBetween(first, wanted)) + AROUND,
  });
  const suggested = dayWithRoom(time, wanted, usualMinutes({ kind: 'full visit' })) ?? wanted;
  // Nobody moves a booking by a day or two.
  return { booked, suggested: booked !== null && suggested >= booked ? null : suggested };
}
