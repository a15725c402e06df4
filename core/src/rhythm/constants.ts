import type { Grade } from '../places';

/** All house values of the rhythm. `npm run bench` shows what speaks for them: `recovery`, `drift`, `one-sided`. */
export interface RhythmConstants {
  /** Where on the way to τ each grade begins: d₁, d₂, d₃, as shares of τ. */
  readonly onset: readonly [number, number, number];
  /** Spread of one observation, in log time. */
  readonly spread: number;
  /** Spread of dogs around the plan's usual interval, in log time. */
  readonly priorSpread: number;
  /** The dirtiest grade that is still fine. */
  readonly acceptable: Exclude<Grade, 3>;
  /** How sure the business wants to be of finding no worse. */
  readonly certainty: number;
  /** Days in which a visit loses half its weight. */
  readonly halfLifeDays: number;
  /** Weight of evidence from before the latest change of home care. */
  readonly beforeHomeCareChange: number;
  /** How often a look dirtier than acceptable has a cause of its own: swum, rolled, ill. */
  readonly lapse: number;
  /** Step of the grid in ln τ, and how far it reaches, in prior spreads. */
  readonly gridStep: number;
  readonly gridReach: number;
}

export const RHYTHM: RhythmConstants = {
  onset: [0.5, 1, 1.65],
  spread: 0.35,
  priorSpread: 0.5,
  acceptable: 1,
  certainty: 0.8,
  halfLifeDays: 180,
  beforeHomeCareChange: 0.3,
  lapse: 0.02,
  gridStep: 0.02,
  gridReach: 6,
};

/** Slack on the certainty, so that no evidence gives exactly the plan's interval in spite of rounding. */
export const CERTAINTY_SLACK = 1e-6;
