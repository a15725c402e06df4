import { differenceOf, type Lab } from './lab';
import type { Coloured, ColourReading, MeasuredColour } from './measure';

/** What of each colour counts. */
export const COLOURED: Readonly<Record<Coloured, { readonly name: string; readonly counts: readonly (keyof Lab)[] }>> =
  {
    stain: { name: 'stain', counts: ['l', 'b'] },
    skin: { name: 'skin', counts: ['a'] },
    wax: { name: 'wax on the pad', counts: ['l', 'b'] },
  };

/** The three figures of a colour in words: a name, the field's letter, what its ends mean. */
export const FIGURES: Readonly<Record<keyof Lab, Readonly<Record<'name' | 'letter' | 'ends', string>>>> = {
  l: { name: 'lightness', letter: 'L*', ends: '0 black, 100 white' },
  a: { name: 'redness', letter: 'a*', ends: '0 grey, 60 very red' },
  b: { name: 'yellow-brown', letter: 'b*', ends: '0 grey, 60 very yellow' },
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

/** To a tenth, as it is kept: more is not known. */
export const readingOf = (of: Coloured, { lab, plusMinus }: MeasuredColour): ColourReading => ({
  of,
  lab: toTenths(lab),
  plusMinus: toTenths(plusMinus),
});
const toTenths = ({ l, a, b }: Lab): Lab => ({ l: tenth(l), a: tenth(a), b: tenth(b) });
const tenth = (figure: number): number => Math.round(figure * 10) / 10;

/** So different that it may be another dog, or another place: asked, never decided. */
const ANOTHER = 30;
export const looksLikeAnother = ({ difference }: ColourChange): boolean => difference > ANOTHER;
