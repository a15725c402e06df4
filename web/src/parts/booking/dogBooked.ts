import type { Day } from '@dewpond/core/units';

/** A dog to be booked, with the day its plan suggests, and the day it is booked for already. */
export interface DogBooked {
  readonly id: string;
  readonly name: string;
  readonly suggested: Day | null;
  readonly booked?: Day | undefined;
}
