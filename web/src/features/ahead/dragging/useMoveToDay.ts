import type { Appointment } from '@dewpond/contract';
import type { VisitKind } from '@dewpond/core/steps';
import type { Day } from '@dewpond/core/units';
import { call } from '../../../api/call';
import { clock, dayOf, minutesOf, showDay } from '../../../browser/times';
import { useZone } from '../../../data/useUnits';
import { useWrite } from '../../../data/useWrite';
import { takingBack } from '../../../parts/booking/takeBack';
import { tell } from '../../../ui/tell';

/** What is dragged to a day: a booking that is moved, or a dog that is to be booked. */
export interface DraggedVisit {
  readonly dogId: string;
  readonly name: string;
  /** Null: whichever suits the dog best. */
  readonly kind: VisitKind | null;
  readonly moving: Appointment | null;
}

interface ToDay {
  readonly visit: DraggedVisit;
  readonly day: Day;
}

/** Gives a visit the best time of the day it was dragged to; the notice has the way back. */
export function useMoveToDay() {
  const zone = useZone();
  return useWrite(['POST /api/appointments', 'PUT /api/appointments/:id'], {
    write: async (id, { visit, day }: ToDay) => {
      const { dogId, name, kind, moving } = visit;
      const of = moving && moving.kind !== 'as agreed' ? moving.kind : kind;
      const { slots, kind: best } = await call('GET /api/dogs/:id/slots', {
        id: dogId,
        query: {
          on: day,
          ...(of ? { kind: of } : {}),
          ...(moving ? { minutes: String(minutesOf(moving)), instead: moving.id } : {}),
        },
      });
      const [slot] = slots;
      if (!slot) throw new Error(`No time is free for ${name} on ${showDay(day)}.`);
      const { memberId, startsAt, minutes } = slot;
      const when = { memberId, startsAt, minutes };
      if (!moving) {
        await call('POST /api/appointments', { body: { id, dogId, kind: best, agreed: null, note: '', ...when } });
        return { startsAt, made: [id], moved: [] };
      }
      const { version } = await call('PUT /api/appointments/:id', {
        id: moving.id,
        body: { change: 'move', version: moving.version, ...when },
      });
      const before = { memberId: moving.memberId, startsAt: moving.startsAt, minutes: minutesOf(moving) };
      return { startsAt, made: [], moved: [{ id: moving.id, version, ...before }] };
    },
    onSuccess: ({ startsAt, made, moved }, { visit }) => {
      const when = `${showDay(dayOf(startsAt, zone) as Day)} at ${clock(startsAt, zone)}`;
      tell(`${visit.name} is ${visit.moving ? 'moved to' : 'booked for'} ${when}.`, { undo: takingBack(made, moved) });
    },
    tells: true,
  });
}
