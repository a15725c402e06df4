/**
 * Order of authority, highest first. A circumstance of this dog, that it swims or works in dirt, is a default as well, and
 * comes before the row of its coat or ear.
 */
export const RANKS = ['law', 'safety', 'vet', 'owner', 'house', 'circumstance', 'default'] as const;
export type Rank = (typeof RANKS)[number];
export const RANK_WORDS: Readonly<Record<Rank, string>> = {
  law: 'law of the place',
  safety: 'safety stop',
  vet: 'vet instruction',
  owner: "owner's wish",
  house: 'house way',
  circumstance: 'the life of this dog',
  default: 'breed and coat',
};
