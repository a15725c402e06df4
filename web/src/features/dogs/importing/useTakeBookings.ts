import type { FileBooking } from '@dewpond/core/importing';
import { call } from '../../../api/call';
import { counted } from '../../../browser/counted';
import { useIds } from '../../../data/useIds';
import { useWrite } from '../../../data/useWrite';
import { takingBack } from '../../../parts/booking/takeBack';
import { tell } from '../../../ui/tell';

/** So many are sent at once. */
const AT_ONCE = 500;

/** A booking to send: its instant is known. */
export interface BookingToTake extends Pick<FileBooking, 'row' | 'dog' | 'minutes' | 'kind' | 'note'> {
  readonly startsAt: string;
  readonly memberId: string;
}

/** Books what a file has; tells by row what could not be. */
export function useTakeBookings(onTaken: (told: readonly string[]) => void) {
  const idOf = useIds();
  return useWrite('POST /api/ahead', {
    write: async (write, bookings: readonly BookingToTake[]) => {
      const booked: string[] = [];
      const told: string[] = [];
      for (let i = 0; i < bookings.length; i += AT_ONCE) {
        const rows = new Map<string, number>();
        const visits = bookings.slice(i, i + AT_ONCE).map(({ row, dog, ...rest }) => {
          const id = idOf(write, `${dog.id} ${rest.startsAt} ${rest.memberId}`);
          rows.set(id, row);
          return { id, dogId: dog.id, mayMove: false, ...rest };
        });
        const answer = await call('POST /api/ahead', { body: { visits } });
        booked.push(...answer.booked);
        told.push(...answer.refused.map(({ id, why }) => `Row ${rows.get(id)}: ${why}`));
      }
      return { booked, told };
    },
    onSuccess: ({ booked, told }) => {
      tell(`${counted(booked.length, 'booking')} brought in.`, booked.length > 0 ? { undo: takingBack(booked) } : {});
      onTaken(told);
    },
    tells: true,
  });
}
