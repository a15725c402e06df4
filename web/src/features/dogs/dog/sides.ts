import type { DueLine } from '@dewpond/core/due';
import { namePlace, type Place } from '@dewpond/core/places';
import { barTold, leftOutWords, reasonTold } from '@dewpond/core/wording';

/** A line of the plan as it is shown: for one place, or for both sides of a dog where they say the same. */
export interface ShownLine {
  readonly due: DueLine;
  readonly both: boolean;
}

/** All that a line says on the page, but for its side. */
const said = ({ line, window, state, rhythm }: DueLine): string =>
  JSON.stringify([
    line.task,
    line.place?.site,
    state,
    window,
    rhythm && rhythm.evidence.length > 0 ? rhythm.interval : null,
    line.interval,
    line.bars.map((bar) => barTold(bar)),
    line.leavesOut.map(leftOutWords),
    line.methods.map(({ words }) => words),
    line.cautions.map(({ words }) => words),
    line.home,
    line.earHair && [line.earHair.way, line.earHair.line, reasonTold(line.earHair.reason)],
    line.settled?.won.map(({ ruleId }) => ruleId),
  ]);

/** Left and right as one line where they say the same; the left one speaks for both. */
export function bySides(lines: readonly DueLine[]): ShownLine[] {
  const words = new Map(lines.map((due) => [due, said(due)]));
  const twinOf = (due: DueLine): DueLine | undefined =>
    lines.find(
      (each) => each !== due && each.line.place?.side !== due.line.place?.side && words.get(each) === words.get(due),
    );
  return lines.flatMap((due): ShownLine[] => {
    const { place } = due.line;
    const isSided = place !== null && place.side !== 'none';
    const twin = isSided ? twinOf(due) : undefined;
    if (!twin) return [{ due, both: false }];
    return place?.side === 'left' ? [{ due, both: true }] : [];
  });
}

/** "left ear", or "left and right ear". */
export const sidesWords = (place: Place, both: boolean): string =>
  both ? namePlace(place).replace('left', 'left and right') : namePlace(place);
