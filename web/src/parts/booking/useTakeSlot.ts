import type { Appointment, SlotView } from '@dewpond/contract';
import type { VisitKind } from '@dewpond/core/steps';
import type { Day } from '@dewpond/core/units';
import { call } from '../../api/call';
import { clock, dayOf, showDay } from '../../browser/times';
import { useWrite } from '../../data/useWrite';
import { makeStale } from '../../data/stale';
import { tell } from '../../ui/toasts';
import type { DogBooked } from './dogBooked';
import type { MadeBooking } from './SeriesOffer';

interface TakeSlot {
  readonly dog: DogBooked;
  readonly moving: Appointment | undefined;
  readonly zone: string;
  readonly onTaken: (made: MadeBooking) => void;
}

interface SlotTaken {
  readonly slot: SlotView;
  readonly kind: VisitKind;
}

/** Books one of the best times, or moves a booking to it, at once; the notice has the way back. */
export function useTakeSlot({ dog, moving, zone, onTaken }: TakeSlot) {
  return useWrite(['POST /api/appointments', 'PUT /api/appointments/:id'], {
    write: async (id, { slot, kind }: SlotTaken) => {
      const { memberId, startsAt, minutes } = slot;
      const when = { memberId, startsAt, minutes };
      if (moving) {
        const moved = { change: 'move', version: moving.version, ...when } as const;
        await call('PUT /api/appointments/:id', { id: moving.id, body: moved });
        return moving.id;
      }
      await call('POST /api/appointments', { body: { id, dogId: dog.id, kind, agreed: null, note: '', ...when } });
      return id;
    },
    onSuccess: (id, { slot, kind }) => {
      const { memberId, startsAt, minutes } = slot;
      const undo = () =>
        void call('PUT /api/appointments/:id', { id, body: { change: 'cancel', version: 1 } }).then(
          () => makeStale(['PUT /api/appointments/:id']),
          (error: Error) => tell(error.message, { tone: 'stop' }),
        );
      const words = `${dog.name} is booked for ${showDay(slot.day)} at ${clock(startsAt, zone)}.`;
      tell(words, moving ? {} : { undo });
      const day = dayOf(startsAt, zone) as Day;
      onTaken({ dogId: dog.id, memberId, startsAt, minutes, kind, agreed: null, day });
    },
    tells: true,
  });
}
