import type { SignArea } from './signs';

/**
 * What hands do at a place. `towel`: a cloth, damp with plain water or dry, from outside. `clean`: a pad or wipe in the
 * place, of an ear beyond the flap. `fill`: cleaner or powder put in. `wash` is with product, `rinse` is running water.
 * `clip` is a clipper or nail clippers, `trim` scissors or a file, `comb` a comb or brush, `protect` balm, powder,
 * leave-in.
 */
export const PROCEDURES = [
  'look',
  'clean',
  'fill',
  'massage',
  'pluck',
  'plug',
  'wash',
  'rinse',
  'clip',
  'comb',
  'towel',
  'blow',
  'protect',
  'trim',
] as const;
export type Procedure = (typeof PROCEDURES)[number];

/** What is done at each kind of place at all. */
export const DONE_AT: Readonly<Record<SignArea, readonly Procedure[]>> = {
  ear: PROCEDURES,
  eye: ['look', 'clean', 'wash', 'rinse', 'clip', 'comb', 'towel', 'blow', 'protect', 'trim'],
  fold: ['look', 'clean', 'wash', 'rinse', 'comb', 'towel', 'blow', 'protect'],
  nose: ['look', 'clean', 'wash', 'rinse', 'towel', 'protect'],
  skin: ['look', 'wash', 'rinse', 'clip', 'comb', 'towel', 'blow', 'protect', 'trim'],
  paw: ['look', 'wash', 'rinse', 'clip', 'comb', 'towel', 'blow', 'protect', 'trim'],
  nail: ['look', 'clip', 'trim'],
  mouth: ['look', 'clean', 'wash', 'rinse', 'towel', 'protect'],
  rear: ['look', 'wash', 'rinse', 'clip', 'comb', 'towel', 'blow', 'protect', 'trim'],
  body: ['look', 'protect'],
};
