import type { ProductKind } from '../dilution';
import type { Place } from '../places';
import type { Source } from '../provenance';
import type { Interval } from '../rhythm';
import type { DogFacts } from './facts';
import type { Task } from '../tasks';

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

/** A test of a dog, and of a place of it, that can be read aloud. */
export interface Condition {
  readonly words: string;
  readonly holds: (facts: DogFacts, place: Place | null) => boolean;
  /** It looks at the place: of two sides of one dog it may hold for one only. */
  readonly ofPlace?: true;
}

/** What a rule asks for once it holds. */
export type Then =
  | ({ readonly kind: 'interval' } & Interval)
  | { readonly kind: 'home'; readonly everyDays: number; readonly minutes: number; readonly how: string }
  | { readonly kind: 'method'; readonly words: string }
  | { readonly kind: 'product'; readonly product: ProductKind }
  | { readonly kind: 'caution'; readonly words: string }
  | { readonly kind: 'bar'; readonly words: string };

export interface Rule {
  readonly id: string;
  readonly task: Task;
  readonly rank: Rank;
  readonly when: Condition;
  /** A function only where a number of the dog goes into it. */
  readonly then: readonly Then[] | ((facts: DogFacts) => readonly Then[]);
  readonly because: string;
  readonly source: Source;
}
