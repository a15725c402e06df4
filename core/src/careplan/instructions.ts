import type { EarCondition, Procedure, Sign, VetLift } from '../findings';
import type { Place } from '../places';
import type { Day } from '../units';
import type { EarHairWay } from './earHair';
import type { Task } from './tasks';

/** What an instruction may say. */
export type Saying =
  | { readonly kind: 'bar'; readonly task: Task }
  | { readonly kind: 'interval'; readonly task: Task; readonly days: number }
  | { readonly kind: 'ear hair'; readonly way: EarHairWay }
  /** A vet's permission for one procedure in spite of one sign, up to a grade; needs a place and an end. */
  | {
      readonly kind: 'lift';
      readonly lifts: Sign | EarCondition;
      readonly upToGrade: number;
      readonly procedure: Procedure;
    }
  /** A product for the bath, with its contact time; `nothingElse` keeps every other product off the skin. */
  | {
      readonly kind: 'bath product';
      readonly productId: string;
      readonly contactMinutes: number;
      readonly nothingElse: boolean;
    };

/** A dated word of a vet or an owner about a dog, or about one place of it. */
export interface Instruction {
  readonly id: string;
  readonly by: 'vet' | 'owner';
  readonly who: string;
  /** Null: the whole dog, or every place of the task. */
  readonly place: Place | null;
  readonly says: Saying;
  readonly from: Day;
  readonly until: Day | null;
}

export const holdsOn = (given: { readonly from: Day; readonly until: Day | null }, today: Day): boolean =>
  given.from <= today && (given.until === null || today <= given.until);

export const concerns = (given: Instruction, place: Place | null): boolean =>
  given.place === null ||
  (place !== null &&
    given.place.site === place.site &&
    (given.place.side === place.side || given.place.side === 'none'));

/** The lifts among instructions: a vet's, for one place, with an end. */
export function liftsOf(instructions: readonly Instruction[]): VetLift[] {
  return instructions.flatMap(({ id, by, who, place, says, from, until }) => {
    if (by !== 'vet' || says.kind !== 'lift' || place === null || until === null) return [];
    const { lifts, upToGrade, procedure } = says;
    return [{ id, who, place, lifts, upToGrade, procedure, from, until }];
  });
}
