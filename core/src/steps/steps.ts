import type { Place, Side } from '../places';
import type { Source, Sourced } from '../provenance';
import type { Reason } from '../reasons';
import type { BarAt, Instead, LeftOut } from '../stops';
import type { Piece } from '../work';
import type { Before } from './hazards';
import type { StepTitle } from './stepTitles';

/** Stages of a visit, in the order of the work, by the names groomers use. */
export const STAGES = {
  prepare: 'Prepare',
  handover: 'Handover',
  'look-over': 'Look-over',
  decide: 'Decide',
  'first clip': 'First clip',
  'ears, first pass': 'Ears, first pass',
  'eyes, on the table': 'Eyes, on the table',
  nails: 'Nails',
  'brush-out': 'Brush-out',
  wet: 'Wet the coat',
  plugs: 'Plugs in',
  'wash 1': 'Wash 1',
  contact: 'Contact',
  face: 'Face',
  'rinse 1': 'Rinse',
  'wash 2': 'Wash 2',
  'contact 2': 'Contact',
  'last rinse': 'Last rinse',
  conditioner: 'Conditioner',
  'plugs out': 'Plugs out',
  'water off': 'Water off',
  dry: 'Dry',
  'ears, second pass': 'Ears, second pass',
  folds: 'Face and folds',
  'comb and tidy': 'Comb and tidy',
  teeth: 'Teeth',
  record: 'Record and hand over',
  'clean-down': 'Clean-down',
} as const;
export type Stage = keyof typeof STAGES;

/** Time that passes without hands: another part of the dog, or another dog, can use it. Seconds. */
export interface Dwell {
  readonly timer: string;
  readonly name: string;
  /** Least time, and most where there is one. */
  readonly seconds: number;
  readonly most?: number;
  /** Who says how long: the trade, the business, the label, a vet. */
  readonly source: Source;
}

/** Why a step is taken away: every bar in force, the worst first, and what to do instead. */
export interface Barred {
  readonly bars: readonly BarAt[];
  readonly instead: Instead | null;
}

export interface Step {
  /** Stable within a visit: the stage, and the side where it has one. */
  readonly id: string;
  readonly stage: Stage;
  readonly title: StepTitle;
  readonly how: readonly Sourced[];
  /** Why it is done so and not otherwise, where that was decided for this dog. */
  readonly why: { readonly reason: Reason; readonly source: Source } | null;
  readonly place: Place | null;
  /** Which ear's pads are counted here. */
  readonly counts: 'pads' | 'plugs in' | 'plugs out' | null;
  readonly sides: readonly Side[];
  readonly dwell: Dwell | null;
  /** Hands-on minutes for this dog: the business's, by its size, and as learned [house value]. */
  readonly minutes: number;
  /** Pieces of work that are left to do, each with what it touches; none where no hand is on the dog. */
  readonly pieces: readonly Piece[];
  /** Places that bars take out of it, and why: it stays open for the rest. */
  readonly leavesOut: readonly LeftOut[];
  /** Nothing of it is left. Shown, never silently dropped. */
  readonly barred: Barred | null;
  /** Parts that are ticked one by one: a dog is dry place by place. */
  readonly parts: readonly string[];
  /** Steps whose waiting time this one may use. */
  readonly during: readonly string[];
  /** Steps that must be done or settled first, and why. */
  readonly after: readonly Before[];
  /** Never removed by any stop: plugs out, rinse, dry. */
  readonly neverBarred: boolean;
}

/** Hands-on minutes of a stage for an ordinary dog [house values]. */
export const STAGE_MINUTES: Readonly<Record<Stage, number>> = {
  prepare: 3,
  handover: 3,
  'look-over': 3,
  decide: 1,
  'first clip': 10,
  'ears, first pass': 4,
  'eyes, on the table': 2,
  nails: 6,
  'brush-out': 10,
  wet: 3,
  plugs: 1,
  'wash 1': 6,
  contact: 0,
  face: 3,
  'rinse 1': 3,
  'wash 2': 4,
  'contact 2': 0,
  'last rinse': 5,
  conditioner: 2,
  'plugs out': 1,
  'water off': 3,
  dry: 20,
  'ears, second pass': 2,
  folds: 4,
  'comb and tidy': 10,
  teeth: 2,
  record: 3,
  'clean-down': 4,
};
