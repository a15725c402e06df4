import { millilitres, type Millilitres } from '../units';

export interface Bottle {
  readonly id: string;
  readonly name: string;
  /** To the brim, and to the line one fills to, ml. */
  readonly brim: Millilitres;
  readonly line: Millilitres;
  /** Distance between marks one can read; null when it has none. */
  readonly graduation: Millilitres | null;
}

/**
 * A bottle as drawn: a straight body of radius 1 up to `shoulder`, then a cone to the neck at height 1.
 * Heights are shares of the drawn height, so that levels are to scale by volume, not by height.
 */
export const BOTTLE_SHAPE = { shoulder: 0.78, neck: 0.3 } as const;

const bodyVolume = BOTTLE_SHAPE.shoulder;
const coneVolume = (height: number): number => {
  const slope = (1 - BOTTLE_SHAPE.neck) / (1 - BOTTLE_SHAPE.shoulder);
  const top = 1 - slope * height;
  return (height / 3) * (1 + top + top * top);
};
const wholeVolume = bodyVolume + coneVolume(1 - BOTTLE_SHAPE.shoulder);

/** Drawn height (0 bottom … 1 brim) of `volume` in a bottle of `brim`. Over-full is drawn at the brim. */
export function levelOf(volume: Millilitres, brim: Millilitres): number {
  const wanted = Math.min(1, volume / brim) * wholeVolume;
  if (wanted <= bodyVolume) return wanted;
  let low = 0;
  let high = 1 - BOTTLE_SHAPE.shoulder;
  for (let step = 0; step < 40; step++) {
    const middle = (low + high) / 2;
    if (bodyVolume + coneVolume(middle) < wanted) low = middle;
    else high = middle;
  }
  return BOTTLE_SHAPE.shoulder + high;
}

/** The volume below a drawn height; inverse of {@link levelOf}. */
export function volumeBelow(level: number, brim: Millilitres): Millilitres {
  const height = Math.min(1, Math.max(0, level));
  const volume = height <= BOTTLE_SHAPE.shoulder ? height : bodyVolume + coneVolume(height - BOTTLE_SHAPE.shoulder);
  return millilitres((volume / wholeVolume) * brim);
}
