import { plainWords } from '@dewpond/core/clients';
import MiniSearch from 'minisearch';

/** What can be searched for: a dog with its owner, or an owner with the names of the dogs. */
export interface Findable {
  readonly id: string;
  readonly name: string;
  readonly owner: string;
  readonly breed: string;
  readonly phone: string;
  readonly street: string;
}

/** A document is known by its place in the list it came from. */
type Placed = Findable & { readonly at: number };
export type DogIndex = MiniSearch<Placed>;

const FIELDS = ['name', 'owner', 'breed', 'phone', 'street'] as const;

/** An index over the whole book: dog, owner, breed, phone, street. The name weighs most. */
export function indexDogs(dogs: readonly Findable[]): DogIndex {
  const index = new MiniSearch<Placed>({
    idField: 'at',
    fields: [...FIELDS],
    // A number is found from any of its groups, spaced or not.
    extractField: (dog, field): string =>
      field === 'phone'
        ? dog.phone
            .split(',')
            .map((number) => `${number} ${number.replaceAll(/\D/g, '')}`)
            .join(' ')
        : String(dog[field as keyof Placed]),
    processTerm: (term) => plainWords(term) || null,
    searchOptions: {
      boost: { name: 3, owner: 2 },
      prefix: true,
      // One letter wrong in four, two in eight; a short word must be right.
      fuzzy: (term) => (term.length > 3 && !/\d/.test(term) ? 0.25 : false),
      maxFuzzy: 2,
      combineWith: 'AND',
    },
  });
  index.addAll(
    dogs.map(({ id, name, owner, breed, phone, street }, at) => ({ at, id, name, owner, breed, phone, street })),
  );
  return index;
}

/** So few letters fit half the book: alone they are looked for in names only, beside other words not at all. */
const FEW_LETTERS = 2;

/** Places in the list of those that fit all words, best first; null without a word: everyone fits. */
export function findDogs(index: DogIndex, words: string): readonly number[] | null {
  const wanted = words.trim();
  if (wanted === '') return null;
  const options = wanted.length <= FEW_LETTERS ? { fields: ['name'] } : {};
  return index.search(longWords(wanted), options).map(({ id }) => id as number);
}

/** Without a last word of one letter beside longer ones: it has only been begun. */
function longWords(wanted: string): string {
  const words = wanted.split(/\s+/);
  const long = words.filter((word) => word.length > 1);
  return long.length > 0 ? long.join(' ') : wanted;
}
