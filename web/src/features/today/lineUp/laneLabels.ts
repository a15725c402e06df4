import type { TodayView } from '@dewpond/contract';
import type { LineUp, PlacedGroup } from '@dewpond/core/lineup';
import { fitsIn } from './GroupBar';
import { dogOf } from './dayOfWork';
import type { RibbonScale } from './ribbonScale';

/** What stands in the bars of a person's lane. */
export interface LaneLabels {
  /** Words of a bar's own; a bar that is not here has none. */
  readonly own: ReadonlyMap<PlacedGroup, string>;
  /** A name once for bars of one dog that stand beside each other and are too narrow for it alone, px. */
  readonly shared: readonly { readonly middle: number; readonly name: string; readonly bars: readonly PlacedGroup[] }[];
}

/** Bars nearer than this stand beside each other, px. */
const BESIDE = 3;

/** "Umber, bath" where a bar has room for it, else "Umber", else nothing; where none has room, once across all that stand together. */
export function laneLabels(today: TodayView, lineUp: LineUp, person: string, { x }: RibbonScale): LaneLabels {
  const own = new Map<PlacedGroup, string>();
  const shared = [];
  for (const bars of runsOf(lineUp, person, x)) {
    const dog = dogOf(today, bars[0]!.dog);
    const name = dog?.appointment.dogName ?? '';
    const words = bars.map((bar) => {
      const part = dog?.groups[bar.group]?.part ?? 'table';
      const whole = part === 'table' ? name : `${name}, ${part}`;
      return [whole, name].find((each) => fitsIn(each, x(bar.to) - x(bar.from)));
    });
    const [left, right] = [x(bars[0]!.from), x(bars.at(-1)!.to)];
    for (const [i, bar] of bars.entries()) if (words[i] !== undefined) own.set(bar, words[i]);
    if (words.every((each) => each === undefined) && fitsIn(name, right - left))
      shared.push({ middle: (left + right) / 2, name, bars });
  }
  return { own, shared };
}

/** A person's bars in order of time, those of one dog together that stand beside each other. */
function runsOf({ placed }: LineUp, person: string, x: RibbonScale['x']): PlacedGroup[][] {
  const runs: PlacedGroup[][] = [];
  for (const bar of placed.filter((each) => each.person === person).toSorted((a, b) => a.from - b.from)) {
    const before = runs.at(-1)?.at(-1);
    if (before && before.dog === bar.dog && x(bar.from) - x(before.to) < BESIDE) runs.at(-1)?.push(bar);
    else runs.push([bar]);
  }
  return runs;
}
