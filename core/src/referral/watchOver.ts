import type { PlaceKey } from '../places';

/** One visit, as far as it matters for what is watched: what was looked at, and where something was found. */
export interface PastLook {
  readonly looked: readonly PlaceKey[];
  readonly found: readonly PlaceKey[];
}

/** A place that is watched is let go when it was seen clear this often in a row. */
export const CLEAR_LOOKS = 2;

/**
 * How often a place was seen clear since something was found there at visit `at` of `looks` (oldest first); null when
 * something was found there again: then that later finding is the one that is watched.
 */
export function clearSince(looks: readonly PastLook[], at: number, place: PlaceKey): number | null {
  const later = looks.slice(at + 1).filter(({ looked, found }) => looked.includes(place) || found.includes(place));
  return later.some(({ found }) => found.includes(place)) ? null : later.length;
}

/** Whether a finding is still asked after: not found anew since, and not yet seen clear often enough. */
export const stillWatched = (clear: number | null): boolean => clear !== null && clear < CLEAR_LOOKS;
