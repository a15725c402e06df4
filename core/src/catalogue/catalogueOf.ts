import { BREEDS, findBreed, type Breed } from './breeds';
import { crossOf } from './crossOf';

/** The breeds a business works with: the shipped ones, and its own. */
export interface Catalogue {
  /** By name. */
  readonly breeds: readonly Breed[];
  readonly find: (id: string) => Breed | undefined;
  /** The shipped breed behind an adjusted one; undefined for one the business added, or left as it came. */
  readonly shippedBehind: (id: string) => Breed | undefined;
}

export const SHIPPED: Catalogue = { breeds: BREEDS, find: findBreed, shippedBehind: () => undefined };

/**
 * The shipped catalogue with a business's own breeds: one with a shipped id takes that one's place, and named crosses
 * of it are composed anew.
 */
export function withOwnBreeds(own: readonly Breed[]): Catalogue {
  if (own.length === 0) return SHIPPED;
  const ownById = new Map(own.map((breed) => [breed.id, breed]));
  const parentOf = (id: string) => ownById.get(id) ?? findBreed(id);
  const shipped = BREEDS.map((breed) => {
    const adjusted = ownById.get(breed.id);
    if (adjusted) return adjusted;
    if (!breed.parents.some((id) => ownById.has(id))) return breed;
    return crossOf(
      breed,
      breed.parents.flatMap((id) => parentOf(id) ?? []),
    );
  });
  const added = own.filter((breed) => findBreed(breed.id) === undefined);
  const breeds = [...shipped, ...added].toSorted((a, b) => a.name.localeCompare(b.name));
  const byId = new Map(breeds.map((breed) => [breed.id, breed]));
  return {
    breeds,
    find: (id) => byId.get(id),
    shippedBehind: (id) => (ownById.has(id) ? findBreed(id) : undefined),
  };
}
