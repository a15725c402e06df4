import { millilitres, type Millilitres } from '../units';

/** So much for one dog at one visit. */
export interface Pour {
  readonly visit: string;
  readonly dogId: string;
  readonly dog: string;
  readonly ml: Millilitres;
}

export interface Shared {
  /** By bottle, in the order given. */
  readonly pours: readonly (readonly Pour[])[];
  /** What no bottle is left for. */
  readonly unserved: readonly Pour[];
}

/** Less than this is a rounding error, ml. */
const NIL = 1e-6;

/**
 * Who gets which bottle. A dog has all its mix from one bottle where that can be: dogs with most go first, each into the
 * fullest fitting bottle's tightest room. Where it cannot, the bottles are poured out in the order of the visits, and a
 * dog takes the end of one and the beginning of the next. Sums of pours never exceed a bottle.
 */
export function shareOut(needs: readonly Pour[], bottles: readonly Millilitres[]): Shared {
  return wholeDogs(needs, bottles) ?? inTurn(needs, bottles);
}

function wholeDogs(needs: readonly Pour[], bottles: readonly Millilitres[]): Shared | null {
  const room: number[] = [...bottles];
  const pours: Pour[][] = bottles.map(() => []);
  for (const need of needs.toSorted((a, b) => b.ml - a.ml)) {
    const fitting = room.map((left, at) => ({ left, at })).filter(({ left }) => left >= need.ml - NIL);
    const tightest = fitting.toSorted((a, b) => a.left - b.left)[0];
    if (!tightest) return null;
    room[tightest.at] = tightest.left - need.ml;
    pours[tightest.at]?.push(need);
  }
  const order = new Map(needs.map(({ visit }, i) => [visit, i]));
  const turn = ({ visit }: Pour) => order.get(visit) ?? 0;
  return { pours: pours.map((each) => each.toSorted((a, b) => turn(a) - turn(b))), unserved: [] };
}

function inTurn(needs: readonly Pour[], bottles: readonly Millilitres[]): Shared {
  const pours: Pour[][] = bottles.map(() => []);
  const unserved: Pour[] = [];
  let at = 0;
  let left = bottles[0] ?? 0;
  for (const need of needs) {
    let open: number = need.ml;
    while (open > NIL && at < bottles.length) {
      const ml = Math.min(open, left);
      if (ml > NIL) pours[at]?.push({ ...need, ml: millilitres(ml) });
      open -= ml;
      left -= ml;
      if (left <= NIL) left = bottles[(at += 1)] ?? 0;
    }
    if (open > NIL) unserved.push({ ...need, ml: millilitres(open) });
  }
  return { pours, unserved };
}
