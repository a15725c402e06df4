import type { Grade } from '../places';
import type { Sign } from './signs';

/** Colours on a pad, least to most worrying; the worst one of an ear is kept. */
export const PAD_COLOURS = ['pale', 'brown', 'yellow', 'white or green', 'black', 'blood'] as const;
export type PadColour = (typeof PAD_COLOURS)[number];

export const worsePad = (a: PadColour, b: PadColour): PadColour =>
  PAD_COLOURS.indexOf(a) >= PAD_COLOURS.indexOf(b) ? a : b;

/** The sign a pad shows when a look did not: the cleaning then ends, no more liquid and no second pass. */
export const PAD_SHOWS: Readonly<Record<PadColour, Sign | null>> = {
  pale: null,
  brown: null,
  yellow: 'ear yellow wax',
  'white or green': 'ear whitish discharge',
  black: 'ear dark crumbs',
  blood: 'ear blood',
};

/** Wax without any sign of trouble: how much there is decides how deep an ear is cleaned. */
export const isEarWax = (sign: Sign): boolean => sign === 'ear pale wax' || sign === 'ear dark wax';

/** Dirty pads as a grade: 0 / 1 / 2–3 / 4 or more; the last, clean pad does not count (docs/formulas.md, "Rhythm"). */
export function gradeOfPads(dirty: number): Grade {
  if (dirty <= 0) return 0;
  if (dirty === 1) return 1;
  return dirty <= 3 ? 2 : 3;
}
