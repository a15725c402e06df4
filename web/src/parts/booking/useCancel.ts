import type { Appointment } from '@dewpond/contract';
import { call } from '../../api/call';
import { useWrite } from '../../data/useWrite';
import { makeStale } from '../../data/stale';
import { tell } from '../../ui/tell';

interface Ended {
  readonly booking: Appointment;
  readonly by: 'owner' | 'business' | 'nobody came';
}

/** Ends a booking at once and offers the way back; who ended it is kept. */
export function useCancel() {
  return useWrite('PUT /api/appointments/:id', {
    write: (_, { booking: { id, version }, by }: Ended) =>
      call('PUT /api/appointments/:id', {
        id,
        body: by === 'nobody came' ? { change: 'no show', version } : { change: 'cancel', version, by },
      }),
    onSuccess: ({ version }, { booking: { id, dogName }, by }) => {
      const undo = () =>
        void call('PUT /api/appointments/:id', { id, body: { change: 'restore', version } }).then(
          () => makeStale(['PUT /api/appointments/:id']),
          (error: Error) => tell(error.message, { tone: 'stop' }),
        );
      tell(by === 'nobody came' ? `${dogName} did not come.` : `${dogName}’s booking is cancelled.`, { undo });
    },
    tells: true,
  });
}
