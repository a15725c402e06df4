import type { Triage } from '../findings';
import { placeKey, type Place, type PlaceKey } from '../places';
import { reasonKey } from '../reasons';
import type { Piece } from '../work';
import type { Bar } from './bar';
import { distinct, mayDo, stopAt, worstFirst, type BarAt } from './stopAt';
import { LEAVE_IT, type Instead } from './stopTable';

/** Places that work leaves out for the same reasons, and what is done there instead. */
export interface LeftOut {
  /** Pieces they are left out of. */
  readonly pieces: readonly string[];
  readonly places: readonly Place[];
  /** The procedure is open; only the product stays off. */
  readonly productOnly: boolean;
  /** In force, the worst first. */
  readonly bars: readonly BarAt[];
  readonly instead: Instead;
}

/** What bars leave of pieces of work. */
export interface WorkLeft {
  /** Pieces of which something is left to do, each with its open touches. */
  readonly open: readonly Piece[];
  readonly leftOut: readonly LeftOut[];
}

/**
 * Asks of every touch whether it may be. Where one procedure of a piece is barred at a place, the whole place is left
 * out of that piece: hair is not combed out of a place that may not be clipped. A piece that has no place left is gone.
 */
export function workLeft(bars: readonly Bar[], pieces: readonly Piece[]): WorkLeft {
  if (bars.length === 0) return { open: pieces, leftOut: [] };
  const open: Piece[] = [];
  const left: LeftOut[] = [];
  for (const piece of pieces) {
    const answers = piece.touches.map((touch) => stopAt(bars, touch, piece.task));
    // Most pieces are touched by no bar: nothing is made anew for them.
    if (answers.every(({ instead }) => instead === null)) {
      open.push(piece);
      continue;
    }
    const closed = new Set<PlaceKey>();
    piece.touches.forEach(({ place }, i) => {
      const answer = answers[i];
      if (!answer?.instead) return;
      const productOnly = answer.isOpen && piece.needsProduct !== true;
      if (!productOnly) closed.add(placeKey(place));
      left.push({
        pieces: [piece.id],
        places: [place],
        productOnly,
        bars: answer.bars.filter(({ lifted }) => lifted === null),
        instead: answer.isOpen && !productOnly ? LEAVE_IT : answer.instead,
      });
    });
    const touches = piece.touches.flatMap((touch, i) =>
      closed.has(placeKey(touch.place)) ? [] : [answers[i]?.productOff ? { ...touch, product: null } : touch],
    );
    if (touches.length > 0) open.push({ ...piece, touches });
  }
  return { open, leftOut: together(left) };
}

/** Every bar behind what is left out, once, the worst first. */
export const barsBehind = (left: readonly LeftOut[]): BarAt[] =>
  distinct(left.flatMap(({ bars }) => bars)).toSorted(worstFirst);

/** Left out alike is told as one. */
function together(left: readonly LeftOut[]): LeftOut[] {
  if (left.length < 2) return [...left];
  const alike = group(left, ({ productOnly, instead, bars }) =>
    [productOnly, instead.words, ...bars.map(({ reason }) => reasonKey(reason))].join('|'),
  );
  return [...alike.values()].map((each): LeftOut => {
    const [first] = each;
    if (!first || each.length === 1) return first as LeftOut;
    const places = new Map(each.flatMap((one) => one.places).map((place) => [placeKey(place), place]));
    return { ...first, pieces: [...new Set(each.flatMap(({ pieces }) => pieces))], places: [...places.values()] };
  });
}

const group = <T>(list: readonly T[], key: (each: T) => string): Map<string, T[]> => {
  const groups = new Map<string, T[]>();
  for (const each of list) {
    const its = key(each);
    const known = groups.get(its);
    if (known) known.push(each);
    else groups.set(its, [each]);
  }
  return groups;
};

/** What the rows of a place ask of the hands, each once, as far as no bar forbids it. */
export const todoAt = (bars: readonly Bar[], { place, matched }: Triage): string[] => [
  ...new Set(
    matched.flatMap(({ row: { todo } }) => (todo !== null && mayDo(bars, place, todo.does) ? [todo.words] : [])),
  ),
];
