import type { Appointment } from '@dewpond/contract';
import { call } from '../../api/call';
import { useWrite } from '../../data/useWrite';
import { makeStale } from '../../data/stale';
import { tell } from '../../ui/toasts';

/** Cancels a booking at once and offers the way back. */
export function useCancel() {
  return useWrite('PUT /api/appointments/:id', {
    write: (_, { id, version }: Appointment) =>
      call('PUT /api/appointments/:id', { id, body: { change: 'cancel', version } }),
    onSuccess: ({ version }, { id, dogName }) => {
      const undo = () =>
        void call('PUT /api/appointments/:id', { id, body: { change: 'restore', version } }).then(
          () => makeStale(['PUT /api/appointments/:id']),
          (error: Error) => tell(error.message, { tone: 'stop' }),
        );
      tell(`${dogName}’s booking is cancelled.`, { undo });
    },
    tells: true,
  });
}
