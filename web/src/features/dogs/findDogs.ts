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

export type DogIndex = MiniSearch<Findable>;

const FIELDS = ['name', 'owner', 'breed', 'phone', 'street'] as const;

/** An index over the whole book: dog, owner, breed, phone, street. The name weighs most. */
export function indexDogs(dogs: readonly Findable[]): DogIndex {
  const index = new MiniSearch<Findable>({
    fields: [...FIELDS],
    // A number is found from any of its groups, spaced or not.
    extractField: (dog, field) =>
      field === 'phone'
        ? dog.phone
            .split(',')
            .map((number) => `${number} ${number.replaceAll(/\D/g, '')}`)
            .join(' ')
        : dog[field as keyof Findable],
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
  index.addAll(dogs.map(({ id, name, owner, breed, phone, street }) => ({ id, name, owner, breed, phone, street })));
  return index;
}

/** So few letters fit half the book; then only names are looked at. */
const FEW_LETTERS = 2;

/** Ids of those that fit all words, best first; null without a word: everyone fits. */
export function findDogs(index: DogIndex, words: string): readonly string[] | null {
  const wanted = words.trim();
  if (wanted === '') return null;
  const options = wanted.length <= FEW_LETTERS ? { fields: ['name'] } : {};
  return index.search(wanted, options).map(({ id }) => id as string);
}
