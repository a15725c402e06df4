import type { Place } from '../places';
import type { Day } from '../units';
import type { Circumstances } from './circumstance';
import type { Finding } from './finding';
import type { Sign } from './signs';

/** A vet has judged a sign at a place on a day: a fold always a little pink, a pigmented ear. */
export interface KnownSign {
  readonly place: Place;
  readonly sign: Sign;
  readonly on: Day;
}

/** One place as it is judged today. */
export interface Look {
  readonly place: Place;
  /** All findings of today's look-over; those of other places are passed over. */
  readonly findings: readonly Finding[];
  /** Those of the last salon inspection, for "not lower than last time". */
  readonly lastTime: readonly Finding[];
  /** What a vet is known to have judged, dated. */
  readonly known: readonly KnownSign[];
  readonly dog: Circumstances;
  readonly today: Day;
}
