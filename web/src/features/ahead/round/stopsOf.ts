import type { RoundView, RoundVisit } from '@dewpond/contract';
import { dryerFor, waterFor, type VanStop } from '@dewpond/core/route';
import { minuteOf, minutesOf } from '../../../browser/times';

/** An address of the round with its bookings, in the order of their times. */
export interface RoundStop {
  readonly clientId: string;
  readonly owner: string;
  readonly street: string;
  readonly visits: readonly RoundVisit[];
  /** Its bookings may be moved, until it is said otherwise. */
  readonly mayMove: boolean;
  /** When it is booked, minutes from midnight. */
  readonly booked: number;
  /** For the order; null where nobody said where it is. */
  readonly stop: VanStop | null;
}

/** A van that comes so much after the hour that was said is on time, min [house value]. */
const ON_TIME = 15;

/**
 * The bookings of a day by address. A stop keeps its time, or may come at any, by what was booked and what is said here.
 * @param open by client: whether its time is open.
 */
export function stopsOf({ visits, zone }: RoundView, open: ReadonlyMap<string, boolean>): RoundStop[] {
  const byClient = new Map<string, RoundVisit[]>();
  for (const visit of visits) byClient.set(visit.clientId, [...(byClient.get(visit.clientId) ?? []), visit]);
  return [...byClient].map(([clientId, its]): RoundStop => {
    const [first] = its;
    const booked = minuteOf(first!.appointment.startsAt, zone);
    const mayMove = its.every(({ appointment }) => appointment.mayMove && appointment.state === 'booked');
    const isOpen = open.get(clientId) ?? mayMove;
    const owner = first!.appointment.ownerName;
    const minutes = its.map(({ appointment }) => minutesOf(appointment));
    return {
      clientId,
      owner,
      street: first!.street,
      visits: its,
      mayMove,
      booked,
      stop: first!.at && {
        id: clientId,
        name: owner,
        at: first!.at,
        service: minutes.reduce((sum, each) => sum + each, 0),
        window: isOpen ? null : { from: booked, to: booked + ON_TIME },
        litres: its.reduce((sum, { weightKg }) => sum + waterFor(weightKg), 0),
        wattHours: minutes.reduce((sum, each) => sum + dryerFor(each), 0),
      },
    };
  });
}
