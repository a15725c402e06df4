/** Order of authority, highest first. */
export const RANKS = ['law', 'safety', 'vet', 'owner', 'house', 'default'] as const;
export type Rank = (typeof RANKS)[number];
export const RANK_WORDS: Readonly<Record<Rank, string>> = {
  law: 'law of the place',
  safety: 'safety stop',
  vet: 'vet instruction',
  owner: "owner's wish",
  house: 'house way',
  default: 'breed and coat',
};
