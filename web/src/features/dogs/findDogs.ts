import type { DogListItem } from '@dewpond/contract';
import MiniSearch from 'minisearch';

/** What of a dog can be searched for. */
export type Findable = Pick<DogListItem, 'id' | 'name' | 'owner' | 'breed' | 'phone'>;

/** Without accents, in small letters: "Adéyemí" is found by "adeyemi". */
const plain = (text: string): string =>
  text.normalize('NFD').replaceAll(/\p{M}/gu, '').replaceAll('ł', 'l').replaceAll('ø', 'o').toLowerCase();

export type DogIndex = MiniSearch<Findable>;

/** An index over the whole book: dog, owner, breed, phone. A dog's name weighs most. */
export function indexDogs(dogs: readonly Findable[]): DogIndex {
  const index = new MiniSearch<Findable>({
    fields: ['name', 'owner', 'breed', 'phone'],
    // A number is found from any of its groups, spaced or not.
    extractField: (dog, field) =>
      field === 'phone' ? `${dog.phone} ${dog.phone.replaceAll(/\D/g, '')}` : dog[field as keyof Findable],
    processTerm: (term) => plain(term) || null,
    searchOptions: {
      boost: { name: 3, owner: 2 },
      prefix: true,
      // One letter wrong in four, two in eight; a short word must be right.
      fuzzy: (term) => (term.length > 3 && !/\d/.test(term) ? 0.25 : false),
      maxFuzzy: 2,
      combineWith: 'AND',
    },
  });
  index.addAll(dogs);
  return index;
}

/** So few letters fit half the book; then only names are looked at. */
const FEW_LETTERS = 2;

/** Ids of the dogs that fit all words, best first; null without a word: every dog fits. */
export function findDogs(index: DogIndex, words: string): readonly string[] | null {
  const wanted = words.trim();
  if (wanted === '') return null;
  const options = wanted.length <= FEW_LETTERS ? { fields: ['name'] } : {};
  return index.search(wanted, options).map(({ id }) => id as string);
}
