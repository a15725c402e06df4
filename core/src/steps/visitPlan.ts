import type { CarePlan, PlanLine } from '../careplan';
import type { BathTask, DogFacts } from '../dog';
import { areaOf, type SignArea } from '../findings';
import type { FoundForSteps } from './foundForSteps';
import { SIDES, placeKey, type Place, type Side } from '../places';
import type { Source } from '../provenance';
import { stopAt, type Bar } from '../stops';
import { washesHead } from '../work';
import type { PlugState } from '../events';
import type { VisitContents } from './contents';
import type { Stage } from './steps';

/** Everything the steps of one visit depend on. */
export interface VisitPlan extends VisitContents {
  readonly facts: DogFacts;
  readonly plan: CarePlan;
  /** Contact minutes of the wash that is timed, 0 when none is. */
  readonly contactMinutes: number;
  /** Most minutes the label allows, where it says so. */
  readonly contactMost?: number | null;
  /** All that forbids work now. */
  readonly bars: readonly Bar[];
  readonly found: FoundForSteps;
  /** Plugs as they are: one that is in comes out, whatever was found since. */
  readonly plugs: Readonly<Record<Side, PlugState>>;
  /** What the bath takes, part by part, as it was chosen that morning; left out where nobody looked at the shelf. */
  readonly bath?: BathShown;
  /** Conditioner was given already, whatever was planned. */
  readonly isConditioned?: boolean;
  /** Eyes whose crust did not all lift on the table: the rest waits for the tub. */
  readonly crustHandedOn?: readonly Side[];
  /** Ears whose flap a pad did not clear: the rest is washed off. */
  readonly flapHandedOn?: readonly Side[];
  /** Steps that this kind of visit leaves out and somebody at the table asked for, by id. */
  readonly added?: readonly string[];
  /** This dog's minutes against the business's, by stage, as learned. */
  readonly minutesFactor?: Readonly<Partial<Record<Stage, number>>>;
}

/** A product of the bath by name, with why it is this one. */
export interface ProductShown {
  readonly productId: string;
  readonly name: string;
  /** "10:1"; null: ready to use. */
  readonly strength: string | null;
  readonly because: string;
  readonly source: Source;
}

/** The choice of the bath as a screen and a device need it. */
export type BathShown = Readonly<Record<BathTask, ProductShown | null>> & {
  readonly conditioned: { readonly wanted: boolean; readonly because: string; readonly source: Source };
  /** What a person must decide before it is mixed, in words. */
  readonly trouble: readonly string[];
};

/** The plan's line for a task that has no place. */
export const lineOf = ({ plan }: Pick<VisitPlan, 'plan'>, task: PlanLine['task']): PlanLine | undefined =>
  plan.lines.find((line) => line.task === task);

/** The plan's line at a place: of cleaning it, or of the task that is named. */
export const lineAt = (
  { plan }: Pick<VisitPlan, 'plan'>,
  place: Place,
  task: PlanLine['task'] = CLEANING[areaOf(place.site)],
) => plan.lines.find((line) => line.task === task && line.place !== null && placeKey(line.place) === placeKey(place));

/** The task that cleans each kind of place. */
const CLEANING: Readonly<Record<SignArea, PlanLine['task']>> = {
  ear: 'ear cleaning',
  eye: 'eyes and face',
  fold: 'fold care',
  nose: 'nose balm',
  skin: 'bath',
  paw: 'bath',
  nail: 'nails',
  mouth: 'teeth',
  rear: 'bath',
  body: 'bath',
};

/** Ears that take a plug: none is barred, water comes to the head on that side, and the business plugs at all. */
export function pluggedSides({ facts, bars }: VisitPlan): Side[] {
  if (facts.ways.earPlugs === 'hand shield' || !washesHead(facts)) return [];
  return SIDES.filter((side) =>
    (['plug', 'rinse'] as const).every(
      (procedure) => stopAt(bars, { place: { site: 'ear', side }, procedure, product: null }).isOpen,
    ),
  );
}

/** Ears whose plug is to come out: those that take one, and those that have one. */
export const unpluggedSides = (visit: VisitPlan): Side[] => {
  const plugged = pluggedSides(visit);
  return SIDES.filter((side) => plugged.includes(side) || visit.plugs[side] === 'in');
};
