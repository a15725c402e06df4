import { call } from '../../api/call';
import { makeStale } from '../../data/stale';
import { tell } from '../../ui/toasts';

/** Takes back bookings that were just made, as nobody has seen another version of them. */
export async function takeBack(ids: readonly string[]): Promise<void> {
  for (const id of ids) await call('PUT /api/appointments/:id', { id, body: { change: 'cancel', version: 1 } });
}

/** The way back of a notice: what cannot be taken back is said. */
export const takingBack = (ids: readonly string[]) => (): void =>
  void takeBack(ids).then(
    () => makeStale(['PUT /api/appointments/:id']),
    (error: Error) => tell(error.message, { tone: 'stop' }),
  );
