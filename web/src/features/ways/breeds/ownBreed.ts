import { findBreed, type Breed, type Catalogue } from '@dewpond/core/catalogue';
import { plainWords } from '@dewpond/core/clients';
import { PLAIN_TRAITS, TRAIT_CHOICES, foldWords } from '../../../parts/dogs/traitWords';

/** A breed to begin with: an ordinary middle-sized dog. */
export function newBreed(catalogue: Catalogue): Breed {
  const like = findBreed('beagle') ?? catalogue.breeds[0];
  if (!like) throw new RangeError('The catalogue is empty.');
  return { ...like, id: 'own-', name: '', alsoCalled: [], handling: [], why: null, earOdds: null };
}

/** An id from a name: "Quay dog" is "own-quay-dog". */
export const ownId = (name: string): string =>
  `own-${plainWords(name)
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-|-$/g, '')}`.slice(0, 60);

interface BreedDifference {
  readonly name: string;
  readonly own: string;
  readonly was: string;
}

/** What the business sees otherwise than shipped, in the order a groomer looks. */
export function differences(own: Breed, shipped: Breed): BreedDifference[] {
  const plain = PLAIN_TRAITS.filter((key) => own.traits[key] !== shipped.traits[key]).map((key) => ({
    name: TRAIT_CHOICES[key].name,
    own: own.traits[key],
    was: shipped.traits[key],
  }));
  const words = (name: string, mine: string, theirs: string) =>
    mine === theirs ? [] : [{ name, own: mine, was: theirs }];
  const kilos = ({ weightKg: [least, most] }: Breed) => `${least}–${most} kg`;
  return [
    ...words('Weight', kilos(own), kilos(shipped)),
    ...plain,
    ...words('Folds', foldWords(own.traits.folds), foldWords(shipped.traits.folds)),
    ...words('To mind', own.handling.join(', ') || 'nothing', shipped.handling.join(', ') || 'nothing'),
  ];
}
