import { FOLD_SITES, type FoldSite } from '../places';
import type { Breed } from './breeds/row';
import type { Handling } from './handling';
import {
  CANAL_HAIR,
  COAT_DENSITIES,
  COAT_LENGTHS,
  EAR_CARRIAGES,
  EYE_SETS,
  MUZZLES,
  SHEDDING,
  TEARING,
  type Coat,
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

/** Every trait's values by how much they ask of the groomer, least first. */
const BY_DEMAND: { readonly [K in Exclude<keyof Traits, 'folds'>]: readonly Traits[K][] } = {
  coat: COATS_BY_CARE,
  coatLength: COAT_LENGTHS,
  coatDensity: COAT_DENSITIES,
  shedding: SHEDDING,
  ears: EAR_CARRIAGES,
  canalHair: CANAL_HAIR,
  muzzle: MUZZLES,
  eyeSet: EYE_SETS,
  tearing: TEARING,
};

function mostDemanding<T>(order: readonly T[], values: readonly T[]): T {
  const top = order[Math.max(...values.map((value) => order.indexOf(value)))];
  if (top === undefined) throw new RangeError('Nothing to compare.');
  return top;
}

/** Traits of a cross: of each trait the more demanding parent's. Throws `RangeError` without a parent. */
export function crossTraits(parents: readonly Traits[]): Traits {
  const of = <K extends Exclude<keyof Traits, 'folds'>>(key: K): Traits[K] =>
    mostDemanding(
      BY_DEMAND[key],
      parents.map((parent) => parent[key]),
    );
  const folds: Partial<Record<FoldSite, 'light' | 'deep'>> = {};
  for (const site of FOLD_SITES) {
    const depths = parents.flatMap((parent) => parent.folds[site] ?? []);
    if (depths.length > 0) folds[site] = depths.includes('deep') ? 'deep' : 'light';
  }
  return {
    coat: of('coat'),
    coatLength: of('coatLength'),
    coatDensity: of('coatDensity'),
    shedding: of('shedding'),
    ears: of('ears'),
    canalHair: of('canalHair'),
    muzzle: of('muzzle'),
    eyeSet: of('eyeSet'),
    tearing: of('tearing'),
    folds,
  };
}

/** Which parents gave a trait where they differ: "Pug", "Pug, Shih Tzu"; null where all agree. */
export function givenBy(parents: readonly Breed[], traits: Traits, key: keyof Traits): string | null {
  const same = (a: Traits, b: Traits) => JSON.stringify(a[key]) === JSON.stringify(b[key]);
  const givers = new Set(parents.filter((parent) => same(parent.traits, traits)).map((parent) => parent.name));
  const all = new Set(parents.map((parent) => parent.name));
  // Folds of two parents may add up to more than either has.
  if (givers.size === 0) return [...all].join(', ');
  return givers.size === all.size ? null : [...givers].join(', ');
}

/** A named cross made from its parents; what is known of the cross itself is given. */
export function crossOf(
  known: Pick<Breed, 'id' | 'name' | 'weightKg' | 'alsoCalled' | 'earOdds'>,
  parents: readonly Breed[],
): Breed {
  const handling = [...new Set(parents.flatMap((parent): readonly Handling[] => parent.handling))];
  return {
    ...known,
    traits: crossTraits(parents.map((parent) => parent.traits)),
    handling,
    parents: parents.map((parent) => parent.id),
    why: null,
  };
}
