import type { Appointment } from '@dewpond/contract';
import { useMutation } from '@tanstack/react-query';
import { call } from '../../api/call';
import { refreshAll } from '../../api/queries';
import { tell } from '../../ui/toasts';

/** Cancels a booking at once and offers the way back. */
export function useCancel() {
  return useMutation({
    mutationFn: ({ id, version }: Appointment) =>
      call('PUT /api/appointments/:id', { id, body: { change: 'cancel', version } }),
    onSuccess: ({ version }, { id, dogName }) => {
      void refreshAll();
      const undo = () =>
        void call('PUT /api/appointments/:id', { id, body: { change: 'restore', version } }).then(
          refreshAll,
          (error: Error) => tell(error.message, { tone: 'stop' }),
        );
      tell(`${dogName}’s booking is cancelled.`, { undo });
    },
    onError: (error) => {
      void refreshAll();
      tell(error.message, { tone: 'stop' });
    },
  });
}
