import type { Level, Procedure, Stop } from '../findings';
import type { Place, Side } from '../places';
import type { Source } from '../provenance';
import type { Rank, Reason } from '../reasons';
import type { Task } from '../tasks';
import type { VetLift } from './lift';
import type { Instead } from './stopTable';

/** What a bar forbids. */
export type Covers =
  /** These procedures at one place; with a dry head, water above the neck on a side (or on both) as well. */
  | {
      readonly kind: 'place';
      readonly place: Place;
      readonly procedures: readonly Procedure[];
      readonly dryHead: Side | 'none' | null;
    }
  /** A task of the plan, at one place or wherever it is done. */
  | { readonly kind: 'task'; readonly task: Task; readonly place: Place | null }
  /** Every product but the one that was prescribed; plain water stays. */
  | { readonly kind: 'other products' }
  /** The visit ends. */
  | { readonly kind: 'everything'; readonly place: Place };

/** What is inside a bar. */
export interface BarParts {
  readonly stop: Stop;
  readonly level: Level;
  readonly rank: Rank;
  readonly reason: Reason;
  readonly source: Source;
  readonly covers: Covers;
  /** What stands in for it where that is not said by the kind of place. */
  readonly instead: readonly Instead[];
  /** For each sign or condition behind it, the vets' lifts that hold for it today. A bar without any cannot be lifted. */
  readonly lifts: readonly (readonly VetLift[])[];
}

declare const closed: unique symbol;
/**
 * Something that forbids work. Closed: what it stops and what was lifted of it is read by `stopAt` and by nobody else
 * (.dependency-cruiser.cjs lets no other file open one).
 */
export interface Bar {
  readonly [closed]: true;
}

export const bar = (parts: BarParts): Bar => parts as unknown as Bar;
