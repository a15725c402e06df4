import type { ProductKind } from '../dilution';
import type { MixCaution } from '../dilution';
import type { Place } from '../places';
import type { Source } from '../provenance';
import type { Rank } from '../reasons';
import type { Interval } from '../rhythm';
import type { DogFacts } from '../dog';
import type { HouseQuestion } from '../ways';
import type { HomeHow } from './homeHows';
import type { Task } from '../tasks';

/** A test of a dog, and of a place of it, that can be read aloud. */
export interface RuleCondition {
  readonly words: string;
  readonly holds: (facts: DogFacts, place: Place | null) => boolean;
  /** It looks at the place: of two sides of one dog it may hold for one only. */
  readonly ofPlace?: true;
}

/** What a rule asks for once it holds. */
export type Then =
  | ({ readonly kind: 'interval' } & Interval)
  | { readonly kind: 'home'; readonly everyDays: number; readonly minutes: number; readonly how: HomeHow }
  | { readonly kind: 'method'; readonly words: string; readonly at: SaidAt }
  | { readonly kind: 'product'; readonly product: ProductKind }
  | { readonly kind: 'caution'; readonly words: string; readonly at: SaidAt }
  /** The work is not done at all. */
  | { readonly kind: 'bar'; readonly words: string }
  /** No product with one of these marks or ingredients comes on this dog for this task. */
  | { readonly kind: 'keeps off'; readonly marks: readonly MixCaution[]; readonly ingredients: readonly string[] };

/** When a sentence must be heard: what the bath must know, before the coat is wet. */
export type SaidAt = 'the work' | 'before water';

export interface Rule {
  readonly id: string;
  readonly task: Task;
  readonly rank: Rank;
  readonly when: RuleCondition;
  /** A function only where a number of the dog goes into it. */
  readonly then: readonly Then[] | ((facts: DogFacts) => readonly Then[]);
  readonly because: string;
  readonly source: Source;
  /** The question of the house ways that it answers. */
  readonly question?: HouseQuestion;
}
