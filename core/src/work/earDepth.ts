import type { Grade } from '../places';
import type { HouseWays } from '../ways';

/** How an ear is cleaned, from nothing poured to filled. */
export const EAR_DEPTHS = ['wipe', 'damp pad only', 'few drops', 'soaked cotton', 'fill'] as const;
export type EarDepth = (typeof EAR_DEPTHS)[number];

/** What the look found in one ear. */
export interface EarSeen {
  /** The worst of its wax; 0: clear. */
  readonly wax: Grade;
  readonly hairless: boolean;
}

const BY_WAX: Readonly<Record<Exclude<Grade, 0>, EarDepth>> = { 1: 'damp pad only', 2: 'few drops', 3: 'fill' };

/** Fillings of one ear at a visit, at most: still brown after them, it is left and told. docs/trade.md: ears. */
export const MOST_ROUNDS = 2;

/** Whether cleaner is poured, so that it is massaged, shaken out and may be repeated. */
export const isPoured = (depth: EarDepth): boolean => EAR_DEPTHS.indexOf(depth) > EAR_DEPTHS.indexOf('damp pad only');

/**
 * How one ear is cleaned: the business's way is the most that is done, the look decides how much of it. Not looked at
 * yet: as the business does. Common practice, no source.
 */
export function earDepth(most: HouseWays['earCleaning'], seen: EarSeen | null): EarDepth {
  if (seen === null) return most;
  const wanted = seen.wax === 0 ? (seen.hairless ? 'wipe' : 'damp pad only') : BY_WAX[seen.wax];
  return EAR_DEPTHS.indexOf(wanted) < EAR_DEPTHS.indexOf(most) ? wanted : most;
}

/** Why, as one groomer says it to another. */
export function depthWords(most: HouseWays['earCleaning'], { wax, hairless }: EarSeen): string {
  const depth = earDepth(most, { wax, hairless });
  const look =
    wax === 0 ? (hairless ? 'Clear and hairless' : 'Clear') : `${['', 'A little', 'Plain', 'Much'][wax]} wax`;
  const capped = wax > 0 && depth === most && depth !== BY_WAX[wax as 1 | 2 | 3];
  return `${look}: ${DOES[depth]}${capped ? ', the most this business does' : ''}.`;
}

const DOES: Readonly<Record<EarDepth, string>> = {
  wipe: 'a dry wipe of what the eye sees, nothing poured',
  'damp pad only': 'a damp pad, nothing poured',
  'few drops': 'a few drops and massage',
  'soaked cotton': 'soaked cotton, pressed and moved',
  fill: 'filled, massage',
};
