import type { BottleView } from '@dewpond/contract';
import type { FreeBottle } from '@dewpond/core/dilution';
import { millilitres } from '@dewpond/core/units';

/** The business's bottles as the computation takes them. */
export const freeBottles = (bottles: readonly BottleView[]): FreeBottle[] =>
  bottles.map(({ id, name, brim, line, graduation, count }) => ({
    bottle: {
      id,
      name,
      brim: millilitres(brim),
      line: millilitres(line),
      graduation: graduation === null ? null : millilitres(graduation),
    },
    count,
  }));
