import type { PlanLine, Said } from '../careplan';
import {
  ADVICE,
  SIGNS,
  areaOf,
  stopFor,
  stopsAtLeast,
  type Procedure,
  type Sign,
  type SignArea,
  type Stop,
  type Triage,
} from '../findings';
import { namePlace, placeKey, placeOf, type Place } from '../places';
import type { Sourced } from '../provenance';
import type { Step } from './steps';
import { lineAt, lineOf, type VisitPlan } from './visitPlan';

/** What stands in for care that a stop takes away. */
const INSTEAD: Readonly<Record<SignArea, string>> = {
  ear: 'Outer flap by damp pad only; no water above the neck on this side.',
  eye: 'Clean around it only, nothing on the eye.',
  fold: 'Leave the fold dry.',
  skin: 'Work around it.',
  paw: 'Work around it.',
  nail: 'Leave it.',
  mouth: 'Leave it.',
  rear: 'Work around it.',
  body: 'Leave it.',
};

/** Why care of a place is taken away: what was seen today at `floor` or above, else what the plan bars. */
export function barredBy(visit: VisitPlan, place: Place, procedure: Procedure, floor: Stop): Step['barred'] {
  const instead = INSTEAD[areaOf(place.site)];
  const seen = visit.judged[placeKey(place)];
  const stop = seen ? stopFor(seen, procedure) : 'S0';
  const bar = seen?.bars.find((each) => each.stop === stop);
  if (seen && bar && stopsAtLeast(stop, floor)) {
    return { stop, because: bar.because, source: bar.source, instead, tell: tellOwner(seen, bar.because) };
  }
  return plannedBar(lineAt(visit, place), 'S1', instead);
}

/** "The left ear: redness; a musty smell. Please let a vet look …": as it can be said at the door. */
function tellOwner(seen: Triage, because: string): string {
  const name = namePlace(seen.place);
  return `The ${name}: ${inOwnersWords(because)}. ${(ADVICE[seen.level] ?? '').replace('{place}', name)}`.trim();
}

const OWNER_OF = new Map<string, string>(Object.values(SIGNS).map(({ name, owner }) => [name, owner]));
/** The signs a bar names, as the owner reads them. */
export const inOwnersWords = (because: string): string =>
  because
    .split('; ')
    .map((each) => OWNER_OF.get(each) ?? each.replace(/\.$/, ''))
    .join('; ');

/** Why a task without a place is taken away. */
export const taskBar = (visit: VisitPlan, task: PlanLine['task']): Step['barred'] =>
  plannedBar(lineOf(visit, task), 'S0', 'Leave it.');

/** Why there is no bath. */
export const bathBar = (visit: VisitPlan): Step['barred'] =>
  plannedBar(lineOf(visit, 'bath'), 'S0', 'Towels and brush only.');

function plannedBar(line: PlanLine | undefined, stop: Stop, instead: string): Step['barred'] {
  const bar: Said | undefined = line?.bars[0];
  return bar ? { stop, because: bar.words, source: bar.source, instead, tell: null } : null;
}

/** Places that nothing may touch: the wash, the brush, the clipper and the comb leave them out. */
export const leaveOut = ({ judged }: VisitPlan): Sourced[] =>
  Object.entries(judged).flatMap(([key, seen]) => {
    const place = placeOf(key);
    const area = areaOf(place.site);
    const bar = seen.bars.find((each) => each.stop === 'S2' && each.lifted === null);
    if (!bar || area === 'ear' || area === 'eye' || area === 'fold') return [];
    return [{ words: `Leave out: ${namePlace(place)} (${bar.because}).`, source: bar.source }];
  });

/** Places with one of these signs, each once. */
export const placesWith = ({ findings = [] }: VisitPlan, signs: readonly Sign[]): Place[] => {
  const keys = findings.filter(({ sign }) => signs.includes(sign)).map(({ place }) => placeKey(place));
  return [...new Set(keys)].map(placeOf);
};
