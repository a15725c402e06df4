import { GUNDOGS } from './gundogs';
import { HERDING } from './herding';
import { HOUNDS } from './hounds';
import type { Breed } from './row';
import { SPITZ } from './spitz';
import { TERRIERS } from './terriers';
import { TOYS } from './toys';
import { WORKING } from './working';

/** Every breed of the catalogue that is not a cross. */
export const PURE_BREEDS: readonly Breed[] = [...GUNDOGS, ...HERDING, ...HOUNDS, ...SPITZ, ...TERRIERS, ...TOYS, ...WORKING];

export const BREED_BY_ID: ReadonlyMap<string, Breed> = new Map(PURE_BREEDS.map((breed) => [breed.id, breed]));
