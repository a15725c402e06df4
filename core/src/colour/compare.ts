import { differenceOf, type Lab } from './lab';
import type { MeasuredColour } from './measure';

/** What of a dog a colour is of, and what of it counts there. */
export const COLOURED = {
  stain: { name: 'stain', counts: ['l', 'b'] },
  skin: { name: 'skin', counts: ['a'] },
  wax: { name: 'wax on the pad', counts: ['l', 'b'] },
} as const satisfies Readonly<Record<string, { readonly name: string; readonly counts: readonly (keyof Lab)[] }>>;
export type Coloured = keyof typeof COLOURED;
export const ALL_COLOURED = Object.keys(COLOURED) as Coloured[];

/** The three figures of a colour in words. */
export const FIGURES: Readonly<Record<keyof Lab, { readonly name: string; readonly ends: string }>> = {
  l: { name: 'Lightness L*', ends: '0 black, 100 white' },
  a: { name: 'Redness a*', ends: '0 grey, 60 very red' },
  b: { name: 'Yellow-brown b*', ends: '0 grey, 60 very yellow' },
};

const MORE_AND_LESS: Readonly<Record<keyof Lab, readonly [more: string, less: string]>> = {
  l: ['lighter', 'darker'],
  a: ['redder', 'less red'],
  b: ['more yellow-brown', 'less yellow-brown'],
};

export interface ColourChange {
  /** CIEDE2000. */
  readonly difference: number;
  /** "less red"; empty: nothing that the two pictures can tell. */
  readonly says: readonly string[];
}

/**
 * How a colour has changed in what counts of it. Only what is beyond what both may be off is said: a picture is no
 * colour meter.
 */
export function compareColours(of: Coloured, before: MeasuredColour, now: MeasuredColour): ColourChange {
  const says = COLOURED[of].counts.flatMap((figure) => {
    const by = now.lab[figure] - before.lab[figure];
    const [more, less] = MORE_AND_LESS[figure];
    return Math.abs(by) <= Math.hypot(now.plusMinus[figure], before.plusMinus[figure]) ? [] : [by > 0 ? more : less];
  });
  return { difference: differenceOf(before.lab, now.lab), says };
}

/** So different that it may be another dog, or another place: asked, never decided. */
const ANOTHER = 30;
export const looksLikeAnother = ({ difference }: ColourChange): boolean => difference > ANOTHER;
