import type { Breed } from './breeds';
import { SHIPPED, type Catalogue } from './catalogueOf';
import { crossTraits, givenBy } from './crossOf';
import type { Handling } from './handling';
import type { TraitBasis, Traits } from './traits';

/** Plain looks for a dog of no known parents: nothing that asks for special care until it is seen. */
const UNKNOWN: Traits = {
  coat: 'short double',
  coatLength: 'short',
  coatDensity: 'ordinary',
  shedding: 'ordinary',
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
  /** Of a cross, whose trait it is where the parents differ: the more demanding one's. */
  readonly from: Readonly<Partial<Record<keyof Traits, string>>>;
  readonly breeds: readonly Breed[];
  readonly handling: readonly Handling[];
}

const TRAIT_KEYS = Object.keys(UNKNOWN) as readonly (keyof Traits)[];

/**
 * Breed or parents give the defaults; what a groomer has seen on this dog replaces them. An id given twice is a larger
 * share. Unknown ids are passed over; with none left the dog is described by looks alone.
 */
export function composeTraits(
  breedIds: readonly string[],
  seen: Partial<Traits>,
  catalogue: Catalogue = SHIPPED,
): ComposedTraits {
  const breeds = [...new Set(breedIds)].flatMap((id) => catalogue.find(id) ?? []);
  const base = breeds.length === 0 ? UNKNOWN : crossTraits(breeds.map((each) => each.traits));
  const isPure = breeds.length === 1 && breeds[0]?.parents.length === 0;
  const assumed: TraitBasis = isPure ? 'assumed from the breed' : 'assumed until seen';
  const basis = Object.fromEntries(TRAIT_KEYS.map((key) => [key, key in seen ? 'seen' : assumed])) as Record<
    keyof Traits,
    TraitBasis
  >;
  const parents = breeds.length === 1 ? (breeds[0]?.parents ?? []).flatMap((id) => catalogue.find(id) ?? []) : breeds;
  const from = Object.fromEntries(
    TRAIT_KEYS.flatMap((key) => {
      const giver = key in seen || parents.length < 2 ? null : givenBy(parents, base, key);
      return giver === null ? [] : [[key, giver]];
    }),
  );
  const handling = [...new Set(breeds.flatMap((each) => each.handling))];
  return { traits: { ...base, ...seen }, basis, from, breeds, handling };
}

/** Shares of the parents, the largest first: an id given twice of three counts two thirds. */
function sharesOf(
  breedIds: readonly string[],
  catalogue: Catalogue,
): { readonly breed: Breed; readonly parts: number; readonly of: number }[] {
  const known = breedIds.flatMap((id) => catalogue.find(id) ?? []);
  return [...new Set(known)]
    .map((breed) => ({ breed, parts: known.filter((each) => each === breed).length, of: known.length }))
    .toSorted((a, b) => b.parts - a.parts);
}

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

/** "Lagotto Romagnolo × Miniature Poodle", "Pug 3/4 × Beagle 1/4", "mixed breed". */
export function nameBreeds(breedIds: readonly string[], catalogue: Catalogue = SHIPPED): string {
  const shares = sharesOf(breedIds, catalogue);
  if (shares.length === 0) return 'mixed breed';
  const equal = shares.every(({ parts }) => parts === shares[0]?.parts);
  const share = (parts: number, of: number) => ` ${parts / gcd(parts, of)}/${of / gcd(parts, of)}`;
  return shares.map(({ breed, parts, of }) => breed.name + (equal ? '' : share(parts, of))).join(' × ');
}

/** Usual adult weight of a breed, or of a cross by its parents' shares, kg; null for a dog of unknown parents. */
export function usualWeight(
  breedIds: readonly string[],
  catalogue: Catalogue = SHIPPED,
): readonly [least: number, most: number] | null {
  const shares = sharesOf(breedIds, catalogue);
  if (shares.length === 0) return null;
  const mean = (end: 0 | 1) =>
    shares.reduce((sum, { breed, parts, of }) => sum + (breed.weightKg[end] * parts) / of, 0);
  return [mean(0), mean(1)];
}

/** The highest published ear odds among the breeds, or null where none is published. */
export function earOdds(breeds: readonly Breed[]): number | null {
  const odds = breeds.flatMap((each) => each.earOdds ?? []);
  return odds.length === 0 ? null : Math.max(...odds);
}
