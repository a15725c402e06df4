import type { Span } from '../bookings';
import { wantsCoolHours, type DogFacts } from '../dog';
import type { DogOfDay, WorkGroup, PersonOfDay, Pin, PlaceOfWork, WorkDay } from './day';

/** What a dog brings into a day. */
export interface OnTheDay {
  readonly shortStay: boolean;
  readonly coolHours: boolean;
  readonly helper: boolean;
  /** Too heavy for one to lift. */
  readonly lift: boolean;
  /** Two that mind other dogs are not out at the same time. */
  readonly mindsDogs: boolean;
}

/** Common practice, no source: the old, the stiff and the weak stay short; tight breath and thick coats want cool hours. */
export const onTheDay = (facts: DogFacts): OnTheDay => ({
  shortStay: facts.lifeStage === 'senior' || facts.stiffJoints || facts.fitness.heart || !facts.canStandThroughBath,
  coolHours: wantsCoolHours(facts),
  helper: facts.handling.helper === 'helper throughout',
  lift: facts.weight > facts.liftAloneKg,
  mindsDogs: facts.handling.minds.includes('other dogs'),
});

/** What was set by hand for one booking of a day. */
export interface SetByHand {
  /** Who does it, where that was chosen by hand. */
  readonly person: string | null;
  readonly pins: readonly Pin[];
}

/** A booking of the day, minutes from midnight. */
export interface BookedDog extends OnTheDay {
  readonly id: string;
  /** Which dog it is, and dogs that it must not meet. */
  readonly dogId: string;
  readonly notWith: readonly string[];
  readonly name: string;
  readonly household: string;
  readonly person: string;
  readonly keepsPerson: boolean;
  readonly from: number;
  readonly to: number;
  /** What is left to do. */
  readonly groups: readonly WorkGroup[];
  readonly begun: boolean;
  /** Something was seen on it last time that may spread. */
  readonly maySpread: boolean;
  readonly byHand: SetByHand | null;
}

/**
 * A day to be lined up from its bookings. What was told to owners is the end of the booking. With the time of day, all that
 * is not done is planned from now.
 */
export function workDayOf(
  booked: readonly BookedDog[],
  house: { readonly people: readonly PersonOfDay[]; readonly places: Readonly<Record<PlaceOfWork, number>> },
  at: { readonly now: number | null; readonly hot: Span | null },
): WorkDay {
  const dogs = booked.map((dog): DogOfDay => {
    const { id, name, groups, begun, shortStay, coolHours, helper, lift, byHand } = dog;
    // Whoever has left since then takes no dog.
    const chosen = house.people.find((each) => each.id === byHand?.person)?.id;
    // What somebody said of two dogs holds for those of one house, too.
    const cannotMeet = ({ mindsDogs, maySpread, household, dogId, notWith }: BookedDog) =>
      dog.notWith.includes(dogId) ||
      notWith.includes(dog.dogId) ||
      (household !== dog.household && ((mindsDogs && dog.mindsDogs) || (maySpread && dog.maySpread)));
    return {
      ...{ id, name, groups, begun, shortStay, coolHours, helper, lift },
      person: chosen ?? dog.person,
      keepsPerson: dog.keepsPerson || chosen !== undefined,
      arrives: begun ? (at.now ?? dog.from) : Math.max(dog.from, at.now ?? 0),
      promised: dog.to,
      last: dog.maySpread && !begun,
      notWith: booked.filter((other) => other.id !== id && cannotMeet(other)).map((other) => other.id),
      pins: begun ? [] : (byHand?.pins ?? []),
    };
  });
  return { people: house.people, places: house.places, dogs, hot: at.hot };
}
