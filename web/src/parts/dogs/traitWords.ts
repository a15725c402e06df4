import {
  CANAL_HAIR,
  COATS,
  COAT_DENSITIES,
  COAT_LENGTHS,
  EAR_CARRIAGES,
  EYE_SETS,
  MUZZLES,
  SHEDDING,
  TEARING,
  type PlainTrait,
  type Traits,
} from '@dewpond/core/catalogue';
import { FOLD_SITES, type FoldSite } from '@dewpond/core/places';

/** Traits in the order a groomer looks: coat, ears, face; with what each may be. */
export const TRAIT_CHOICES: {
  readonly [K in PlainTrait]: { readonly name: string; readonly values: readonly Traits[K][] };
} = {
  coat: { name: 'Coat', values: COATS },
  coatLength: { name: 'Length now', values: COAT_LENGTHS },
  coatDensity: { name: 'Density', values: COAT_DENSITIES },
  shedding: { name: 'Sheds', values: SHEDDING },
  ears: { name: 'Ears', values: EAR_CARRIAGES },
  canalHair: { name: 'Hair in the canal', values: CANAL_HAIR },
  muzzle: { name: 'Muzzle', values: MUZZLES },
  eyeSet: { name: 'Eyes', values: EYE_SETS },
  tearing: { name: 'Tearing', values: TEARING },
};
export const PLAIN_TRAITS = Object.keys(TRAIT_CHOICES) as readonly PlainTrait[];

/** "deep nose, light tail", or "none". */
export function foldWords(folds: Traits['folds']): string {
  const words = FOLD_SITES.flatMap((site: FoldSite) => (folds[site] ? [`${folds[site]} ${site}`] : []));
  return words.length === 0 ? 'none' : words.join(', ');
}

export const traitWords = (traits: Traits, key: keyof Traits): string =>
  key === 'folds' ? foldWords(traits.folds) : traits[key];
