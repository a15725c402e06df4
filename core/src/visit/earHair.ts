import type { CanalHair } from '../catalogue';
import type { EarHairWork } from '../dog';
import type { Side } from '../places';
import { doneOf, type VisitWork } from './outcomes';

/** What a visit leaves on record of the hair of one ear. */
export interface EarHairOfVisit {
  readonly seen: CanalHair | null;
  /** Taken out, or trimmed at the opening; null: neither, or none came. */
  readonly did: 'plucked' | 'trimmed' | null;
  /** As far as it was said; null: nobody said. */
  readonly went: EarHairWork | null;
}

/**
 * Hair of one ear at a visit. Whether it was taken out or trimmed is what its step was for, done or broken off: a trim that
 * passed for a plucking would let an ear be plucked whole that never was, and calm under scissors says nothing of plucking.
 */
export function earHairOf({ state, steps }: VisitWork, side: Side): EarHairOfVisit {
  const went = state.earHair[side];
  const seen = state.hairSeen[side];
  const step = steps.find(({ id }) => id === `ear hair ${side}`);
  const isDone = step !== undefined && doneOf(state, step) !== null;
  if (step?.title.id === 'ear hair trim') return { seen, went: null, did: isDone ? 'trimmed' : null };
  const cameOut = went === null || went.came === null ? isDone : went.came !== 'none';
  return { seen, went, did: cameOut ? 'plucked' : null };
}
