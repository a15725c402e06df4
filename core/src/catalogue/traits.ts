import type { CoatDensity, CoatLength } from '../dilution';
import { FOLD_SITES, type FoldSite } from '../places';

export const COATS = [
  'smooth',
  'short double',
  'long double',
  'wire',
  'silky drop',
  'curly',
  'long',
  'corded',
  'hairless',
  'puppy',
] as const;
export type Coat = (typeof COATS)[number];

export const COAT_LENGTHS = ['shaved', 'short', 'half', 'full'] as const satisfies readonly CoatLength[];
export const COAT_DENSITIES = ['thin', 'ordinary', 'dense', 'very dense'] as const satisfies readonly CoatDensity[];
/** How much it loses through the year; heavy coats moult twice. */
export const SHEDDING = ['hardly', 'ordinary', 'heavy'] as const;
export const EAR_CARRIAGES = ['upright', 'tipped', 'folded', 'hanging', 'long hanging'] as const;
export const CANAL_HAIR = ['none', 'sparse', 'dense'] as const;
export const MUZZLES = ['long', 'middle', 'short', 'flat'] as const;
export const TEARING = ['none', 'some', 'constant'] as const;
export const EYE_SETS = ['ordinary', 'prominent'] as const;
export const FOLD_DEPTHS = ['none', 'light', 'deep'] as const;

export const COAT_CONDITIONS = ['good', 'dry', 'oily', 'matted'] as const;
/** How the coat is now, whatever kind it is. */
export type CoatCondition = (typeof COAT_CONDITIONS)[number];

export type Shedding = (typeof SHEDDING)[number];
export type EarCarriage = (typeof EAR_CARRIAGES)[number];
export type CanalHair = (typeof CANAL_HAIR)[number];
export type Muzzle = (typeof MUZZLES)[number];
export type Tearing = (typeof TEARING)[number];
export type EyeSet = (typeof EYE_SETS)[number];
export type FoldDepth = (typeof FOLD_DEPTHS)[number];

/** What a breed gives by default and the single dog has in the end. */
export interface Traits {
  readonly coat: Coat;
  readonly coatLength: CoatLength;
  readonly coatDensity: CoatDensity;
  readonly shedding: Shedding;
  readonly ears: EarCarriage;
  readonly canalHair: CanalHair;
  readonly muzzle: Muzzle;
  readonly eyeSet: EyeSet;
  readonly tearing: Tearing;
  /** Only folds the dog has; a site left out is none. */
  readonly folds: Readonly<Partial<Record<FoldSite, 'light' | 'deep'>>>;
}

/** A trait that has one of a few values; folds have a depth at each place. */
export type PlainTrait = Exclude<keyof Traits, 'folds'>;

/** A trait is the breed's guess until a groomer's hands say otherwise. */
export type TraitBasis = 'assumed from the breed' | 'assumed until seen' | 'seen';

/** Fold sites this dog has. */
export const foldSites = (traits: Traits): FoldSite[] => FOLD_SITES.filter((site) => traits.folds[site] !== undefined);
