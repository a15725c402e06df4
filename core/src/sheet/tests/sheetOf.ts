import { makePlan } from '../../careplan';
import { planDue } from '../../due';
import { type DogFacts } from '../../dog';
import { TODAY, aDog } from '../../careplan/tests/randomDogs';
import type { Finding } from '../../findings';
import { placeKey } from '../../places';
import { addDays } from '../../units';
import { foldVisit, judgeLookOver, placesToLookAt } from '../../visit';
import { type Happening } from '../../events';
import { type Step } from '../../steps';
import { logged, stepsFor } from '../../visit/tests/randomVisits';
import { ENGLISH, type Wording } from '../../wording';
import { makeSheet, type OwnerSheet, type SheetInput } from '..';

export const BULLDOG = aDog({}, 'english-bulldog');

interface Besides {
  readonly dog?: DogFacts;
  readonly wording?: Wording;
  readonly contactMinutes?: number;
  readonly often?: SheetInput['often'];
  readonly asked?: SheetInput['asked'];
  readonly next?: SheetInput['next'];
  /** What happens at the steps once the look-over is judged. */
  readonly then?: (steps: readonly Step[]) => readonly Happening[];
}

/** The sheet of a visit to which this happened; last time was three weeks ago, with everything looked at. */
export function sheetOf(
  happenings: readonly Happening[],
  lastTime: Finding[] | null = null,
  {
    dog = BULLDOG,
    wording = ENGLISH,
    contactMinutes = 0,
    often = [],
    asked = null,
    next = { booked: null, suggested: addDays(TODAY, 21) },
    then = () => [],
  }: Besides = {},
): OwnerSheet {
  const { findings } = foldVisit(logged(happenings));
  const judged = judgeLookOver(dog, findings, lastTime ?? []);
  const steps = stepsFor(dog, { findings, lastTime: lastTime ?? [], contactMinutes });
  const places = placesToLookAt(dog);
  return makeSheet({
    dog: 'Dumpling',
    day: TODAY,
    state: foldVisit(logged([...happenings, ...then(steps)])),
    steps,
    places,
    judged,
    lastTime: lastTime && { findings: lastTime, looked: places.map(placeKey), day: addDays(TODAY, -21) },
    due: planDue(makePlan(dog), { places: {}, tasks: {}, homeCareChangedOn: null, schoolChangedOn: null }, TODAY),
    often,
    next,
    isPuppyNew: lastTime === null && dog.lifeStage === 'puppy',
    asked,
    wording,
  });
}
