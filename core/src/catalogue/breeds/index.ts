import { CROSSES } from './crosses';
import { PURE_BREEDS } from './pure';
import type { Breed } from './row';

/** Breeds and named crosses, by name. */
export const BREEDS: readonly Breed[] = [...PURE_BREEDS, ...CROSSES].toSorted((a, b) => a.name.localeCompare(b.name));

const BY_ID = new Map(BREEDS.map((breed) => [breed.id, breed]));

/**
 * The breed or named cross with this id, or undefined.
 * @example
 * findBreed('puli')?.traits.coat // 'corded'
 */
export const findBreed = (id: string): Breed | undefined => BY_ID.get(id);

export type { Breed } from './row';
