import type { PlanLine, Said } from '../careplan';
import { areaOf, stopFor, stopsAtLeast, type Procedure, type SignArea, type Stop } from '../findings';
import { placeKey, type Place } from '../places';
import type { Step } from './steps';
import { lineAt, lineOf, type VisitPlan } from './visitPlan';

/** What stands in for care that a stop takes away. */
const INSTEAD: Readonly<Record<SignArea, string>> = {
  ear: 'Outer flap by damp pad only; no water above the neck on this side.',
  eye: 'Clean around it only, nothing on the eye.',
  fold: 'Leave the fold dry.',
  body: 'Leave it.',
};

/** Why care of a place is taken away: what was seen today at `floor` or above, else what the plan bars. */
export function barredBy(visit: VisitPlan, place: Place, procedure: Procedure, floor: Stop): Step['barred'] {
  const instead = INSTEAD[areaOf(place.site)];
  const seen = visit.judged[placeKey(place)];
  const stop = seen ? stopFor(seen, procedure) : 'S0';
  const bar = seen?.bars.find((each) => each.stop === stop);
  if (bar && stopsAtLeast(stop, floor)) return { stop, because: bar.because, source: bar.source, instead };
  return plannedBar(lineAt(visit, place), 'S1', instead);
}

/** Why a task without a place is taken away. */
export const taskBar = (visit: VisitPlan, task: PlanLine['task']): Step['barred'] =>
  plannedBar(lineOf(visit, task), 'S0', 'Leave it.');

/** Why there is no bath. */
export const bathBar = (visit: VisitPlan): Step['barred'] =>
  plannedBar(lineOf(visit, 'bath'), 'S0', 'Towels and brush only.');

function plannedBar(line: PlanLine | undefined, stop: Stop, instead: string): Step['barred'] {
  const bar: Said | undefined = line?.bars[0];
  return bar ? { stop, because: bar.words, source: bar.source, instead } : null;
}
