import type { DogFacts } from '../../dog';
import type { PlaceKey } from '../../places';
import type { Piece } from '../../work';
import { ORDER_OF_WORK } from './orderOfWork';

/** A piece's row in the table by hand, and the place it is done at where it is done at one. */
export function byHand(piece: Piece, stage: string): { readonly name: string; readonly here: PlaceKey | null } {
  const [, name = piece.id, here] = /^(.*?)(?: ([a-z ]+\/(?:left|right|none)))?$/.exec(piece.id) ?? [];
  const placed = here === undefined ? null : splitPlace(piece.id);
  if (placed) return placed;
  // Under the tail is clipped at the first clip and dried with the rest: two pieces of one name.
  return { name: stage === 'dry' && name === 'rear' ? 'rear dried' : name, here: null };
}

/** "eye corner eye/left": the longest row of the table that the id begins with, and the place behind it. */
function splitPlace(id: string): { readonly name: string; readonly here: PlaceKey } | null {
  const names = Object.keys(ORDER_OF_WORK).filter((name) => id.startsWith(`${name} `) && id.includes('/'));
  const name = names.toSorted((a, b) => b.length - a.length)[0];
  return name === undefined ? null : { name, here: id.slice(name.length + 1) as PlaceKey };
}

/** What a piece touches by hand, "place procedure" each, for the folds this dog has; null: the table does not know it. */
export function touchesByHand(piece: Piece, stage: string, dog: DogFacts): Set<string> | null {
  const { name, here } = byHand(piece, stage);
  const row = ORDER_OF_WORK[name];
  if (!row) return null;
  const has = (key: PlaceKey) => !key.startsWith('fold ') || key.slice(5).split('/')[0]! in dog.traits.folds;
  const places = row.places ?? (here === null ? [] : [here]);
  const air = dog.handling.dryer === 'towels only' ? row.does.filter((each) => each !== 'blow') : row.does;
  const does = name === 'teeth' && dog.ways.teeth === 'gel' ? (['protect'] as const) : air;
  return new Set(places.filter(has).flatMap((place) => does.map((procedure) => `${place} ${procedure}`)));
}
