import type { Condition, Procedure, Sign } from '../findings';
import type { Place } from '../places';
import type { Day } from '../units';

/**
 * A vet's dated permission. It lifts the stop of the sign it names, at that place, up to the grade noted when it was
 * given, for the procedure it names; never at level vet soon or above.
 */
export interface VetLift {
  readonly id: string;
  readonly who: string;
  readonly place: Place;
  readonly lifts: Sign | Condition;
  readonly upToGrade: number;
  readonly procedure: Procedure;
  readonly from: Day;
  readonly until: Day;
}
