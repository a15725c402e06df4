import { FOLD_SITES, type FoldSite } from '../places';
import { findBreed, type Breed } from './breeds';
import {
  CANAL_HAIR,
  COAT_DENSITIES,
  COAT_LENGTHS,
  EAR_CARRIAGES,
  EYE_SETS,
  MUZZLES,
  TEARING,
  type Coat,
  type TraitBasis,
  type Traits,
} from './traits';

/** Coats by how much care they ask, least first [house value]. */
const COATS_BY_CARE: readonly Coat[] = [
  'smooth',
  'puppy',
  'short double',
  'hairless',
  'wire',
  'long double',
  'silky drop',
  'long',
  'curly',
  'corded',
];

const moreDemanding = <T>(order: readonly T[], values: readonly T[]): T => {
  const top = order[Math.max(...values.map((value) => order.indexOf(value)))];
  if (top === undefined) throw new RangeError('Nothing to compare.');
  return top;
};

/** Traits of a cross: of each trait the more demanding parent's. Throws `RangeError` without a parent. */
export function crossTraits(parents: readonly Traits[]): Traits {
  const of = <K extends keyof Traits>(key: K) => parents.map((parent) => parent[key]);
  const folds: Partial<Record<FoldSite, 'light' | 'deep'>> = {};
  for (const site of FOLD_SITES) {
    const depths = parents.flatMap((parent) => parent.folds[site] ?? []);
    if (depths.length > 0) folds[site] = depths.includes('deep') ? 'deep' : 'light';
  }
  return {
    coat: moreDemanding(COATS_BY_CARE, of('coat')),
    coatLength: moreDemanding(COAT_LENGTHS, of('coatLength')),
    coatDensity: moreDemanding(COAT_DENSITIES, of('coatDensity')),
    ears: moreDemanding(EAR_CARRIAGES, of('ears')),
    canalHair: moreDemanding(CANAL_HAIR, of('canalHair')),
    muzzle: moreDemanding(MUZZLES, of('muzzle')),
    eyeSet: moreDemanding(EYE_SETS, of('eyeSet')),
    tearing: moreDemanding(TEARING, of('tearing')),
    folds,
  };
}

/** Plain looks for a dog of no known parents: nothing that asks for special care until it is seen. */
const UNKNOWN: Traits = {
  coat: 'short double',
  coatLength: 'short',
  coatDensity: 'ordinary',
  ears: 'folded',
  canalHair: 'none',
  muzzle: 'middle',
  eyeSet: 'ordinary',
  tearing: 'none',
  folds: {},
};

export interface ComposedTraits {
  readonly traits: Traits;
  readonly basis: Readonly<Record<keyof Traits, TraitBasis>>;
  readonly breeds: readonly Breed[];
}

/**
 * Breed or parents give the defaults; what a groomer has seen on this dog replaces them.
 * Unknown breed ids are passed over; with none left the dog is described by looks alone.
 */
export function composeTraits(breedIds: readonly string[], seen: Partial<Traits>): ComposedTraits {
  const breeds = breedIds.flatMap((id) => findBreed(id) ?? []);
  const base = breeds.length === 0 ? UNKNOWN : crossTraits(breeds.map((each) => each.traits));
  const assumed: TraitBasis = breeds.length === 1 ? 'assumed from the breed' : 'assumed until seen';
  const basis = Object.fromEntries(Object.keys(base).map((key) => [key, key in seen ? 'seen' : assumed])) as Record<
    keyof Traits,
    TraitBasis
  >;
  return { traits: { ...base, ...seen }, basis, breeds };
}

/** "Lagotto Romagnolo × Miniature Poodle", "mixed breed". */
export function nameBreeds(breedIds: readonly string[]): string {
  const names = breedIds.flatMap((id) => findBreed(id)?.name ?? []);
  return names.length === 0 ? 'mixed breed' : names.join(' × ');
}

/** The highest published ear odds among the breeds, or null where none is published. */
export function earOdds(breeds: readonly Breed[]): number | null {
  const odds = breeds.flatMap((each) => each.earOdds ?? []);
  return odds.length === 0 ? null : Math.max(...odds);
}

/** Fold sites this dog has. */
export const foldSites = (traits: Traits): FoldSite[] => FOLD_SITES.filter((site) => traits.folds[site] !== undefined);
