import type { CanalHair } from '../catalogue';
import type { EarHairWork } from '../dog';
import type { Side } from '../places';
import { hasPiece } from '../steps';
import { doneOf, type VisitWork } from './outcomes';

/** What a visit leaves on record of the hair of one ear. */
export interface EarHairOfVisit {
  readonly seen: CanalHair | null;
  /** Taken out, or trimmed at the opening; null: neither, or none came. */
  readonly did: 'plucked' | 'trimmed' | null;
  /** As far as it was said; null: nobody said. */
  readonly went: EarHairWork | null;
}

/** Hair of one ear at a visit: what was said of it goes before what its step stands for. */
export function earHairOf({ state, steps }: VisitWork, side: Side): EarHairOfVisit {
  const went = state.earHair[side];
  const seen = state.hairSeen[side];
  const done = steps.filter(({ id }) => id === `ear hair ${side}`).flatMap((step) => doneOf(state, step) ?? []);
  if (went !== null && went.came !== null) return { seen, went, did: went.came === 'none' ? null : didWith(done) };
  return { seen, went, did: done.length === 0 ? null : didWith(done) };
}

/** A step that broke off is taken away; what came out before was taken out. */
const didWith = (done: readonly Parameters<typeof hasPiece>[0][]): 'plucked' | 'trimmed' =>
  done.some((step) => hasPiece(step, 'ear hair trim')) ? 'trimmed' : 'plucked';
