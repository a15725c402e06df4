import type { Lab, Spot, Triple } from '../colour';

/** Light from 390 to 730 nm in steps of 10. */
const WAVES = Array.from({ length: 35 }, (_, i) => 390 + 10 * i);

/** A thing by how much it gives back of each wavelength, 0 to 1. */
export type Reflects = (nm: number) => number;

const lobe = (nm: number, at: number, below: number, above: number): number =>
  Math.exp(-0.5 * ((nm - at) / (nm < at ? below : above)) ** 2);

/** The CIE 1931 observer by Wyman, Sloan and Shirley 2013, Journal of Computer Graphics Techniques 2(2):1; from memory. */
const OBSERVER: readonly Reflects[] = [
  (nm) => 1.056 * lobe(nm, 599.8, 37.9, 31) + 0.362 * lobe(nm, 442, 16, 26.7) - 0.065 * lobe(nm, 501.1, 20.4, 26.2),
  (nm) => 0.821 * lobe(nm, 568.8, 46.9, 40.5) + 0.286 * lobe(nm, 530.9, 16.3, 31.1),
  (nm) => 1.217 * lobe(nm, 437, 11.8, 36) + 0.681 * lobe(nm, 459, 26, 13.8),
];

/** Planck's law, up to a factor. */
const glow = (kelvin: number): Reflects => {
  return (nm) => nm ** -5 / (Math.exp(1.4388e7 / (nm * kelvin)) - 1);
};

/** CIE XYZ of a thing under a lamp of so many kelvin, whose own light has Y = 1. */
function seen(reflects: Reflects, kelvin: number): Triple {
  const lamp = glow(kelvin);
  const sum = (weight: Reflects, of: Reflects) =>
    WAVES.reduce((total, nm) => total + weight(nm) * of(nm) * lamp(nm), 0);
  const all = sum(OBSERVER[1] ?? lamp, () => 1);
  return OBSERVER.map((weight) => sum(weight, reflects) / all) as unknown as Triple;
}

/** CIELAB by its definition (CIE 15) against the white of daylight, 6504 K: what a colour meter would show. */
export function metered(reflects: Reflects): Lab {
  const white = seen(() => 1, 6504);
  const [x, y, z] = seen(reflects, 6504).map((each, i) => {
    const share = each / (white[i] ?? 1);
    return share > (6 / 29) ** 3 ? Math.cbrt(share) : share / (3 * (6 / 29) ** 2) + 4 / 29;
  }) as unknown as Triple;
  return { l: 116 * y - 16, a: 500 * (x - y), b: 200 * (y - z) };
}

/** Pixel values of a camera that leaves the lamp's colour in the picture (IEC 61966-2-1). */
export function pixelOf(reflects: Reflects, kelvin: number, exposure: number): readonly number[] {
  const [x, y, z] = seen(reflects, kelvin);
  const light = [
    3.2406 * x - 1.5372 * y - 0.4986 * z,
    -0.9689 * x + 1.8758 * y + 0.0415 * z,
    0.0557 * x - 0.204 * y + 1.057 * z,
  ];
  return light.map((each) => {
    const linear = Math.max(0, each * exposure);
    const value = linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055;
    return Math.round(255 * Math.min(1, value));
  });
}

/** A spot of one colour with the grain of a camera: `grain` is its standard deviation in pixel values. */
export function spotOf(pixel: readonly number[], random: () => number, { grain = 3, side = 24 } = {}): Spot {
  const rgba = new Uint8ClampedArray(4 * side * side).fill(255);
  for (let point = 0; point < side * side; point++)
    for (let of = 0; of < 3; of++) {
      const noise = (random() + random() + random() + random() - 2) * Math.sqrt(3) * grain;
      rgba[4 * point + of] = (pixel[of] ?? 0) + noise;
    }
  return { width: side, height: side, rgba };
}
