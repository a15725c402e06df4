import { call } from '../../api/call';
import { makeStale } from '../../data/stale';
import { tell } from '../../ui/tell';

/** A booking that was moved, and the time it had. */
export interface MovedBooking {
  readonly id: string;
  readonly version: number;
  readonly memberId: string;
  readonly startsAt: string;
  readonly minutes: number;
}

/**
 * Takes back bookings that were just made, as nobody has seen another version of them, and gives bookings that were just
 * moved their time back, all at once. Throws with what could not be.
 */
async function takeBack(made: readonly string[], moved: readonly MovedBooking[]): Promise<void> {
  const { refused } = await call('POST /api/ahead', {
    body: { visits: [], cancelled: made.map((id) => ({ id, version: 1 })), moved: [...moved] },
  });
  const [first] = refused;
  if (first) throw new Error(refused.length === 1 ? first.why : `${refused.length} could not be. ${first.why}`);
}

/** The way back of a notice: what cannot be taken back is said. */
export const takingBack =
  (made: readonly string[], moved: readonly MovedBooking[] = []) =>
  (): void =>
    void takeBack(made, moved)
      .catch((error: Error) => tell(error.message, { tone: 'stop' }))
      .then(() => makeStale(['POST /api/ahead']));
