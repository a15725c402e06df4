import type { ProductKind } from '../dilution';
import type { Procedure } from '../findings';
import type { Place } from '../places';
import type { Task } from '../tasks';

/** Product that a touch brings along: a kind from the shelf, or the wash that a vet or owner prescribed. */
export type TouchProduct = ProductKind | 'prescribed';

/** What a piece of work does at one place. */
export interface Touch {
  readonly place: Place;
  readonly procedure: Procedure;
  /** Null: nothing, or plain water. */
  readonly product: TouchProduct | null;
}

/** A piece of work within a step: what hands would call one thing, with all it touches. */
export interface Piece {
  /** Stays while the dog stays; the place where it is done at one of several: "eye corner eye/left". */
  readonly id: string;
  /** As one groomer says it to another. */
  readonly name: string;
  /** The task of the plan it belongs to; null: asked by none, done all the same. */
  readonly task: Task | null;
  readonly touches: readonly Touch[];
  /** Without its product there is nothing to do: no conditioning with plain water. */
  readonly needsProduct?: true;
}

/** Every procedure at every place, in the order of the places. */
export function touching(
  places: readonly Place[],
  procedures: readonly Procedure[],
  product: TouchProduct | null = null,
): readonly Touch[] {
  let known = MADE.get(places);
  if (known === undefined) MADE.set(places, (known = []));
  const before = known.find((made) => made.product === product && isSame(made.procedures, procedures));
  if (before) return before.touches;
  const touches = places.flatMap((place) => procedures.map((procedure) => ({ place, procedure, product })));
  known.push({ procedures, product, touches });
  return touches;
}

const isSame = (some: readonly Procedure[], others: readonly Procedure[]): boolean =>
  some.length === others.length && some.every((each, i) => each === others[i]);

interface StepTouches {
  readonly procedures: readonly Procedure[];
  readonly product: TouchProduct | null;
  readonly touches: readonly Touch[];
}

/** Plans are made thousands at a time, of the same few lists of places: their touches are made once. */
const MADE = new WeakMap<readonly Place[], StepTouches[]>();
