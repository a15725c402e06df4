/**
 * Order of authority, highest first. What was decided for this dog comes before what is done with all. A circumstance of this dog, that it swims or works in dirt, is a default as well, and
 * comes before the row of its coat or ear.
 */
export const RANKS = ['law', 'safety', 'vet', 'owner', 'own', 'house', 'circumstance', 'default'] as const;
export type Rank = (typeof RANKS)[number];
export const RANK_WORDS: Readonly<Record<Rank, string>> = {
  law: 'law of the place',
  safety: 'safety stop',
  vet: 'vet instruction',
  owner: "owner's wish",
  own: 'this dog’s own way',
  house: 'house way',
  circumstance: 'the life of this dog',
  default: 'breed and coat',
};
