import type { CarePlan, DogFacts, PlanLine } from '../careplan';
import { areaOf, keepsWaterBelowNeck, type Finding, type SignArea, type Triage } from '../findings';
import { SIDES, placeKey, type Place, type PlaceKey, type Side } from '../places';
import type { Stage, VisitKind } from './steps';

/** Everything the steps of one visit depend on. */
export interface VisitPlan {
  readonly kind: VisitKind;
  readonly facts: DogFacts;
  readonly plan: CarePlan;
  /** Contact minutes of the wash that is timed, 0 when none is. */
  readonly contactMinutes: number;
  /** Most minutes the label allows, where it says so. */
  readonly contactMost?: number | null;
  /** The look-over so far, by place; a place not judged yet bars nothing. */
  readonly judged: Readonly<Partial<Record<PlaceKey, Triage>>>;
  readonly findings?: readonly Finding[];
  /** This dog's minutes against the house's, by stage, as learned. */
  readonly minutesFactor?: Readonly<Partial<Record<Stage, number>>>;
}

/** The plan's line for a task that has no place. */
export const lineOf = ({ plan }: VisitPlan, task: PlanLine['task']): PlanLine | undefined =>
  plan.lines.find((line) => line.task === task);

/** The plan's line at a place: of cleaning it, or of the task that is named. */
export const lineAt = ({ plan }: VisitPlan, place: Place, task: PlanLine['task'] = CLEANING[areaOf(place.site)]) =>
  plan.lines.find((line) => line.task === task && line.place !== null && placeKey(line.place) === placeKey(place));

/** The task that cleans each kind of place. */
const CLEANING: Readonly<Record<SignArea, PlanLine['task']>> = {
  ear: 'ear cleaning',
  eye: 'eyes and face',
  fold: 'fold care',
  skin: 'bath',
  paw: 'bath',
  nail: 'nails',
  mouth: 'teeth',
  rear: 'bath',
  body: 'bath',
};

/** An ear under a stop keeps all water below the neck on its side. */
export function keepsDry(visit: VisitPlan, side: Side): boolean {
  const seen = visit.judged[`ear/${side}`];
  return (
    (seen !== undefined && keepsWaterBelowNeck(seen)) || (lineAt(visit, { site: 'ear', side })?.bars.length ?? 0) > 0
  );
}

/** Ears that take a plug: not under a stop, and the house plugs at all. */
export function pluggedSides(visit: VisitPlan): Side[] {
  if (visit.facts.ways.earPlugs === 'hand shield') return [];
  return SIDES.filter((side) => !keepsDry(visit, side));
}
