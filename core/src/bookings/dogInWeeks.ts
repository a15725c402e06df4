import type { CarePlan } from '../careplan';
import { wantsCoolHours, type DogFacts } from '../dog';
import type { VisitContents, VisitPlan } from '../steps';
import type { Day } from '../units';
import { readVisit } from '../visit';
import type { VisitChoice } from './book';
import { choiceOf, kindsFor, type DatedCare } from './careToBook';
import type { CareAtHome, DogInWeeks } from './weeks';

/** What the minutes of a dog's visits depend on, before anybody has looked at it. */
export interface DogToTime {
  readonly facts: DogFacts;
  readonly plan: CarePlan;
  readonly contactMinutes: number;
  readonly bath?: NonNullable<VisitPlan['bath']>;
  readonly minutesFactor: NonNullable<VisitPlan['minutesFactor']>;
}

/** A dog whose care comes round at the salon. */
export interface DogToPlan extends DogToTime {
  readonly care: readonly DatedCare[];
  readonly lastVisit: Day | null;
  /** What its owner does between visits. */
  readonly atHome: readonly CareAtHome[];
}

/** Kinds of visit that may stand between two full ones. */
const BETWEEN = ['ears and nails', 'bath only'] as const;

/** A visit of a kind for one dog as planning sees it. */
export function choiceFor(contents: VisitContents, dog: DogToTime): VisitChoice {
  const before = { ...contents, ...dog, agreed: contents.agreed ?? null, lastFindings: [] };
  return choiceOf(contents.kind, readVisit(before, []).steps, dog.plan.lines);
}

/**
 * What weeks are planned with, of one dog; null where nothing comes round at the salon. It makes the list of steps for up
 * to three kinds of visit: about five milliseconds.
 */
export function dogInWeeks(dog: DogToPlan): DogInWeeks | null {
  const of = (kind: VisitContents['kind']) => choiceFor({ kind }, dog);
  const kinds = kindsFor(dog.care, of('full visit'), () => BETWEEN.map(of));
  if (kinds.care.length === 0) return null;
  return {
    ...kinds,
    lastVisit: dog.lastVisit,
    byTwo: byTwo(dog.facts),
    atHome: dog.atHome,
    coolHours: wantsCoolHours(dog.facts),
  };
}

/** Held by a second person all along, or too heavy for one to lift. */
const byTwo = ({ handling, weight, liftAloneKg }: DogFacts): boolean =>
  handling.helper === 'helper throughout' || weight > liftAloneKg;
