import { LEVELS } from '@dewpond/core/findings';
import { reasonKey } from '@dewpond/core/reasons';
import type { BarAt } from '@dewpond/core/stops';
import { STAGES, titleWords, type Step } from '@dewpond/core/steps';

/** What takes work away, and everything it takes: whole steps, and parts of others. */
export interface Cause {
  readonly bars: readonly BarAt[];
  /** Steps of which nothing is left, by what stands in for them; null: nothing is said. */
  readonly whole: readonly { readonly titles: readonly string[]; readonly instead: string | null }[];
  /** Stages that go on without the place, by what is done there instead. */
  readonly inPart: readonly { readonly words: string; readonly steps: readonly string[] }[];
}

export const keyOf = (bars: readonly BarAt[]): string =>
  bars.map(({ stop, reason }) => `${stop} ${reasonKey(reason)}`).join('|');

/**
 * What bars take out of a visit, told by what is behind it: steps taken away for the same reasons are one cause, and a
 * step that leaves a place out is told with the cause of its worst reason. The most urgent cause is first.
 */
export function takenAway(steps: readonly Step[]): Cause[] {
  const causes = new Map<string, Cause>();
  for (const { title, barred } of steps) {
    if (!barred) continue;
    const key = keyOf(barred.bars);
    const cause = causes.get(key) ?? { bars: barred.bars, whole: [], inPart: [] };
    const whole = withTitle(cause.whole, barred.instead?.words ?? null, titleWords(title));
    causes.set(key, { ...cause, whole });
  }
  for (const { stage, leavesOut } of steps)
    for (const { bars, instead } of leavesOut) {
      const [worst] = bars;
      if (!worst) continue;
      const behind = reasonKey(worst.reason);
      const found = [...causes].find(([, cause]) => cause.bars.some(({ reason }) => reasonKey(reason) === behind));
      const [key, cause] = found ?? [keyOf(bars), { bars, whole: [], inPart: [] }];
      // What stands for whole steps is said once.
      if (cause.whole.every((each) => each.instead !== instead.words))
        causes.set(key, { ...cause, inPart: withStep(cause.inPart, instead.words, STAGES[stage]) });
    }
  return [...causes.values()].toSorted((a, b) => worstLevel(b) - worstLevel(a));
}

const worstLevel = ({ bars }: Cause): number => Math.max(...bars.map(({ level }) => LEVELS.indexOf(level)));

function withTitle(whole: Cause['whole'], instead: string | null, title: string): Cause['whole'] {
  if (whole.every((each) => each.instead !== instead)) return [...whole, { titles: [title], instead }];
  return whole.map((each) => (each.instead === instead ? { ...each, titles: [...each.titles, title] } : each));
}

function withStep(inPart: Cause['inPart'], words: string, step: string): Cause['inPart'] {
  const known = inPart.find((each) => each.words === words);
  if (!known) return [...inPart, { words, steps: [step] }];
  return inPart.map((each) =>
    each === known && !each.steps.includes(step) ? { ...each, steps: [...each.steps, step] } : each,
  );
}
