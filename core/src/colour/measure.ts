import { farFromWhite, fromDaylight, whiteBalance } from './adapt';
import { labOf, LIGHT, xyzOf, type Lab, type Triple } from './lab';

/** Pixels of one spot of a picture, four bytes each: red, green, blue, opacity; row by row. */
export interface Spot {
  readonly width: number;
  readonly height: number;
  readonly rgba: Uint8ClampedArray;
}

/** A colour as measured, and by how much it may be off, about 95 in 100 times. */
export interface MeasuredColour {
  readonly lab: Lab;
  readonly plusMinus: Lab;
}

/** What of a dog a colour is of. */
export const ALL_COLOURED = ['stain', 'skin', 'wax'] as const;
export type Coloured = (typeof ALL_COLOURED)[number];

/** A colour as it is kept of a picture. */
export interface ColourReading extends MeasuredColour {
  readonly of: Coloured;
}

/** Why a colour cannot be measured, and what helps. */
export const NOT_MEASURED = {
  'too small': 'The circle holds too few points. Make it larger, or take the picture from nearer.',
  'too bright': 'The white is blown out by the light. Turn the flash off, or tilt the pad away from the lamp.',
  'too dark': 'The white is too dark to go by. Take the picture in more light.',
  uneven: 'Light and shadow lie on the white. Put the circle on an even part, or lay the pad flat.',
  'not white': 'No lamp makes white look like this. Put the circle on a white pad, card or sheet of paper.',
  'coloured light': 'This light has too little blue to tell this colour. Take the picture by daylight or a white lamp.',
  glare: 'This spot shines. Dab it dry, or put the circle beside the shine.',
} as const;
export type NotMeasured = keyof typeof NOT_MEASURED;

export type Measurement =
  ({ readonly kind: 'measured' } & MeasuredColour) | { readonly kind: 'not measured'; readonly because: NotMeasured };

/** What a white cotton pad, a card or plain paper gives back of the light, and how much these differ [house value]. */
const WHITE_REFLECTS = 0.86;
const WHITE_DIFFERS = 0.04;
/** What no picture can tell, whatever the light: how a camera bends its colours to please [house value]. */
const OF_ANY_CAMERA: Lab = { l: 2, a: 2, b: 2 };
/**
 * What a white cannot take out of coloured light, for each 1 of CIE 1960 u, v between the lamp and daylight: two things that
 * look alike by day may differ under a bulb. Fitted to pictures generated from spectra, 2400 to 12000 K
 * (`measure.test.ts`) [house value].
 */
const OF_COLOURED_LIGHT: Lab = { l: 30, a: 100, b: 50 };

const FEWEST_POINTS = 64;
const BLOWN = 250;
const MOST_BLOWN = 0.02;
const MOST_GLARE = 0.4;
const MOST_LOST = 0.2;
const DARKEST_WHITE = 0.08;
const MOST_UNEVEN = 0.12;
const FARTHEST_FROM_WHITE = 0.03;

/** Where a colour of the picture is at nothing, it was below nothing: beyond what a screen's colours can show. */
const isLost = (r: number, g: number, b: number): boolean => Math.min(r, g, b) <= 2;
const isBlown = (r: number, g: number, b: number): boolean => Math.max(r, g, b) >= BLOWN;

/** Points of a spot in linear light: of each quarter by itself, so that one sees how even it is. */
function readSpot({ width, height, rgba }: Spot) {
  const quarters: Triple[][] = [[], [], [], []];
  let [blown, lost] = [0, 0];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const at = 4 * (y * width + x);
      const [r = 0, g = 0, b = 0] = [rgba[at], rgba[at + 1], rgba[at + 2]];
      if (isLost(r, g, b)) lost += 1;
      if (isBlown(r, g, b)) blown += 1;
      else quarters[(y * 2 < height ? 0 : 2) + (x * 2 < width ? 0 : 1)]?.push([lightOf(r), lightOf(g), lightOf(b)]);
    }
  const all = Math.max(1, width * height);
  return { quarters, blown: blown / all, lost: lost / all };
}

const lightOf = (value: number): number => LIGHT[value] ?? 0;

function median(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
}

/** The middle of each of three: single hairs and drops do not pull at it. */
const middle = (points: readonly Triple[]): Triple => [
  median(points.map(([r]) => r)),
  median(points.map(([, g]) => g)),
  median(points.map(([, , b]) => b)),
];

/** Standard deviation, n - 1; 0 of fewer than two. */
function deviation(values: readonly number[]): number {
  if (values.length < 2) return 0;
  const mean = values.reduce((sum, each) => sum + each, 0) / values.length;
  return Math.sqrt(values.reduce((sum, each) => sum + (each - mean) ** 2, 0) / (values.length - 1));
}

/** What a white spot says of the light. */
export type Light =
  | {
      readonly kind: 'light';
      /** CIE XYZ. */
      readonly white: Triple;
      /** How it differs over the white, as a share. */
      readonly uneven: number;
      /** In CIE 1960 u, v. */
      readonly fromDaylight: number;
    }
  | { readonly kind: 'not measured'; readonly because: NotMeasured };

const not = (because: NotMeasured) => ({ kind: 'not measured', because }) as const;

/** The light by a white thing in the picture, or why it is none to go by. */
export function lightBy(white: Spot): Light {
  if (white.width * white.height < FEWEST_POINTS) return not('too small');
  const { quarters, blown } = readSpot(white);
  if (blown > MOST_BLOWN) return not('too bright');
  const xyz = xyzOf(middle(quarters.flat()));
  if (xyz[1] < DARKEST_WHITE) return not('too dark');
  const uneven = deviation(quarters.map((quarter) => xyzOf(middle(quarter))[1])) / xyz[1];
  if (uneven > MOST_UNEVEN) return not('uneven');
  return farFromWhite(xyz) > FARTHEST_FROM_WHITE
    ? not('not white')
    : { kind: 'light', white: xyz, uneven, fromDaylight: fromDaylight(xyz) };
}

/**
 * The colour of a spot in CIELAB, the light taken out by a white thing in the same picture. Its uncertainty adds up, in
 * squares: quarters of the spot that differ, light that is uneven on the white, white that is no perfect white, the
 * camera, light that is far from daylight.
 */
export function measureColour({ white, spot }: { readonly white: Spot; readonly spot: Spot }): Measurement {
  const light = lightBy(white);
  if (light.kind === 'not measured') return light;
  if (spot.width * spot.height < FEWEST_POINTS) return not('too small');
  const { quarters, blown, lost } = readSpot(spot);
  if (blown > MOST_GLARE) return not('glare');
  if (lost > MOST_LOST) return not('coloured light');
  const balanced = whiteBalance(light.white, WHITE_REFLECTS);
  const labIn = (points: readonly Triple[], shade = 1): Lab => {
    const [x, y, z] = balanced(xyzOf(middle(points)));
    return labOf([x * shade, y * shade, z * shade]);
  };
  const lab = labIn(quarters.flat());
  const parts = quarters.filter((quarter) => quarter.length > 0).map((quarter) => labIn(quarter));
  const shaded = labIn(quarters.flat(), 1 + Math.hypot(light.uneven, WHITE_DIFFERS / WHITE_REFLECTS));
  const off = (of: keyof Lab): number =>
    Math.hypot(
      (2 * deviation(parts.map((each) => each[of]))) / Math.sqrt(Math.max(1, parts.length)),
      2 * Math.abs(shaded[of] - lab[of]),
      OF_ANY_CAMERA[of],
      OF_COLOURED_LIGHT[of] * light.fromDaylight,
    );
  return { kind: 'measured', lab, plusMinus: { l: off('l'), a: off('a'), b: off('b') } };
}
