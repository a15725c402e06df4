import type { Triple } from './lab';

/** D65 in CIE XYZ (IEC 61966-2-1), Y = 1. */
const D65: Triple = [0.95047, 1, 1.08883];

type Matrix = readonly [Triple, Triple, Triple];

/** The cone-like space of the Bradford transform (Lam 1985), values from memory. */
const BRADFORD: Matrix = [
  [0.8951, 0.2664, -0.1614],
  [-0.7502, 1.7135, 0.0367],
  [0.0389, -0.0685, 1.0296],
];
const BACK: Matrix = [
  [0.9869929, -0.1470543, 0.1599627],
  [0.4323053, 0.5183603, 0.0492912],
  [-0.0085287, 0.0400428, 0.9684867],
];

const times = (matrix: Matrix, [x, y, z]: Triple): Triple => {
  const row = ([a, b, c]: Triple): number => a * x + b * y + c * z;
  return [row(matrix[0]), row(matrix[1]), row(matrix[2])];
};

/**
 * Takes the colour and the strength of the light out: what was seen as `white` becomes D65 times `reflects`.
 * @param white CIE XYZ of a white thing as the camera saw it; each above 0.
 * @param reflects how much of the light that thing gives back, 0 to 1.
 */
export function whiteBalance(white: Triple, reflects: number): (seen: Triple) => Triple {
  const [from, to] = [times(BRADFORD, white), times(BRADFORD, D65)];
  const gain = to.map((each, i) => (each * reflects) / (from[i] ?? 1)) as unknown as Triple;
  return (seen) => {
    const [l, m, s] = times(BRADFORD, seen);
    return times(BACK, [l * gain[0], m * gain[1], s * gain[2]]);
  };
}

/** CIE 1960 u, v of a colour: where lamps are compared. */
const uvOf = ([x, y, z]: Triple): readonly [number, number] => {
  const sum = x + 15 * y + 3 * z;
  return [(4 * x) / sum, (6 * y) / sum];
};

/** A glowing body of so many kelvin in CIE 1960 u, v: Krystek 1985, Color Research & Application 10:38, from memory. */
const glowing = (kelvin: number): readonly [number, number] => [
  (0.860117757 + 1.54118254e-4 * kelvin + 1.28641212e-7 * kelvin ** 2) /
    (1 + 8.42420235e-4 * kelvin + 7.08145163e-7 * kelvin ** 2),
  (0.317398726 + 4.22806245e-5 * kelvin + 4.20481691e-8 * kelvin ** 2) /
    (1 - 2.89741816e-5 * kelvin + 1.61456053e-7 * kelvin ** 2),
];

/** Lamps from an old bulb to blue sky, kelvin, in even steps of 1/kelvin as the eye sees them. */
const LAMPS = Array.from({ length: 60 }, (_, i) => glowing(1e6 / (60 + i * 8)));

/**
 * How far a colour is from anything white that a lamp or the sky could light, in CIE 1960 u, v ("Duv"): lamps for rooms stay
 * within about 0.006 (ANSI C78.377), cheap ones within about 0.02; a green towel is beyond 0.05.
 */
export function farFromWhite(xyz: Triple): number {
  const [u, v] = uvOf(xyz);
  return Math.min(...LAMPS.map(([lampU, lampV]) => Math.hypot(u - lampU, v - lampV)));
}

/** How far the colour of a light is from daylight (D65), in CIE 1960 u, v: a bulb is about 0.07 away. */
export function fromDaylight(xyz: Triple): number {
  const [[u, v], [dayU, dayV]] = [uvOf(xyz), uvOf(D65)];
  return Math.hypot(u - dayU, v - dayV);
}
