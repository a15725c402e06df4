import type { Appointment, SlotView, SlotsView } from '@dewpond/contract';
import type { VisitKind } from '@dewpond/core/steps';
import type { Day } from '@dewpond/core/units';
import { call } from '../../api/call';
import { clock, dayOf, minutesOf, showDay } from '../../browser/times';
import { useIds } from '../../data/useIds';
import { useWrite } from '../../data/useWrite';
import { tell } from '../../ui/tell';
import { takingBack } from './takeBack';
import type { DogBooked } from './dogBooked';
import type { MadeBooking } from './SeriesOffer';

interface TakeSlot {
  readonly dog: DogBooked;
  readonly moving: Appointment | undefined;
  /** Who comes, one after the other. */
  readonly visits: SlotsView['visits'];
  readonly zone: string;
  readonly onTaken: (made: MadeBooking) => void;
}

interface SlotTaken {
  readonly slot: SlotView;
  readonly kind: VisitKind;
}

/** Books one of the best times, or moves a booking to it, at once; the notice has the way back. */
export function useTakeSlot({ dog, moving, visits, zone, onTaken }: TakeSlot) {
  const idOf = useIds();
  return useWrite(['POST /api/ahead', 'POST /api/appointments', 'PUT /api/appointments/:id'], {
    write: async (id, { slot, kind }: SlotTaken) => {
      const { memberId, startsAt, minutes } = slot;
      const when = { memberId, startsAt, minutes };
      if (moving) {
        const moved = { change: 'move', version: moving.version, ...when } as const;
        const { version } = await call('PUT /api/appointments/:id', { id: moving.id, body: moved });
        const before = { memberId: moving.memberId, startsAt: moving.startsAt, minutes: minutesOf(moving) };
        return { made: [], moved: [{ id: moving.id, version, ...before }] };
      }
      if (visits.length > 1) return { made: await bookTogether(slot, visits, (key) => idOf(id, key)), moved: [] };
      await call('POST /api/appointments', { body: { id, dogId: dog.id, kind, agreed: null, note: '', ...when } });
      return { made: [id], moved: [] };
    },
    onSuccess: ({ made, moved }, { slot, kind }) => {
      const { memberId, startsAt, minutes } = slot;
      const names = new Intl.ListFormat('en').format(
        visits.length > 1 && !moving ? visits.map(({ name }) => name) : [dog.name],
      );
      const words = `${names} ${visits.length > 1 && !moving ? 'are' : 'is'} booked for ${showDay(slot.day)} at ${clock(startsAt, zone)}.`;
      tell(words, { undo: takingBack(made, moved) });
      const day = dayOf(startsAt, zone) as Day;
      onTaken({ dogId: dog.id, memberId, startsAt, minutes, kind, agreed: null, day });
    },
    tells: true,
  });
}

/** All of them, or none. */
async function bookTogether(
  { memberId, startsAt, minutes, along }: SlotView,
  coming: SlotsView['visits'],
  idOf: (dogId: string) => string,
): Promise<readonly string[]> {
  const visits = coming.map(({ dogId, kind }) => {
    const time = along.find((each) => each.dogId === dogId) ?? { memberId, startsAt, minutes };
    return {
      ...{ id: idOf(dogId), dogId, kind, mayMove: false },
      ...{ memberId: time.memberId, startsAt: time.startsAt, minutes: time.minutes },
    };
  });
  const { booked, refused } = await call('POST /api/ahead', { body: { together: true, visits } });
  const [why] = refused;
  if (why) throw new Error(why.why);
  return booked;
}
