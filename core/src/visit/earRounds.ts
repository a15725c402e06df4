import type { Side } from '../places';
import type { EarWork } from '../needs';
import { depthToday, foundForSteps, type Step } from '../steps';
import { MOST_ROUNDS, isPoured, waysFor } from '../work';
import { doneOf, type VisitWork } from './outcomes';
import type { VisitReading } from './readVisit';

/** So many brown pads of an ear that was only wiped say that it is dirtier than it looked [house value]. */
const DIRTIER_PADS = 2;

/**
 * What follows for an ear whose pads stay brown: filled once more, or, after the last round, left and told. Of one that
 * looked clean and was only wiped: deeper, as far as the business goes. Null: a pad came out clean, or a sign stops it.
 * docs/trade.md: ears; common practice, no source.
 */
export function afterBrownPads(
  { state, facts }: Pick<VisitReading, 'state' | 'facts'>,
  step: Step,
  side: Side,
): 'go deeper' | 'fill again' | 'leave and tell' | null {
  const { dirty, inRound, clean, rounds, worst } = state.pads[side];
  if (step.barred !== null || clean || inRound === 0 || (worst !== 'brown' && worst !== 'pale')) return null;
  if (step.pieces.some(({ id }) => id.startsWith('ear cleaner')))
    return rounds < MOST_ROUNDS ? 'fill again' : 'leave and tell';
  return dirty >= DIRTIER_PADS && isPoured(waysFor(facts).earCleaning) ? 'go deeper' : null;
}

/** How an ear was cleaned at a visit, for what it took; null: it was not, or nobody had looked first. */
export function earWorkOf(work: VisitWork & Pick<VisitReading, 'facts'>, side: Side): EarWork | null {
  const { state, steps, facts } = work;
  const found = foundForSteps(state.findings, state);
  if (found.wax[side] === null) return null;
  const again = steps.find(({ id }) => id === `ears, second pass ${side}`);
  const filled = again && doneOf(state, again)?.pieces.some(({ id }) => id.startsWith('ear cleaner again'));
  return { depth: depthToday({ facts, found }, side).depth, rounds: state.pads[side].rounds + (filled ? 1 : 0) };
}
